import { ALLOYS, beaten, HEIGHTS_WHEN, PIN_IN_FORK, rateWords, STRIP_IS } from '@eclat/core/torsion';
import { Timer } from 'lucide-react';
import { useState } from 'react';
import { serverNow } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { countdown } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import { useNow } from '../../ui/useNow.ts';
import { Grid } from './ElectricForms.tsx';
import { NumberField, numberOf } from './NumberField.tsx';
import { useBenchForm } from './useBenchForm.ts';

const BENCH = 'Torsion bench';
const THICKNESS = [0.03, 0.5] as const;
const WIDTH = [0.2, 10] as const;
const FREE = [20, 400] as const;
const FORK = [0.1, 200] as const;
const ASSEMBLY = [10, 500] as const;
const options = <T extends string>(all: readonly T[]) => all.map((x) => [x, x] as const);
const blank = (text: string) => text.trim() === '';
/** Left empty, or a length. */
const optional = (text: string, range: readonly [number, number]) => blank(text) || lengthMm(text, range) !== null;

/** The strip in hand, measured as it came or as it goes in. */
export function StripForm({ tried }: { tried: boolean }) {
  const start = {
    strip: tried ? STRIP_IS[1] : (STRIP_IS[0] as (typeof STRIP_IS)[number]),
    ...{ thickness: '', width: '', free: '', note: '' },
    alloy: 'not known' as (typeof ALLOYS)[number],
  };
  const { typed: t, on, busy, send } = useBenchForm('strip', start, BENCH);
  const thicknessMm = lengthMm(t.thickness, THICKNESS);
  const ready = thicknessMm !== null && optional(t.width, WIDTH) && optional(t.free, FREE);
  return (
    <div className="flex flex-col gap-4">
      <Choice hideLabel label="The strip is" value={t.strip} options={options(STRIP_IS)} onChange={on('strip')} />
      <Grid
        onSend={() => {
          if (!ready) return;
          const [widthMm, freeMm] = [lengthMm(t.width, WIDTH), lengthMm(t.free, FREE)];
          const { strip, alloy } = t;
          send({ kind: 'torsion strip', strip, thicknessMm, widthMm, freeMm, alloy, note: t.note.trim() });
        }}
      >
        <LengthField
          name="thickness"
          label="Thickness"
          plausible={THICKNESS}
          value={t.thickness}
          onChange={on('thickness')}
        />
        <LengthField name="width" label="Width" plausible={WIDTH} value={t.width} onChange={on('width')} />
        <LengthField name="free" label="Free length" plausible={FREE} value={t.free} onChange={on('free')} />
        <TextField label="Remark" maxLength={200} value={t.note} onChange={(e) => on('note')(e.target.value)} />
        <div className="col-span-full flex flex-wrap items-end justify-between gap-4">
          <Choice label="Against warmth" value={t.alloy} options={options(ALLOYS)} onChange={on('alloy')} />
          <Button type="submit" variant="main" disabled={!ready} busy={busy}>
            Save the strip
          </Button>
        </div>
      </Grid>
    </div>
  );
}

/** Beats and the time they took; the watch is a press at one turn and a press at a later one. */
export function BeatForm({ wanted }: { wanted: number }) {
  const start = { beats: '', seconds: '', wanted: String(wanted) };
  const { typed: t, on, busy, send } = useBenchForm('beats', start, BENCH);
  const [beats, seconds, per] = [numberOf(t.beats, 1000), numberOf(t.seconds, 36_000), numberOf(t.wanted, 60)];
  const ready =
    beats !== null && Number.isInteger(beats) && beats > 0 && seconds !== null && seconds > 0 && per !== null;
  const found = ready && per > 0 ? beaten({ beats, seconds, wanted: per }) : null;
  return (
    <div className="flex flex-col gap-4">
      <Watch
        onStop={(s) => {
          on('seconds')(s.toFixed(1));
          if (per) on('beats')(String(Math.round((s * per) / 60)));
        }}
      />
      <Grid
        onSend={() => {
          if (found) send({ kind: 'torsion beats', beats: beats!, seconds: seconds!, wanted: per! });
        }}
      >
        <NumberField
          inTurn
          label="Beats counted"
          most={1000}
          value={t.beats}
          onChange={on('beats')}
          hint="40 or more"
        />
        <NumberField inTurn label="Seconds" most={36_000} value={t.seconds} onChange={on('seconds')} />
        <NumberField inTurn label="Wanted a minute" most={60} value={t.wanted} onChange={on('wanted')} />
        <div className="flex flex-col gap-2 lg:mt-7">
          <Button type="submit" variant="main" disabled={!found} busy={busy}>
            Save the count
          </Button>
        </div>
        {found && (
          <p className="col-span-full text-soft" role="status">
            {found.perMinute.toFixed(3)} a minute: {rateWords(found.rate)}.
          </p>
        )}
      </Grid>
    </div>
  );
}

