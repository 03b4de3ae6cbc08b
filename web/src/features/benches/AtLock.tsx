import { sayStrikeSetUp, type TableTest } from '@eclat/core/benches';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Typed = Readonly<Record<string, string>>;

/** Where its pin stands, degrees on from its stop. */
const PIN_DEG: Record<string, number> = {
  'on its stop': 0,
  'close to its stop': 40,
  'half a turn off': 180,
  'nearly a turn off': 300,
  'past its stop': -28,
};

/** The three things that must hold at lock, drawn as they are seen, and which of them to move. */
export function AtLock({ typed }: { typed: Typed }) {
  const rack = Object.hasOwn(typed, 'hook');
  const pin = typed['pin'] ?? '';
  const { traits } = useThisVisit().movement;
  const seen = (rack ? ['hook', 'pallet', 'pin'] : ['count', 'cam', 'pin']).every((id) => typed[id]);
  const test = { kind: rack ? 'rack at lock' : 'at lock', values: typed } as TableTest;
  const said = seen ? sayStrikeSetUp(traits, [test]) : [];
  return (
    <>
      <div className="grid grid-cols-3 gap-2">
        {rack ? (
          <>
            <Part name="Rack hook" says={typed['hook']}>
              <Rack past={typed['hook'] !== 'on an earlier tooth'} />
            </Part>
            <Part name="Gathering pallet" says={typed['pallet']}>
              <Wheel
                deg={typed['pallet'] === 'past its stop' ? -28 : 0}
                tail
                loose={typed['pallet']?.startsWith('loose')}
              />
            </Part>
          </>
        ) : (
          <>
            <Part name="Count lever" says={typed['count']}>
              <Slotted teeth={9} down={typed['count'] !== 'on the rim'} />
            </Part>
            <Part name="Cam lever" says={typed['cam']}>
              <Slotted teeth={1} down={typed['cam'] !== 'beside its notch'} />
            </Part>
          </>
        )}
        <Part name="Warning pin" says={pin}>
          <Wheel deg={PIN_DEG[pin] ?? 0} />
        </Part>
      </div>
      {/* Its place is kept: what comes by itself moves nothing under the finger. */}
      <p className="min-h-12 font-semibold" aria-live="polite">
        {said.map((s) => s.says).join(' ')}
      </p>
    </>
  );
}

function Part({ name, says, children }: { name: string; says: string | undefined; children: ReactNode }) {
  return (
    <figure className="min-w-0 text-center">
      <svg
        viewBox="0 0 120 100"
        className={clsx('mx-auto h-24 w-full max-w-40 sm:h-32', !says && 'opacity-50')}
        aria-hidden
      >
        {children}
      </svg>
      <figcaption>
        <b className="block text-sm">{name}</b>
        <span className="block text-sm text-soft">{says || 'look'}</span>
      </figcaption>
    </figure>
  );
}

const C = { x: 60, y: 62, r: 32 };
const at = (deg: number, r: number): [number, number] => {
  const a = ((deg - 90) * Math.PI) / 180;
  return [C.x + r * Math.cos(a), C.y + r * Math.sin(a)];
};
const point = (deg: number, r: number) =>
  at(deg, r)
    .map((n) => n.toFixed(1))
    .join(' ');

const path = (...points: string[]) => `M ${points.join(' L ')} Z`;
const TEETH = Array.from({ length: 6 }, (_, i) => [`${14 + 13 * i} 60`, `${23 + 13 * i} 74`]).flat();

/** A wheel with slots in its rim and a lever over the topmost: down in it, or beside it on the rim. */
function Slotted({ teeth, down }: { teeth: number; down: boolean }) {
  const turned = down ? 0 : 14;
  const slots = Array.from({ length: teeth }, (_, i) => turned + (360 * i) / teeth);
  const tip = C.y - (down ? C.r - 10 : C.r);
  return (
    <>
      <circle cx={C.x} cy={C.y} r={C.r} className="fill-brass-fill stroke-ink" strokeWidth={1.5} />
      {slots.map((deg) => (
        <path
          key={deg}
          d={path(point(deg - 6, C.r + 2), point(deg - 6, C.r - 11), point(deg + 6, C.r - 11), point(deg + 6, C.r + 2))}
          className="fill-enamel stroke-ink"
          strokeWidth={1}
        />
      ))}
      <circle cx={C.x} cy={C.y} r={4} className="fill-ink" />
      <path
        d={path(`6 ${tip - 14}`, `63 ${tip - 14}`, `63 ${tip}`, `57 ${tip}`, `57 ${tip - 8}`, `6 ${tip - 8}`)}
        className="fill-steel"
      />
    </>
  );
}

/** A wheel with a pin (or a tail) that goes round to a stop at the top; `deg` how far it has still to go. */
function Wheel({ deg, tail = false, loose = false }: { deg: number; tail?: boolean; loose?: boolean | undefined }) {
  const [x, y] = at(-deg - 12, C.r - 7);
  return (
    <>
      <circle cx={C.x} cy={C.y} r={C.r} className="fill-none stroke-brass-fill" strokeWidth={6} />
      <path d={`M ${C.x - 3} 4 h 8 v ${C.y - C.r + 12} h -8 Z`} className="fill-steel" />
      {tail && (
        <path
          d={`M ${C.x} ${C.y} L ${x.toFixed(1)} ${y.toFixed(1)}`}
          className="stroke-ink"
          strokeWidth={5}
          strokeDasharray={loose ? '4 4' : undefined}
        />
      )}
      <circle cx={x} cy={y} r={5} className="fill-ink" />
      <circle cx={C.x} cy={C.y} r={4} className="fill-ink" />
      <path
        d={`M 22 92 A 48 48 0 0 0 98 92 m -8 -3 l 8 3 l -2 -8`}
        className="fill-none stroke-soft"
        strokeWidth={1.5}
      />
    </>
  );
}

/** The rack's teeth, with the hook past the last of them or on an earlier one. */
function Rack({ past }: { past: boolean }) {
  const [hook, tip] = past ? [96, 80] : [60, 62];
  return (
    <>
      <path
        d={path('10 78', ...TEETH, '100 78', '100 90', '10 90')}
        className="fill-brass-fill stroke-ink"
        strokeWidth={1.5}
      />
      <path
        d={path(
          `${hook - 60} 22`,
          `${hook + 4} 22`,
          `${hook + 4} ${tip}`,
          `${hook - 3} ${tip - 9}`,
          `${hook - 3} 30`,
          `${hook - 60} 30`,
        )}
        className="fill-steel"
      />
    </>
  );
}
