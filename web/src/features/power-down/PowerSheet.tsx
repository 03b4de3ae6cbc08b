import type { Power, Visit } from '@eclat/contract';
import { cautionsFor } from '@eclat/core/cautions';
import { TriangleAlert } from 'lucide-react';
import { Sheet } from '../../ui/Sheet.tsx';
import { SourcePanel } from './SourcePanel.tsx';

/** One source of power, from whatever screen its badge is pressed on: the caution first, then the state. */
export default function PowerSheet({ visit, power, onClose }: { visit: Visit; power: Power; onClose: () => void }) {
  const caution = cautionsFor(visit.movement.traits, 'power')[0];
  return (
    <Sheet open onClose={onClose} title={`Power of the ${power.name}`}>
      {caution && (
        <p className="mb-4 flex items-start gap-3 rounded-lg bg-brass-wash px-4 py-2">
          <TriangleAlert className="mt-0.5 size-6 shrink-0 text-brass" aria-hidden />
          {caution.text}
        </p>
      )}
      <SourcePanel visit={visit} power={power} />
    </Sheet>
  );
}