/** From one turn of the bob to a later one: the seconds between, and how many beats that should have been. */
function Watch({ onStop }: { onStop: (seconds: number) => void }) {
  const [from, setFrom] = useState<number | null>(null);
  return (
    <Button
      className="min-h-14 self-start text-lg"
      variant={from === null ? 'quiet' : 'main'}
      onClick={() => {
        if (from !== null) onStop((performance.now() - from) / 1000);
        setFrom(from === null ? performance.now() : null);
      }}
    >
      <Timer className="size-5" aria-hidden />
      {from === null ? (
        'Start at a turn'
      ) : (
        <>
          Stop at a turn <Running />
        </>
      )}
    </Button>
  );
}

function Running() {
  const [from] = useState(serverNow);
  return <span className="tabular-nums">{countdown(useNow() - from)}</span>;
}

export function HeightsForm({ set }: { set: boolean }) {
  const start = { when: HEIGHTS_WHEN[set ? 1 : 0], fork: '', assembly: '' };
  const { typed: t, on, busy, send } = useBenchForm('heights', start, BENCH);
  const [forkMm, assemblyMm] = [lengthMm(t.fork, FORK), lengthMm(t.assembly, ASSEMBLY)];
  const ready = (forkMm !== null || assemblyMm !== null) && optional(t.fork, FORK) && optional(t.assembly, ASSEMBLY);
  return (
    <div className="flex flex-col gap-4">
      <Choice hideLabel label="The heights are" value={t.when} options={options(HEIGHTS_WHEN)} onChange={on('when')} />
      <Grid
        onSend={() => {
          if (ready) send({ kind: 'torsion heights', when: t.when, forkMm, assemblyMm });
        }}
      >
        <LengthField
          name="fork"
          label="Fork, below the top block"
          plausible={FORK}
          value={t.fork}
          onChange={on('fork')}
        />
        <LengthField
          name="assembly"
          label="Assembly, pin to pin"
          plausible={ASSEMBLY}
          value={t.assembly}
          onChange={on('assembly')}
        />
        <div className="lg:mt-7">
          <Button type="submit" variant="main" disabled={!ready} busy={busy}>
            Save the heights
          </Button>
        </div>
      </Grid>
    </div>
  );
}

export function EscapementForm() {
  const start = { lock: '', cw: '', ccw: '', pin: '' as (typeof PIN_IN_FORK)[number] | '' };
  const { typed: t, on, busy, send } = useBenchForm('escapement', start, BENCH);
  const [lockPercent, clockwise, anticlockwise] = [numberOf(t.lock, 100), numberOf(t.cw, 360), numberOf(t.ccw, 360)];
  const read = [t.lock, t.cw, t.ccw].every(
    (text, i) => blank(text) || [lockPercent, clockwise, anticlockwise][i] !== null,
  );
  const both = (clockwise === null) === (anticlockwise === null);
  const ready = read && both && (lockPercent !== null || clockwise !== null || t.pin !== '');
  return (
    <Grid
      onSend={() => {
        if (ready)
          send({ kind: 'torsion escapement', lockPercent, clockwise, anticlockwise, pin: t.pin === '' ? null : t.pin });
      }}
    >
      <NumberField inTurn label="Lock, % of the face" most={100} value={t.lock} onChange={on('lock')} />
      <NumberField
        inTurn
        label="Overswing clockwise, °"
        most={360}
        value={t.cw}
        onChange={on('cw')}
        hint="Seen from above"
      />
      <NumberField
        inTurn
        label="Anticlockwise, °"
        most={360}
        value={t.ccw}
        onChange={on('ccw')}
        hint={both ? undefined : 'Both ways, or neither'}
      />
      <div className="col-span-full flex flex-wrap items-end justify-between gap-4">
        <Choice
          label="Pin in the fork"
          value={t.pin}
          options={options(PIN_IN_FORK)}
          onChange={on('pin')}
          onClear={() => on('pin')('')}
        />
        <Button type="submit" variant="main" disabled={!ready} busy={busy}>
          Save what was seen
        </Button>
      </div>
    </Grid>
  );
}
