import { bestRateError, Listener, type SoundReport } from '@eclat/core/sound';
import { AS_HEARD, seeded, SimulatedClock, type ClockSpec } from '@eclat/core/simulated';
import { anyCase, heard } from './sound-cases.ts';

/**
 * How well a beat is heard, on generated ticks in noise and reverberation, against what is possible; how honest the
 * intervals are; whether a number of beats is ever wrong without a word; and how fast. `npm run bench -- sound [trials]
 * [cases]`.
 */
const TRIALS = Number(process.argv[2] ?? 40),
  CASES = Number(process.argv[3] ?? 200);
const SECONDS = 60,
  LIVE_S = 180;
const rms = (x: readonly number[]) => Math.sqrt(x.reduce((s, v) => s + v * v, 0) / x.length);
const median = (x: readonly number[]) => [...x].sort((a, b) => a - b)[x.length >> 1] ?? NaN;
const worst = (x: readonly number[]) => Math.max(...x.map(Math.abs));

interface Row {
  beats: number;
  escaping: 'lever' | 'pendulum';
  snrDb: number;
  room: ClockSpec['room'];
  wanderMs?: number;
}
const ROWS: Row[] = [
  ...(['none', 'bench', 'hall'] as const).flatMap((room) => [
    { beats: 18_000, escaping: 'lever', snrDb: 20, room } as Row,
    { beats: 7200, escaping: 'pendulum', snrDb: 20, room } as Row,
  ]),
  { beats: 28_800, escaping: 'lever', snrDb: 20, room: 'bench' },
  { beats: 3600, escaping: 'pendulum', snrDb: 20, room: 'bench' },
  { beats: 18_000, escaping: 'lever', snrDb: 6, room: 'bench' },
  { beats: 7200, escaping: 'pendulum', snrDb: 6, room: 'bench' },
  { beats: 18_000, escaping: 'lever', snrDb: 6, room: 'bench', wanderMs: 0.1 },
  { beats: 7200, escaping: 'pendulum', snrDb: 6, room: 'bench', wanderMs: 0.1 },
  { beats: 7200, escaping: 'pendulum', snrDb: 20, room: 'bench', wanderMs: 0.3 },
];

console.log(
  `\nRate, ${SECONDS} s at 44.1 kHz, 0.1 ms of scatter, ${TRIALS} trials each (the bound: independent scatter alone)`,
);
console.log(
  '  beats/h  kind       dB  room   wander   bound s/day   scatter of the answers   said (median)   ' +
    'in the 95 % interval   beat error rms / worst ms   amplitude rms °   wrong number',
);
for (const row of ROWS) {
  const { beats, escaping, snrDb, room, wanderMs = 0 } = row;
  const off: number[] = [],
    said: number[] = [],
    beatOff: number[] = [],
    amplitudeOff: number[] = [];
  let inside = 0,
    wrong = 0;
  for (let t = 0; t < TRIALS; t++) {
    const [rate, beatErrorMs, amplitudeDeg] = [
      -40 + ((t * 17) % 80),
      (36_000 / beats) * ((t % 5) - 2),
      180 + ((t * 7) % 120),
    ];
    const { report } = heard(
      { beats, escaping, snrDb, room, wanderMs, rate, beatErrorMs, amplitudeDeg, scatterMs: 0.1 },
      1000 + t,
      SECONDS,
      escaping === 'lever' ? { liftDeg: 52 } : {},
    );
    if (!report || report.beatsPerHour !== beats) {
      wrong++;
      continue;
    }
    off.push(report.rateSecondsPerDay - rate);
    said.push(report.rateStandardError);
    if (Math.abs(off.at(-1)!) <= report.rateHalfWidth) inside++;
    if (report.beatErrorMs !== null) beatOff.push(report.beatErrorMs - Math.abs(beatErrorMs));
    if (report.amplitudeDegrees !== null) amplitudeOff.push(report.amplitudeDegrees - amplitudeDeg);
  }
  const bound = bestRateError(beats, SECONDS, 0.1);
  const of = (x: number) => `${x.toFixed(3)} = ${(x / bound).toFixed(2)} ×`;
  console.log(
    `  ${String(beats).padStart(6)}  ${escaping.padEnd(9)} ${String(snrDb).padStart(3)}  ` +
      `${room.padEnd(6)} ${wanderMs.toFixed(1).padStart(5)}   ${bound.toFixed(4).padStart(10)}   ` +
      `${of(rms(off)).padStart(22)}   ${of(median(said)).padStart(14)}   ` +
      `${`${inside} of ${off.length}`.padStart(18)}   ` +
      `${rms(beatOff).toFixed(3)} / ${worst(beatOff).toFixed(3)}`.padStart(22) +
      '   ' +
      (amplitudeOff.length > 0
        ? `${rms(amplitudeOff).toFixed(1)} (${amplitudeOff.length})`.padStart(12)
        : '           –') +
      `   ${wrong}`,
  );
}

