/**
 * Climbs to a near maximum: each number is tried a step up and down, and the steps halve when none helps. Pattern
 * search, Hooke and Jeeves (1961).
 */
export function climb(
  from: readonly number[],
  steps: readonly number[],
  rounds: number,
  height: (at: readonly number[]) => number,
): { at: number[]; height: number } {
  const at = [...from];
  let best = height(at);
  let scale = 1;
  for (let round = 0; round < rounds; round++) {
    let better = false;
    for (let i = 0; i < at.length; i++)
      for (const way of [1, -1]) {
        const kept = at[i]!;
        at[i] = kept + way * scale * steps[i]!;
        const now = height(at);
        if (now > best) {
          best = now;
          better = true;
          break;
        }
        at[i] = kept;
      }
    if (!better) scale /= 2;
  }
  return { at, height: best };
}
