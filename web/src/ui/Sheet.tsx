import clsx from 'clsx';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { isHalfDone } from './half-done.ts';
import { useReturn } from './useReturn.ts';

interface Props {
  open: boolean;
  onClose: () => void;
  title: string;
  description?: string;
  children: ReactNode;
  /** A choice that has to be made cannot be pressed away. */
  mustChoose?: boolean;
  wide?: boolean;
}

export function Sheet({ open, onClose, ...rest }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && !rest.mustChoose && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Body {...rest} />
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** It is made as the sheet opens. */
function Body({ title, description, children, mustChoose = false, wide = false }: Omit<Props, 'open' | 'onClose'>) {
  const back = useReturn();
  return (
    <Dialog.Content
      className={clsx(
        'fixed z-50 overflow-y-auto border border-line bg-enamel p-4 shadow-2xl sm:p-6',
        // On a phone it comes from below, within the thumb, and leaves the clock and its danger in sight.
        'max-sm:inset-x-0 max-sm:bottom-0 max-sm:max-h-[calc(100dvh-4rem)] max-sm:rounded-t-2xl',
        'sm:top-1/2 sm:left-1/2 sm:max-h-[calc(100dvh-8.5rem)] sm:-translate-x-1/2 sm:-translate-y-1/2 sm:rounded-2xl',
        wide ? 'sm:w-[min(96vw,56rem)]' : 'sm:w-[min(94vw,44rem)]',
      )}
      {...(description ? {} : { 'aria-describedby': undefined })}
      onCloseAutoFocus={back}
      onEscapeKeyDown={(e) => (mustChoose || isHalfDone(e)) && e.preventDefault()}
      onInteractOutside={(e) => mustChoose && e.preventDefault()}
    >
      <div className="mb-4 flex items-start justify-between gap-4">
        <div>
          <Dialog.Title className="text-2xl">{title}</Dialog.Title>
          {description && <Dialog.Description className="mt-1 text-soft">{description}</Dialog.Description>}
        </div>
        {!mustChoose && (
          <Dialog.Close
            className="grid size-12 shrink-0 place-items-center rounded-lg hover:bg-steel-wash"
            aria-label="Close"
          >
            <X />
          </Dialog.Close>
        )}
      </div>
      {children}
    </Dialog.Content>
  );
}
