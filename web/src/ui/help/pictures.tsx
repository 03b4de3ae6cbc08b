import type { ReactNode } from 'react';

/** Each is drawn in a box of 320 × 140, with the lines, shapes and colours of the figure it explains. */
const STEEL = { className: 'fill-none stroke-steel', strokeWidth: 3 };
const BRASS = { className: 'fill-none stroke-brass-fill', strokeWidth: 3 };

type Anchor = 'start' | 'middle' | 'end';
function Word({ x, y, at = 'middle', children }: { x: number; y: number; at?: Anchor; children: ReactNode }) {
  return (
    <text x={x} y={y} textAnchor={at} fontSize={13} className="fill-ink">
      {children}
    </text>
  );
}

/** Words under the parts of a picture, each by its middle. */
const Under = ({ y, words }: { y: number; words: Readonly<Record<number, string>> }) =>
  Object.entries(words).map(([x, word]) => (
    <Word key={x} x={Number(x)} y={y}>
      {word}
    </Word>
  ));

const turned = (cx: number, cy: number, r: number, deg: number) => {
  const a = (deg * Math.PI) / 180;
  return `${(cx + r * Math.sin(a)).toFixed(1)} ${(cy - r * Math.cos(a)).toFixed(1)}`;
};
/** Along a circle, in degrees from the top, clockwise. */
const arc = (cx: number, cy: number, r: number, from: number, to: number) =>
  `M ${turned(cx, cy, r, from)} A ${r} ${r} 0 ${Math.abs(to - from) > 180 ? 1 : 0} ${to > from ? 1 : 0} ` +
  turned(cx, cy, r, to);

export function Stages() {
  const looks = [
    'stroke-steel',
    'stroke-steel',
    'stroke-brass-fill',
    'stroke-line',
    'stroke-line',
    'stroke-line opacity-40',
  ];
  return (
    <>
      {looks.map((look, i) => (
        <path
          key={i}
          d={arc(84, 70, 44, i * 60 + 3, i * 60 + 57)}
          className={`fill-none ${look}`}
          strokeWidth={i < 3 ? 18 : 6}
        />
      ))}
      <Word x={168} y={44} at="start">
        filled: done
      </Word>
      <Word x={168} y={68} at="start">
        brass: in hand
      </Word>
      <Word x={168} y={92} at="start">
        empty: to come
      </Word>
      <Word x={168} y={116} at="start">
        faint: not in this job
      </Word>
    </>
  );
}

/** A barrel with its spring, wound about the arbor or lying at the wall. */
function Barrel({ x, radii }: { x: number; radii: readonly number[] }) {
  return (
    <g>
      <circle cx={x} cy={60} r={36} className="fill-brass-wash stroke-brass-fill" strokeWidth={3} />
      {radii.map((r) => (
        <circle key={r} cx={x} cy={60} r={r} className="fill-none stroke-steel" strokeWidth={2} />
      ))}
      <circle cx={x} cy={60} r={6} className="fill-steel" />
    </g>
  );
}

export const Power = () => (
  <>
    <Barrel x={64} radii={[10, 14, 18, 22, 26]} />
    <Barrel x={256} radii={[25, 28, 31, 34]} />
    <circle cx={160} cy={60} r={36} {...BRASS} strokeDasharray="5 5" />
    <text x={160} y={71} textAnchor="middle" fontSize={30} fontWeight={700} className="fill-danger">
      ?
    </text>
    <Under y={120} words={{ 64: 'wound', 160: 'not known', 256: 'let down' }} />
  </>
);

export const Hole = () => (
  <>
    <rect
      x={14}
      y={10}
      width={170}
      height={120}
      rx={12}
      className="fill-brass-wash stroke-brass-fill"
      strokeWidth={2}
    />
    <ellipse cx={99} cy={70} rx={58} ry={40} className="fill-enamel stroke-ink" strokeWidth={2} />
    <circle cx={80} cy={70} r={37} className="fill-steel" />
    <path d="M118 70 h37" className="fill-none stroke-danger" strokeWidth={4} />
    <path d="M137 70 L196 44" className="fill-none stroke-line" strokeWidth={2} />
    <Word x={200} y={46} at="start">
      play, the long way
    </Word>
    <path d="M80 70 L196 96" className="fill-none stroke-line" strokeWidth={2} />
    <Word x={200} y={100} at="start">
      pivot
    </Word>
  </>
);

