import clsx from 'clsx';
import { useEffect, useRef, type ReactNode } from 'react';
import { Button } from './Button.tsx';
import { onceItStands } from './finger.ts';

interface Props {
  /** What keeping it is called. */
  children: ReactNode;
  busy: boolean;
  onClose: () => void;
  className?: string;
}

const FIELDS = 'input, textarea, select';
const WORDS = 'input:not([type]), input[type="text"], textarea';

/** The end of a form that a press opens: keep it, or close it again. What is typed first in it is in hand. */
export function FormFoot({ children, busy, onClose, className }: Props) {
  const foot = useRef<HTMLDivElement>(null);
  useEffect(
    () =>
      onceItStands(() => {
        const form = foot.current?.closest('form');
        const here = document.activeElement;
        if (!form || (form.contains(here) && here?.matches(FIELDS))) return;
        const fields = form.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>(WORDS);
        [...fields].find((f) => f.value === '' && !f.matches(':disabled, [readonly]'))?.focus();
      }),
    [],
  );
  return (
    <div ref={foot} className={clsx('flex gap-3', className)}>
      <Button type="submit" variant="main" busy={busy}>
        {children}
      </Button>
      <Button variant="plain" data-close onClick={onClose}>
        Close
      </Button>
    </div>
  );
}
