import { UNDONE, type Undone } from './ways.data.ts';

/** Said wherever what cannot be undone is chosen without the owner. */
export const OWNER_FIRST = 'The owner’s yes comes first: it cannot be undone.';

export { DECIDED_FOR, UNDONE, USUAL_WAYS, type DecidedFor, type Undone } from './ways.data.ts';

/** One way of treating a thing, as it was considered. */
export interface Way {
  way: string;
  undone: Undone;
  chosen: boolean;
  /** Why it was chosen, or was not. */
  why: string;
}

export const chosenWay = <W extends Way>(ways: readonly W[]): W | null => ways.find((w) => w.chosen) ?? null;

/** What stands of a decision: chosen, or still considered. */
export const wayStands = (way: Way, ways: readonly Way[]): 'chosen' | 'rejected' | 'considered' => {
  if (way.chosen) return 'chosen';
  return chosenWay(ways) ? 'rejected' : 'considered';
};

/** The owner’s yes comes first where what is chosen takes something away for good. */
export const asksOwner = (ways: readonly Way[]): boolean => chosenWay(ways)?.undone === 'no';

/** Whether what is chosen is the same as before: only then does the owner’s yes to it still stand. */
export function sameChoice(before: readonly Way[], now: readonly Way[]): boolean {
  const [a, b] = [chosenWay(before), chosenWay(now)];
  return a?.way === b?.way && a?.undone === b?.undone;
}

/** Whether a way takes more away for good than another. */
const takesMore = (a: Way, b: Way): boolean => UNDONE.indexOf(a.undone) > UNDONE.indexOf(b.undone);

/**
 * What somebody who opens it in eighty years would ask of a decision, and it does not say. Empty: nothing.
 * @param ways what was considered, at least one
 */
export function unsaid(ways: readonly Way[]): string[] {
  const chosen = chosenWay(ways);
  const gentler = chosen && chosen.why === '' ? ways.find((w) => takesMore(chosen, w)) : undefined;
  return [
    ...(ways.length < 2 ? ['Say what else could be done.'] : []),
    ...(chosen ? [] : ['Nothing is chosen yet.']),
    ...(gentler ? [`Say why: “${gentler.way}” ${gentler.undone === 'yes' ? 'could' : 'could partly'} be undone.`] : []),
  ];
}
