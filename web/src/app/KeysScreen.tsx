import { Printer } from 'lucide-react';
import { Button } from '../ui/Button.tsx';
import { Keys } from '../ui/KeyList.tsx';

/** All keys on one sheet, to hang over the bench. */
export function KeysScreen() {
  return (
    <div className="mx-auto w-full max-w-6xl px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-3xl">Keys</h1>
        <Button className="no-print" onClick={() => window.print()}>
          <Printer className="size-5" aria-hidden />
          Print
        </Button>
      </div>
      <h2 className="text-base font-normal text-soft">They work while no field is being typed in.</h2>
      <div className="gap-x-12 md:columns-2 print:columns-2">
        <Keys />
      </div>
    </div>
  );
}
