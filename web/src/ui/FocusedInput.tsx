import type { InputHTMLAttributes } from 'react';
import { useEffect, useRef } from 'react';

/** The one field a page is opened for: it has the focus once the page stands. */
export function FocusedInput(props: InputHTMLAttributes<HTMLInputElement>) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return <input ref={field} {...props} />;
}
