import { usePlan } from './usePlan.ts';
import { MATERIALS, planRun, type BasketPart, type Bath, type Material } from '@eclat/core/cleaning';
import { Ban, Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';

export function Basket({ run }: { run: ReturnType<typeof usePlan> }) {
  const { bath, offered, setOffered, chosen, setChosen, toggle } = run;
  return (
    <div>
      <span className="font-semibold">In the basket</span>
      <ul className="mt-1 flex flex-wrap gap-2">
        {offered.map((p) => (
          <PartButton key={p.name} part={p} on={chosen.includes(p.name)} bath={bath!} onPress={() => toggle(p.name)} />
        ))}
      </ul>
      <AnotherPart
        onAdd={(p) => {
          setOffered((o) => [...o.filter((x) => x.name !== p.name), p]);
          setChosen((c) => [...c, p.name]);
        }}
      />
    </div>
  );
}

export function PartButton({
  part,
  on,
  bath,
  onPress,
}: {
  part: BasketPart;
  on: boolean;
  bath: Bath;
  onPress: () => void;
}) {
  const barred = planRun([part], bath).forbidden.length > 0;
  const chosen = barred ? 'border-danger bg-danger text-danger-ink' : 'border-steel bg-steel text-steel-ink';
  return (
    <li>
      <button
        type="button"
        aria-pressed={on}
        onClick={onPress}
        className={
          'min-h-12 rounded-lg border-2 px-4 py-1 text-left ' + (on ? chosen : 'border-line hover:bg-steel-wash')
        }
      >
        <span className="flex items-center gap-2 font-semibold">
          {barred && <Ban className="size-4" aria-label="not in this bath" />}
          {part.name}
        </span>
        <span className="block text-sm opacity-85">{part.materials.join(', ')}</span>
      </button>
    </li>
  );
}

export function AnotherPart({ onAdd }: { onAdd: (part: BasketPart) => void }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [material, setMaterial] = useState<Material>('bare brass');
  if (!open)
    return (
      <Button variant="plain" className="mt-2" onClick={() => setOpen(true)}>
        <Plus className="size-5" aria-hidden />
        Another part
      </Button>
    );
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <TextField className="w-56" label="Part" value={name} onChange={(e) => setName(e.target.value)} />
      <SelectField
        className="w-64"
        label="Made of"
        value={material}
        onChange={(e) => setMaterial(e.target.value as Material)}
      >
        {MATERIALS.map((m) => (
          <option key={m}>{m}</option>
        ))}
      </SelectField>
      <Button
        disabled={name.trim() === ''}
        onClick={() => {
          onAdd({ name: name.trim(), materials: [material] });
          setName('');
          setOpen(false);
        }}
      >
        Put it in
      </Button>
    </div>
  );
}
