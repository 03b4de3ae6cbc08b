import { countTeeth } from '@eclat/core/photo';
import { anyWheel } from '@eclat/core/simulated';

/** Two hundred drawn wheels of fixed seeds: how many are counted, how long one takes. The first seed may be said. */
const WHEELS = 200;
const LEAST_RIGHT = 180;
const first = Number(process.argv[2] ?? 1);
let [right, ms] = [0, 0];
const wrong: string[] = [];
const unsure: number[] = [];
for (let seed = first; seed < first + WHEELS; seed++) {
  const { scene, shot } = anyWheel(seed);
  const from = performance.now();
  const { teeth } = countTeeth(shot.picture, shot.middle, shot.rim);
  ms += performance.now() - from;
  if (teeth === scene.teeth) right++;
  else if (teeth === null) unsure.push(seed);
  else wrong.push(`seed ${seed}: ${teeth} where ${scene.teeth} are`);
}
const bad = wrong.length > 0 || right < LEAST_RIGHT;
console.log(`\nTeeth on ${WHEELS} drawn wheels, from seed ${first}`);
console.log(`  right    ${right}   (at least ${LEAST_RIGHT})${right < LEAST_RIGHT ? '   UNDER' : ''}`);
console.log(`  not sure ${unsure.length}   seeds ${unsure.join(', ')}`);
console.log(`  wrong    ${wrong.length}   (limit 0)${wrong.map((w) => `\n           ${w}`).join('')}`);
console.log(`  each     ${(ms / WHEELS).toFixed(0)} ms`);
if (bad) process.exitCode = 1;
