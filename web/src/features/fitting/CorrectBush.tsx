import type { Visit } from '@eclat/contract';
import type { Located } from '@eclat/core/pivots';
import { useEffect, useRef, useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { TriedAfter } from './TriedAfter.tsx';

type Bush = Visit['bushes'][number];
const SIZES = [
  ['pivotMm', 'Finished pivot'],
  ['boreMm', 'Bore'],
  ['outsideMm', 'Outside'],
  ['heightMm', 'Height'],
] as const;
type Size = (typeof SIZES)[number][0];

/** What was entered of a bush, as it is typed anew. */
function useCorrection(bush: Bush, name: string, onClose: () => void) {
  const visit = useThisVisit();
  const [typed, setTyped, forgetSizes] = useKept<Record<Size, string>>(`bush.${bush.id}`, {
    pivotMm: String(bush.pivotMm),
    boreMm: String(bush.boreMm),
    outsideMm: String(bush.outsideMm),
    heightMm: String(bush.heightMm),
  });
  const [shake, setShake, forgetShake] = useKept(
    `bush.${bush.id}.shake`,
    bush.endShakeMm === null ? '' : String(bush.endShakeMm),
  );
  const [spins, setSpins] = useState(bush.spins === null ? '' : String(bush.spins));
  const [located, setLocated] = useState<Located | ''>(bush.located ?? '');
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const set = useCommand(api.fitting.setBush, {
    what: `Bush ${name}`,
    onSent: () => (forgetSizes(), forgetShake()),
    onDone: () => {
      say(`${name}: corrected.`);
      onClose();
    },
    onFields: (fields) => setWrong(Object.fromEntries(fields.map((f) => [f.path, f.message]))),
  });
  const sizes = Object.fromEntries(SIZES.map(([size]) => [size, lengthMm(typed[size])])) as Record<Size, number | null>;
  const ready = Object.values(sizes).every((mm) => mm !== null);
  const send = () => {
    if (!ready) return;
    set.mutate({
      params: { visitId: visit.id, bushId: bush.id },
      body: {
        ...(sizes as Record<Size, number>),
        note: bush.note,
        located: located || null,
        endShakeMm: bush.off ? null : lengthMm(shake, [0, 10]),
        spins: bush.off || spins === '' ? null : spins === 'true',
      },
    });
  };
  const type = (size: Size, value: string) => {
    setTyped((t) => ({ ...t, [size]: value }));
    setWrong({});
  };
  return {
    typed,
    type,
    shake,
    setShake,
    spins,
    setSpins,
    located,
    setLocated,
    wrong,
    ready,
    busy: set.isPending,
    send,
  };
}

/** What was entered wrong of a bush is put right where it stands; the bush stays in. */
export function CorrectBush({ bush, name, onClose }: { bush: Bush; name: string; onClose: () => void }) {
  const it = useCorrection(bush, name, onClose);
  const form = useRef<HTMLFormElement>(null);
  // After the sheet has put it on its own first button.
  useEffect(() => {
    const timer = setTimeout(() => {
      const first = form.current?.querySelector('input');
      first?.focus();
      first?.select();
    });
    return () => clearTimeout(timer);
  }, []);
  return (
    <Sheet open title={`Correct the bush, ${name}`} onClose={onClose}>
      <form
        ref={form}
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          it.send();
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          {SIZES.map(([size, label]) => (
            <div key={size}>
              <LengthField
                name={size}
                label={label}
                value={it.typed[size]}
                onEnter={it.send}
                onChange={(v) => it.type(size, v)}
              />
              {it.wrong[size] && <p className="font-semibold text-danger">{it.wrong[size]}</p>}
            </div>
          ))}
        </div>
        <div className="grid grid-cols-1 gap-3 sm:grid-cols-3">
          <TriedAfter of={it} onEnter={it.send} />
        </div>
        <div className="flex gap-3">
          <Button type="submit" variant="main" disabled={!it.ready} busy={it.busy}>
            Save
          </Button>
          <Button variant="plain" onClick={onClose}>
            Cancel
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
