import clsx from 'clsx';
import type { ReactNode } from 'react';
import { Button } from './Button.tsx';

interface Props {
  /** What keeping it is called. */
  children: ReactNode;
  busy: boolean;
  onClose: () => void;
  className?: string;
}

/** The end of a form that is opened beside what it changes: keep it, or close it again. */
export function FormFoot({ children, busy, onClose, className }: Props) {
  return (
    <div className={clsx('flex gap-3', className)}>
      <Button type="submit" variant="main" busy={busy}>
        {children}
      </Button>
      <Button variant="plain" data-close onClick={onClose}>
        Close
      </Button>
    </div>
  );
}