export const Beat = () => (
  <>
    <path d={arc(160, 84, 58, -11, 11)} className="fill-none stroke-good" strokeWidth={4} strokeLinecap="round" />
    <path d="M160 28 l-8 -14 h16 Z" className="fill-ink" />
    <path d={arc(160, 84, 44, -130, -28)} className="fill-none stroke-steel" strokeWidth={13} />
    <path d={arc(160, 84, 44, 130, -25)} className="fill-none stroke-brass-fill" strokeWidth={13} />
    <path d={arc(160, 84, 44, 130, -25)} className="fill-none stroke-enamel" strokeWidth={4} />
    <Word x={104} y={116} at="end">
      left side short
    </Word>
    <Word x={216} y={116} at="start">
      right side
    </Word>
    <Word x={182} y={22} at="start">
      in beat here
    </Word>
  </>
);

export const Heard = () => (
  <>
    <path d="M20 92 H300" className="fill-none stroke-line" strokeWidth={2} />
    {[30, 120, 218, 290].map((x, i) => (
      <path key={x} d={`M${x} 92 v${i % 2 ? -34 : -48}`} {...STEEL} />
    ))}
    <path d="M34 106 H116 M124 106 H214" {...BRASS} />
    <Word x={75} y={126}>
      tick to tock
    </Word>
    <Word x={169} y={126}>
      tock to tick
    </Word>
    <Word x={160} y={26}>
      unequal: out of beat
    </Word>
  </>
);

export const Rate = () => (
  <>
    <path d="M24 12 V122 H304" className="fill-none stroke-line" strokeWidth={2} />
    <path d="M166 98 L296 84" {...STEEL} />
    <path d="M158 12 V122" className="fill-none stroke-brass-fill" strokeWidth={2} strokeDasharray="5 4" />
    {(
      [
        [40, 103],
        [78, 79],
        [112, 66],
        [146, 44],
        [176, 95],
        [222, 94],
        [284, 84],
      ] as const
    ).map(([x, y]) => (
      <circle
        key={x}
        cx={x}
        cy={y}
        r={5}
        className={x < 158 ? 'fill-line stroke-soft' : 'fill-enamel stroke-steel'}
        strokeWidth={2}
      />
    ))}
    <Word x={36} y={28} at="start">
      steep: gains much
    </Word>
    <Word x={166} y={28} at="start">
      turned the nut
    </Word>
    <Word x={296} y={66} at="end">
      nearly right
    </Word>
  </>
);

export const Swing = () => (
  <>
    <path d="M84 14 V112" className="fill-none stroke-line" strokeWidth={2} strokeDasharray="4 4" />
    <path d="M84 14 L120 104" {...STEEL} />
    <circle cx={122} cy={110} r={12} className="fill-brass-fill" />
    <path d={arc(84, 14, 62, 180, 158)} {...BRASS} />
    <Word x={94} y={134} at="end">
      degrees
    </Word>
    <path d="M176 12 V122 H308" className="fill-none stroke-line" strokeWidth={2} />
    <path d="M182 34 L300 84" {...STEEL} />
    <path d="M180 100 H306" className="fill-none stroke-danger" strokeWidth={3} />
    <Word x={240} y={117}>
      stops below
    </Word>
  </>
);

const drop = (x: number, y: number, s: number) =>
  `M${x} ${y - 9 * s} C ${x + 4 * s} ${y - 3 * s} ${x + 7 * s} ${y} ${x + 7 * s} ${y + 3 * s} ` +
  `A ${7 * s} ${7 * s} 0 0 1 ${x - 7 * s} ${y + 3 * s} ` +
  `C ${x - 7 * s} ${y} ${x - 4 * s} ${y - 3 * s} ${x} ${y - 9 * s} Z`;

export const Oil = () => (
  <>
    <path d={drop(48, 52, 2.6)} className="fill-steel" />
    <path d={drop(128, 60, 1.5)} className="fill-steel" />
    <path d={drop(200, 56, 2)} className="fill-none stroke-danger" strokeWidth={3} />
    <path d="M180 34 L220 80" className="fill-none stroke-danger" strokeWidth={4} />
    <circle cx={272} cy={56} r={26} className="fill-steel-wash stroke-steel" strokeWidth={4} />
    <path d={drop(272, 56, 1.5)} className="fill-steel" />
    <Under y={118} words={{ 48: 'heavy', 128: 'fine', 200: 'leave dry', 272: 'ticked' }} />
  </>
);

