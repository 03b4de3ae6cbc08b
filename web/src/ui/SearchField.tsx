import clsx from 'clsx';
import { Search } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEventHandler } from 'react';
import { useWalk } from './useWalk.ts';

interface Props {
  label: string;
  /** Its name stands above it; else it is only read out. */
  showLabel?: boolean;
  placeholder: string;
  value: string;
  onChange: (value: string) => void;
  onKeyDown?: KeyboardEventHandler;
  /** The page is opened for it: it has the focus once the page stands. */
  first?: boolean;
  className?: string;
}

/** Where one looks for something. */
export function SearchField({ label, showLabel = false, placeholder, value, onChange, ...props }: Props) {
  const { onKeyDown, first = false, className } = props;
  const [typed, setTyped] = useTyped(value, onChange);
  const field = useRef<HTMLInputElement>(null);
  useWalk(field);
  useEffect(() => {
    if (first) field.current?.focus();
  }, [first]);
  return (
    <label className={clsx('relative block', className)}>
      <span className={showLabel ? 'mb-1 block font-semibold' : 'sr-only'}>{label}</span>
      <Search className="absolute bottom-3.5 left-3 size-5 text-soft" aria-hidden />
      <input
        ref={field}
        className="min-h-12 w-full rounded-lg border border-line bg-enamel pr-3 pl-10 text-lg"
        placeholder={placeholder}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={onKeyDown}
      />
    </label>
  );
}

/**
 * What is typed stands at once; what is told of it may follow later (the address of the page does). A scanner types
 * faster than the address follows, and no letter of it is lost.
 */
function useTyped(told: string, tell: (value: string) => void): [string, (value: string) => void] {
  const [typed, setTyped] = useState(told);
  const onTheWay = useRef<string[]>([]);
  useEffect(() => {
    const at = onTheWay.current.indexOf(told);
    if (at >= 0) onTheWay.current.splice(0, at + 1);
    else {
      onTheWay.current = [];
      setTyped(told);
    }
  }, [told]);
  return [
    typed,
    (value) => {
      onTheWay.current.push(value);
      setTyped(value);
      tell(value);
    },
  ];
}
