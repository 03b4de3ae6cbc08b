import { usePlan } from './usePlan.ts';
import { HALVES, isWhole, MATERIALS, type BasketPart, type Material } from '@eclat/core/cleaning';
import { Ban, Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';

const MOST_MATERIALS = 6;

export function Basket({ run }: { run: ReturnType<typeof usePlan> }) {
  const { bars, wipes, warming, offered, setOffered, chosen, setChosen, toggle, half, setHalf } = run;
  return (
    <div>
      <span className="font-semibold">{wipes ? 'What is wiped' : 'In the basket'}</span>
      <ul className="mt-1 flex flex-wrap gap-2">
        {offered.map((p, i) => (
          <PartButton
            key={p.name}
            part={p}
            next={warming !== undefined && i === 0}
            on={chosen.includes(p.name)}
            barred={bars(p)}
            wipes={wipes}
            onPress={() => toggle(p.name)}
          />
        ))}
      </ul>
      {chosen.some(isWhole) && (
        <div className="mt-3">
          <Choice
            label="A small tank takes one half at a time"
            value={half}
            onChange={setHalf}
            options={HALVES.map((h) => [h, h] as const)}
          />
        </div>
      )}
      <AnotherPart
        onAdd={(p) => {
          setOffered((o) => [...o.filter((x) => x.name !== p.name), p]);
          setChosen((c) => [...c, p.name]);
        }}
      />
    </div>
  );
}

interface ButtonProps {
  part: BasketPart;
  on: boolean;
  barred: boolean;
  wipes: boolean;
  /** The bath is warm and waits for its basket. */
  next?: boolean;
  onPress: () => void;
}

export function PartButton({ part, on, barred, wipes, next = false, onPress }: ButtonProps) {
  const chosen = barred ? 'border-danger bg-danger text-danger-ink' : 'border-steel bg-steel text-steel-ink';
  return (
    <li>
      <button
        type="button"
        aria-pressed={on}
        data-next={next || undefined}
        onClick={onPress}
        className={
          'min-h-12 rounded-lg border-2 px-4 py-1 text-left ' + (on ? chosen : 'border-line hover:bg-steel-wash')
        }
      >
        <span className="flex items-center gap-2 font-semibold">
          {barred && <Ban className="size-4" aria-label={wipes ? 'not to be wiped' : 'not in this bath'} />}
          {part.name}
        </span>
        <span className="block text-sm opacity-85">{part.materials.join(', ')}</span>
      </button>
    </li>
  );
}

/** A part by its name, and all that it is made of: the strictest material rules. */
export function AnotherPart({ onAdd }: { onAdd: (part: BasketPart) => void }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [materials, setMaterials] = useState<Material[]>(['bare brass']);
  if (!open)
    return (
      <Button variant="plain" className="mt-2" onClick={() => setOpen(true)}>
        <Plus className="size-5" aria-hidden />
        Another part
      </Button>
    );
  const left = MATERIALS.filter((m) => !materials.includes(m));
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (name.trim() === '') return;
        onAdd({ name: name.trim(), materials });
        setName('');
        setMaterials(['bare brass']);
        setOpen(false);
      }}
    >
      <TextField className="w-56" label="Part" maxLength={60} value={name} onChange={(e) => setName(e.target.value)} />
      {materials.map((material, i) => (
        <SelectField
          key={i}
          className="w-56"
          label={i === 0 ? 'Made of' : 'And of'}
          value={material}
          onChange={(e) =>
            setMaterials(
              e.target.value === ''
                ? materials.filter((_, at) => at !== i)
                : materials.map((m, at) => (at === i ? (e.target.value as Material) : m)),
            )
          }
        >
          {i > 0 && <option value="">nothing more</option>}
          {[material, ...left].map((m) => (
            <option key={m}>{m}</option>
          ))}
        </SelectField>
      ))}
      {materials.length < MOST_MATERIALS && (
        <Button variant="plain" onClick={() => setMaterials([...materials, left[0]!])}>
          <Plus className="size-5" aria-hidden />
          And of
        </Button>
      )}
      <FormFoot busy={false} onClose={() => setOpen(false)}>
        Put it in
      </FormFoot>
    </form>
  );
}
