import { Copy } from 'lucide-react';
import type { ReactNode } from 'react';
import { say } from '../data/app-state.ts';
import { copied } from './copy.ts';
import { Button } from './Button.tsx';

/** An address that is told once: read, copied, and then gone from here. */
export function SecretAddress({ label, address, children }: { label: string; address: string; children: ReactNode }) {
  const copy = async () => {
    if (await copied(address)) say('Copied.');
    else say('This browser does not let Eclat copy: select it and copy by hand.', 'danger');
  };
  return (
    <div className="mt-3 rounded-lg border-2 border-steel bg-steel-wash p-3">
      <p className="font-semibold">{children}</p>
      <input
        readOnly
        aria-label={label}
        className="mt-2 min-h-11 w-full rounded border border-line bg-enamel px-2"
        value={address}
        onFocus={(e) => e.target.select()}
      />
      <Button autoFocus className="mt-2" onClick={() => void copy()}>
        <Copy className="size-5" aria-hidden />
        Copy
      </Button>
    </div>
  );
}