export const Causes = () => (
  <>
    {(
      [
        ['worn pivots', 164],
        ['out of beat', 120],
        ['dry oil', 46],
      ] as const
    ).map(([name, wide], i) => (
      <g key={name}>
        <rect x={104} y={22 + i * 36} width={200} height={16} rx={8} className="fill-sunk" />
        <rect x={104} y={22 + i * 36} width={wide} height={16} rx={8} className="fill-steel" />
        <Word x={96} y={35 + i * 36} at="end">
          {name}
        </Word>
      </g>
    ))}
    <Word x={204} y={132}>
      each for itself
    </Word>
  </>
);

export const Promise = () => (
  <>
    <path d="M20 104 H304" className="fill-none stroke-line" strokeWidth={2} />
    <path
      d="M24 104 C70 104 84 30 124 30 C170 30 196 100 300 103 Z"
      className="fill-steel-wash stroke-steel"
      strokeWidth={3}
    />
    <path d="M136 20 V104 M224 20 V104" {...BRASS} />
    <Under y={124} words={{ 136: 'half', 224: 'nine in ten' }} />
  </>
);

export const Rules = () => (
  <>
    <rect x={18} y={20} width={130} height={44} rx={8} className="fill-steel-wash stroke-steel" strokeWidth={3} />
    <rect x={172} y={20} width={130} height={44} rx={8} className="fill-enamel stroke-line" strokeWidth={3} />
    <Under y={47} words={{ 83: 'one good way', 237: 'another' }} />
    <path d="M83 64 V90" {...STEEL} />
    <circle cx={83} cy={96} r={6} className="fill-steel" />
    <Word x={83} y={124}>
      this shop’s
    </Word>
  </>
);

const diamond = (x: number, y: number) => `M${x} ${y - 13} l13 13 l-13 13 l-13 -13 Z`;

export const Decades = () => (
  <>
    <path d="M20 92 H300" {...STEEL} />
    {[40, 126, 212, 298].map((x, i) => (
      <g key={x}>
        <path d={`M${x - 5} 92 l5 -12 l5 12 Z`} className="fill-steel" />
        <text x={x} y={114} textAnchor="middle" fontSize={13} className="fill-soft">
          {1950 + i * 10}
        </text>
      </g>
    ))}
    <path d="M60 44 H130" className="fill-none stroke-brass-fill opacity-45" strokeWidth={8} strokeLinecap="round" />
    <path d={diamond(95, 44)} className="fill-enamel stroke-brass-fill" strokeWidth={3} />
    <path d={diamond(240, 44)} className="fill-steel" />
    <Under y={22} words={{ 95: 'mark found', 240: 'service' }} />
  </>
);

export const Original = () => (
  <>
    {[28, 92].map((y) => (
      <path key={y} d={`M20 ${y} H300`} className="fill-none stroke-brass-fill opacity-45" strokeWidth={6} />
    ))}
    {[58, 160, 262].map((x) => (
      <path key={x} d={`M${x} 28 V92`} className="fill-none stroke-line" strokeWidth={3} />
    ))}
    {[58, 160, 262].map((x) => (
      <circle key={x} cx={x} cy={28} r={9} className="fill-steel" />
    ))}
    <circle cx={58} cy={92} r={9} className="fill-steel" />
    <circle cx={160} cy={92} r={10} className="fill-enamel stroke-brass-fill" strokeWidth={3} />
    <circle cx={160} cy={92} r={3.5} className="fill-brass-fill" />
    <circle cx={262} cy={92} r={9} className="fill-enamel" />
    <path d="M255 85 l14 14 M255 99 l14 -14" className="fill-none stroke-danger" strokeWidth={3} />
    <Under y={124} words={{ 58: 'as made', 160: 'bushed later', 262: 'punched' }} />
  </>
);

export const Strike = () => (
  <>
    <path
      d="M70 70 V22 A48 48 0 0 1 118 70 H108 A38 38 0 0 1 70 108 V98 A28 28 0 0 1 42 70 H52 A18 18 0 0 1 70 52 Z"
      className="fill-brass-wash stroke-brass-fill"
      strokeWidth={3}
    />
    <circle cx={70} cy={70} r={5} className="fill-brass-fill" />
    <path d="M119 62 L206 100 L226 46" {...STEEL} />
    <circle cx={119} cy={62} r={5} className="fill-steel" />
    <circle cx={206} cy={100} r={6} className="fill-steel" />
    {[0, 1, 2, 3].map((i) => (
      <path key={i} d={`M${220 + i * 16} ${44 + i * 3} l8 -12 l8 15`} {...STEEL} />
    ))}
    <Word x={70} y={132}>
      snail
    </Word>
    <Word x={152} y={106}>
      tail
    </Word>
    <Word x={254} y={22}>
      teeth of the rack
    </Word>
  </>
);
