import { useEffect, useId, useRef, type ReactNode } from 'react';
import { buttonClass } from './Button.tsx';

interface Props {
  /** As an `input` takes it: types, and endings of names. */
  accept: string;
  onFiles: (files: [File, ...File[]]) => void;
  /** What the button says, with its icon. */
  children: ReactNode;
  variant?: Parameters<typeof buttonClass>[0];
  className?: string;
  multiple?: boolean;
  /** A phone opens its camera at once. */
  camera?: boolean;
  /** It has the focus when it appears. */
  first?: boolean;
}

/** A button that lets a file be chosen; the same one can be chosen again. */
export function ChooseFile({ accept, onFiles, children, variant = 'quiet', className, ...how }: Props) {
  const { multiple = false, camera = false, first = false } = how;
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (first) input.current?.focus();
  }, [first]);
  return (
    <span className={className}>
      <input
        id={id}
        type="file"
        ref={input}
        accept={accept}
        multiple={multiple}
        {...(camera ? { capture: 'environment' as const } : {})}
        className="peer sr-only"
        onChange={(e) => {
          const [file, ...others] = e.target.files ?? [];
          e.target.value = '';
          if (file) onFiles([file, ...others]);
        }}
      />
      <label
        htmlFor={id}
        className={buttonClass(
          variant,
          'cursor-pointer peer-focus-visible:outline-3 peer-focus-visible:outline-brass-fill',
        )}
      >
        {children}
      </label>
    </span>
  );
}