console.log(`\nAny clock in any room with any disturbance, ${CASES} cases: is its number of beats right?`);
const tally = {
  right: 0,
  'right, with a warning': 0,
  'wrong, with a warning': 0,
  'no beat found': 0,
  'WRONG WITHOUT A WORD': 0,
};
for (let n = 0; n < CASES; n++) {
  const { spec, beside, seconds, words } = anyCase(n);
  const { report } = heard(spec, n, seconds, {}, beside);
  const right =
    report !== null && Math.abs(report.measuredBeats / (spec.beats! * (1 + spec.rate! / 86_400)) - 1) < 0.002;
  const verdict = verdictOf(report, right);
  tally[verdict]++;
  if (verdict === 'WRONG WITHOUT A WORD') console.log(`  case ${n}: ${report!.measuredBeats.toFixed(1)} for ${words}`);
}

function verdictOf(report: SoundReport | null, right: boolean) {
  if (!report) return 'no beat found';
  if (right) {
    return report.warnings.length > 0 ? 'right, with a warning' : 'right';
  }
  if (report.warnings.length > 0) return 'wrong, with a warning';
  return 'WRONG WITHOUT A WORD';
}
for (const [verdict, count] of Object.entries(tally))
  console.log(`  ${verdict.padEnd(22)} ${String(count).padStart(5)}`);

/**
 * A chain of multiply-adds, nanoseconds each: about 1.6 on a core of 2.5 GHz that is not shared. The figures below are
 * as much slower as this is.
 */
function machine(): number {
  const [a, b] = [new Float32Array(1e6).fill(1.1), new Float32Array(1e6).fill(0.9)];
  const began = performance.now();
  let sum = 0;
  for (let k = 0; k < 10; k++) for (let i = 0; i < 1e6; i++) sum += a[i]! * b[i]!;
  return sum > 0 ? (performance.now() - began) / 10 : NaN;
}
console.log(
  '\nSpeed, 60 s of 48 kHz on one core (limit 300 ms); this machine, now: ' +
    [machine(), machine(), machine()].map((ns) => ns.toFixed(1)).join(', ') +
    ' ns for a multiply-add, 1.6 where a core is not shared',
);
for (const [beats, escaping] of [
  [18_000, 'lever'],
  [7200, 'pendulum'],
  [36_000, 'lever'],
] as const) {
  const times = Array.from(
    { length: 15 },
    (_, i) =>
      heard({ beats, escaping, sampleRate: 48_000 }, i, SECONDS, escaping === 'lever' ? { liftDeg: 52 } : {}).ms,
  );
  console.log(
    `  ${String(beats).padStart(6)} ${escaping.padEnd(9)} first ${times[0]!.toFixed(0)} ms ` +
      `(compiling), then median ${median(times.slice(1)).toFixed(0)} ms, fastest ` +
      `${Math.min(...times).toFixed(0)}, slowest ${worst(times.slice(1)).toFixed(0)}; ` +
      `${machine().toFixed(1)} ns`,
  );
}

console.log(
  '\nListening live, 48 kHz: cost, and how far behind the sound a beat is told (limits 10 % of a core, 250 ms)',
);
for (const [beats, escaping] of [
  [18_000, 'lever'],
  [7200, 'pendulum'],
] as const) {
  const rate = 48_000,
    piece = 2048;
  const clock = new SimulatedClock({ ...AS_HEARD, beats, escaping, sampleRate: rate }, seeded(beats));
  const listener = new Listener(rate, escaping === 'lever' ? { liftDeg: 52 } : {});
  let spent = 0,
    most = 0,
    told = 0;
  const behind: number[] = [];
  for (let at = 0; at < LIVE_S * rate; at += piece) {
    const samples = clock.give(piece);
    const began = performance.now();
    listener.push(samples);
    const live = listener.live();
    if (Math.floor(at / rate) !== Math.floor((at - piece) / rate)) listener.report();
    const took = performance.now() - began;
    spent += took;
    most = Math.max(most, took);
    if (live.lastS !== null && live.lastS !== told) {
      told = live.lastS;
      if (live.seconds > 30) behind.push(1000 * (live.seconds - live.lastS) + took);
    }
  }
  console.log(
    `  ${String(beats).padStart(6)} ${escaping.padEnd(9)} ` +
      `${((100 * spent) / 1000 / LIVE_S).toFixed(1)} % of a core, longest piece ${most.toFixed(0)} ms; ` +
      `a beat is told after ${median(behind).toFixed(0)} ms, at the latest ${worst(behind).toFixed(0)}` +
      `; heap ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB`,
  );
}
