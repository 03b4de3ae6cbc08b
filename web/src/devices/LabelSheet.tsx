import { Printer } from 'lucide-react';
import { useState } from 'react';
import { say, useAppState } from '../data/app-state.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { DocumentLink } from '../features/documents/Documents.tsx';
import { useThisVisit } from '../features/visit/useThisVisit.ts';
import { SimulatedPrinter } from './printer.ts';

/** The label that is tied to the clock: claim, what it is, and a code that opens this visit. */
export function LabelSheet({ onClose }: { onClose: () => void }) {
  const visit = useThisVisit();
  const set = useAppState((s) => s.set);
  const [busy, setBusy] = useState(false);
  const picture = `/api/visits/${visit.id}/papers/label.svg`;
  const print = async () => {
    setBusy(true);
    await new SimulatedPrinter((p) => set({ printed: [p, ...useAppState.getState().printed].slice(0, 12) })).print({
      picture,
      copies: 1,
    });
    setBusy(false);
    say('Printed. What it printed is under Devices.');
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title="Label for the clock"
      description="Tie it on before the clock leaves the counter."
    >
      <img
        src={picture}
        alt={`Label ${visit.claim}, ${visit.clock.description}`}
        className="w-full rounded-lg border border-line bg-white"
      />
      <div className="mt-4 flex flex-wrap gap-3">
        <Button variant="main" busy={busy} onClick={() => void print()}>
          <Printer className="size-5" aria-hidden />
          {busy ? 'Printing …' : 'Print on the label printer'}
        </Button>
        <DocumentLink document="label">As PDF</DocumentLink>
      </div>
    </Sheet>
  );
}
