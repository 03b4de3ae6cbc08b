import { fitRate } from '@eclat/core/rate';
import { runWorking, WORKINGS, workingById } from '@eclat/core/workings';
import { searchMeshes } from '@eclat/core/train';

/** How long the workings take, on one core: median and slowest of several runs after some to warm up. */
function time(work: () => unknown, runs: number): { median: number; slowest: number } {
  for (let i = 0; i < 4; i++) work(); // compiled
  const ms = Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return { median: ms[runs >> 1]!, slowest: ms.at(-1)! };
}
const line = (what: string, { median, slowest }: { median: number; slowest: number }, limit: number) =>
  console.log(
    `  ${what.padEnd(58)} ${median.toFixed(median < 1 ? 2 : 0).padStart(6)} ms   slowest ` +
      `${slowest.toFixed(slowest < 1 ? 2 : 0).padStart(5)}   (limit ${limit})` +
      (slowest > limit ? '   OVER' : ''),
  );

console.log('\nWorkings, one core');
const wheels = { ratio: 60, unknown: 2, wheels: [24, 120], pinions: [6, 16] } as const;
line(
  'wheel search, two unknown pairs, exact',
  time(() => searchMeshes({ ...wheels, tolerance: 0 }), 15),
  300,
);
line(
  'wheel search, two unknown pairs, within 1 %',
  time(() => searchMeshes({ ...wheels, tolerance: 0.01 }), 15),
  300,
);

const readings = Array.from({ length: 10_000 }, (_, i) => ({
  at: i * 600_000,
  errorS: i * 0.02 + ((i * 7919) % 101) / 101 + (i % 971 === 0 ? 300 : 0),
}));
line(
  '10,000 readings fitted',
  time(() => fitRate(readings, 1), 15),
  50,
);

const promise = workingById('promise-date')!;
line(
  'promise date, 10,000 trials',
  time(() => runWorking(promise, promise.example), 15),
  300,
);

let worst = { id: '', median: 0, slowest: 0 };
for (const w of WORKINGS.filter((x) => !x.heavy)) {
  const t = time(() => runWorking(w, w.example), 41);
  if (t.median > worst.median) worst = { id: w.id, ...t };
}
line(`slowest of the ${WORKINGS.filter((x) => !x.heavy).length} others: ${worst.id}`, worst, 5);
