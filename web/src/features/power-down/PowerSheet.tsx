import type { Visit } from '@eclat/contract';
import { cautionsFor } from '@eclat/core/cautions';
import { byCount } from '@eclat/core/units';
import { byDanger } from '@eclat/core/workflow';
import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Choice } from '../../ui/Choice.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SourcePanel } from './SourcePanel.tsx';

/** The power of the clock from whatever screen it is looked at: the caution first, then what is most dangerous. */
export default function PowerSheet({ visit, onClose }: { visit: Visit; onClose: () => void }) {
  const caution = cautionsFor(visit.movement.traits, 'power')[0];
  const [source, setSource] = useState(() => byDanger(visit.power)[0]!.source);
  const power = visit.power.find((p) => p.source === source) ?? visit.power[0]!;
  return (
    <Sheet open onClose={onClose} title={byCount(visit.power.length, `Power of the ${power.name}`, 'Power')}>
      {caution && (
        <p className="mb-4 flex items-start gap-3 rounded-lg bg-brass-wash px-4 py-2">
          <TriangleAlert className="mt-0.5 size-6 shrink-0 text-brass" aria-hidden />
          <span className="flex-1">{caution.text}</span>
          <Help about="power" />
        </p>
      )}
      {visit.power.length > 1 && (
        <div className="mb-4">
          <Choice
            hideLabel
            label="Which source"
            value={power.source}
            options={visit.power.map((p) => [p.source, `${p.label}: ${p.state}`] as const)}
            onChange={setSource}
          />
        </div>
      )}
      <SourcePanel key={power.source} visit={visit} power={power} />
    </Sheet>
  );
}
