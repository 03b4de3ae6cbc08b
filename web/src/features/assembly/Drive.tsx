import type { Checked } from '@eclat/contract';
import { CYCLES, driven, drivenWords, type CycleId, type Drive } from '@eclat/core/checks';
import { ChevronsRight, Plus, RotateCcw, TriangleAlert, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { useKept } from '../../data/useDraft.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { TextField } from '../../ui/Field.tsx';

interface Props {
  id: CycleId;
  kept: Checked | undefined;
  onKeep: (result: Checked['result'], note: string, drive: Drive) => void;
}

/**
 * Dial work driven by hand through a whole cycle: a press for each step, another where it fouls. What was driven is
 * kept with the check, so that it can go on after the kettle.
 */
export function DriveThrough({ id, kept, onKeep }: Props) {
  const drive = kept?.detail && 'of' in kept.detail ? kept.detail : null;
  if (!drive) return <BeginDrive id={id} onKeep={onKeep} />;
  const { past, next, whole } = driven(id, drive);
  return (
    <div role="group" aria-label="Driven by hand" className="mt-2 flex flex-wrap items-center gap-5">
      <Ring drive={drive} />
      <div className="flex min-w-0 flex-1 basis-72 flex-col gap-3">
        <p role="status">
          <b className="text-lg">
            {drive.done} of {drive.of}: {past}.
          </b>{' '}
          {next && `In ${next.in}: ${next.what}.`}
        </p>
        {!whole && <StepOn drive={drive} onKeep={onKeep} next={next} />}
        {drive.fouled.length > 0 && <Fouled drive={drive} onKeep={onKeep} />}
        <Button
          variant="plain"
          className="self-start"
          onClick={() => onKeep('under way', '', { of: drive.of, done: 0, fouled: [] })}
        >
          <RotateCcw className="size-5" aria-hidden />
          From the beginning
        </Button>
      </div>
    </div>
  );
}

function BeginDrive({ id, onKeep }: { id: Props['id']; onKeep: Props['onKeep'] }) {
  const [of, setOf] = useState('');
  const steps = Number(of);
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      {CYCLES[id].lengths.map(([n, what]) => (
        <Button key={n} onClick={() => onKeep('under way', '', { of: n, done: 0, fouled: [] })}>
          {what}
        </Button>
      ))}
      <TextField
        label="Another count"
        className="w-36"
        inputMode="numeric"
        value={of}
        onChange={(e) => setOf(e.target.value)}
      />
      <Button
        disabled={!Number.isInteger(steps) || steps < 2 || steps > 1000}
        onClick={() => onKeep('under way', '', { of: steps, done: 0, fouled: [] })}
      >
        Begin
      </Button>
    </div>
  );
}

function StepOn({
  drive,
  onKeep,
  next,
}: {
  drive: Drive;
  onKeep: Props['onKeep'];
  next: { what: string; in: number } | null;
}) {
  const visit = useThisVisit();
  const [fouls, setFouls] = useKept(`fouls.${visit.id}`, '');
  const to = (done: number) => {
    const after = { ...drive, done: Math.min(done, drive.of) };
    // The whole cycle free is the answer; where it fouled is for a person to say.
    onKeep(
      after.done >= after.of && after.fouled.length === 0 ? 'passed' : 'under way',
      after.done >= after.of && after.fouled.length === 0 ? drivenWords(after) : '',
      after,
    );
  };
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <Button variant="main" onClick={() => to(drive.done + 1)}>
          <Plus className="size-5" aria-hidden />
          One step on
        </Button>
        {next && (
          <Button onClick={() => to(drive.done + next.in)}>
            <ChevronsRight className="size-5" aria-hidden />
            On to it ({next.in})
          </Button>
        )}
      </div>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          onKeep('under way', '', {
            ...drive,
            fouled: [...drive.fouled, { step: drive.done, note: fouls.trim() }],
          });
          setFouls('');
        }}
      >
        <TextField
          label="On what"
          className="w-48"
          value={fouls}
          maxLength={100}
          onChange={(e) => setFouls(e.target.value)}
        />
        <Button type="submit">
          <TriangleAlert className="size-5" aria-hidden />
          It fouls here
        </Button>
      </form>
    </>
  );
}

function Fouled({ drive, onKeep }: { drive: Drive; onKeep: Props['onKeep'] }) {
  return (
    <>
      <ul className="flex flex-wrap gap-2">
        {drive.fouled.map((f, i) => (
          <li
            key={`${f.step} ${i}`}
            className="inline-flex items-center gap-1 rounded-lg border-2 border-danger pl-3 font-semibold text-danger"
          >
            {f.step}
            {f.note && `: ${f.note}`}
            <button
              type="button"
              aria-label={`It does not foul at ${f.step}`}
              className="grid size-10 place-items-center"
              onClick={() => onKeep('under way', '', { ...drive, fouled: drive.fouled.filter((_, k) => k !== i) })}
            >
              <X className="size-4" />
            </button>
          </li>
        ))}
      </ul>
      <Button variant="danger" className="self-start" onClick={() => onKeep('failed', drivenWords(drive), drive)}>
        It failed, comes apart again
      </Button>
    </>
  );
}

const R = 44;
const at = (share: number, r: number) =>
  `${(r * Math.sin(share * 2 * Math.PI)).toFixed(2)} ${(-r * Math.cos(share * 2 * Math.PI)).toFixed(2)}`;

/** The cycle as a ring: what is driven is filled, where it fouls stands a bar across. */
function Ring({ drive: { of, done, fouled } }: { drive: Drive }) {
  const share = Math.min(done / of, 0.9999);
  return (
    <svg viewBox="-56 -56 112 112" className="size-32 shrink-0" role="img" aria-label={`${done} of ${of} steps driven`}>
      <circle r={R} fill="none" strokeWidth={10} className="stroke-line" />
      {done > 0 && (
        <path
          d={`M ${at(0, R)} A ${R} ${R} 0 ${share > 0.5 ? 1 : 0} 1 ${at(share, R)}`}
          fill="none"
          strokeWidth={10}
          className="stroke-steel"
        />
      )}
      {fouled.map((f, i) => (
        <path
          key={i}
          d={`M ${at(f.step / of, R - 11)} L ${at(f.step / of, R + 11)}`}
          strokeWidth={5}
          className="stroke-danger"
        />
      ))}
      <text y={9} textAnchor="middle" fontSize={26} fontWeight={700} className="fill-ink">
        {done}
      </text>
    </svg>
  );
}
