import { AS_HEARD, ESCAPING, ROOMS, type ClockSpec } from '@eclat/core/simulated';
import { grouped } from '@eclat/core/units';
import { Panel } from '../../ui/Answer.tsx';
import { Choice } from '../../ui/Choice.tsx';

export type Simulated = Pick<
  ClockSpec,
  | 'escaping'
  | 'beats'
  | 'rate'
  | 'beatErrorMs'
  | 'amplitudeDeg'
  | 'liftDeg'
  | 'snrDb'
  | 'room'
  | 'scatterMs'
  | 'wanderMs'
>;
export const AS_SIMULATED: Simulated = { ...AS_HEARD, beats: 7200, beatErrorMs: 14, rate: 20 };

const SLIDES: readonly (readonly [
  key: 'rate' | 'beatErrorMs' | 'amplitudeDeg' | 'snrDb' | 'scatterMs' | 'wanderMs',
  label: string,
  least: number,
  most: number,
  step: number,
  unit: string,
])[] = [
  ['beatErrorMs', 'Beat error', -60, 60, 0.5, 'ms'],
  ['rate', 'Rate', -600, 600, 5, 's/day'],
  ['snrDb', 'Over the noise', 0, 40, 1, 'dB'],
  ['scatterMs', 'Scatter of a beat', 0, 2, 0.05, 'ms'],
  ['wanderMs', 'Wander from beat to beat', 0, 1, 0.05, 'ms'],
  ['amplitudeDeg', 'Amplitude', 130, 330, 5, '°'],
];
const KINDS = { pendulum: [3600, 5400, 7200, 9000], lever: [14_400, 18_000, 21_600, 28_800] } as const;
const ROOM_WORDS = { none: 'none', bench: 'workshop', hall: 'stone hall' } as const;

/** A clock to try it on, and to learn on: every setting is heard at once. */
export function SimulatedSettings({ value, onChange }: { value: Simulated; onChange: (s: Simulated) => void }) {
  const lever = value.escaping === 'lever';
  return (
    <Panel title="The simulated clock">
      <div className="flex flex-col gap-4">
        <Choice
          label="Kind"
          value={value.escaping}
          onChange={(escaping) =>
            onChange({
              ...value,
              escaping,
              beats: KINDS[escaping][escaping === 'lever' ? 1 : 2],
              beatErrorMs: escaping === 'lever' ? 1 : 14,
            })
          }
          options={ESCAPING.map((e) => [e, e === 'lever' ? 'balance, lever' : 'pendulum'] as const)}
        />
        <Choice
          label="Beats an hour"
          value={String(value.beats)}
          onChange={(b) => onChange({ ...value, beats: Number(b) })}
          options={KINDS[value.escaping].map((b) => [String(b), grouped(b)] as const)}
        />
        <Choice
          label="Room"
          value={value.room}
          onChange={(room) => onChange({ ...value, room })}
          options={ROOMS.map((r) => [r, ROOM_WORDS[r]] as const)}
        />
        <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
          {SLIDES.filter(([key]) => lever || key !== 'amplitudeDeg').map(([key, label, least, most, step, unit]) => (
            <label key={key} className="flex flex-col gap-1 font-semibold">
              <span className="flex justify-between gap-3">
                {label}
                <span className="tabular-nums">
                  {value[key]} {unit}
                </span>
              </span>
              <input
                type="range"
                className="h-11 accent-steel"
                min={least}
                max={most}
                step={step}
                value={value[key]}
                onChange={(e) => onChange({ ...value, [key]: Number(e.target.value) })}
              />
            </label>
          ))}
        </div>
        {lever && (
          <p className="text-soft">Its lift angle is {value.liftDeg}°: enter it beside to see the amplitude.</p>
        )}
      </div>
    </Panel>
  );
}
