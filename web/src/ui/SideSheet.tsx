import clsx from 'clsx';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { KeyboardEvent, ReactNode } from 'react';
import { isHalfDone } from './half-done.ts';
import { useReturn } from './useReturn.ts';

interface Props {
  title: string;
  /** The edge it comes from. */
  side: 'left' | 'right';
  onClose: () => void;
  /** What has the focus when it opens: the first of these that is there. */
  first: readonly string[];
  /** Stands before the title; under it. */
  before?: ReactNode;
  under?: ReactNode;
  onKeyDown?: (e: KeyboardEvent) => void;
  children: ReactNode;
}

/** It comes from an edge and stands under the bar: the clock and its danger stay in sight. */
export function SideSheet({ title, side, onClose, first, before, under, onKeyDown, children }: Props) {
  const back = useReturn();
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-x-0 top-14 bottom-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={back}
          onEscapeKeyDown={(e) => isHalfDone(e) && e.preventDefault()}
          onOpenAutoFocus={(e) => {
            e.preventDefault();
            const sheet = e.target as HTMLElement;
            const there = first.map((of) => sheet.querySelector<HTMLElement>(of)).find((found) => found !== null);
            there?.focus();
          }}
          onKeyDown={onKeyDown}
          className={clsx(
            'fixed top-14 z-50 border-line bg-enamel shadow-2xl',
            side === 'right'
              ? 'right-0 bottom-0 flex w-[min(100vw,40rem)] flex-col border-l'
              : 'left-0 max-h-[calc(100dvh-3.5rem)] w-[min(100vw,44rem)] rounded-br-2xl border-r border-b p-4',
            side === 'left' && 'overflow-y-auto',
          )}
        >
          <div className={clsx('flex gap-4', side === 'right' ? 'items-center px-5 pt-3' : 'mb-1 items-center')}>
            {before}
            <div className="min-w-0 flex-1">
              <Dialog.Title className="text-xl">{title}</Dialog.Title>
              {under}
            </div>
            <Dialog.Close
              aria-label="Close"
              className="grid size-12 shrink-0 place-items-center self-start rounded-lg hover:bg-steel-wash"
            >
              <X />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
