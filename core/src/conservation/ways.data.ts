/** Whether what was done can be undone later, without harm to what was there before. */
export const UNDONE = ['yes', 'in part', 'no'] as const;
export type Undone = (typeof UNDONE)[number];

/** Which of the two it is decided for: each history goes with its thing. */
export const DECIDED_FOR = ['case, dial, glass', 'movement'] as const;
export type DecidedFor = (typeof DECIDED_FOR)[number];

/**
 * Ways that are mostly considered for an old part, a finish or a dial, from the one that takes least away. Whether each
 * can be undone: common practice in conservation. What is cleaned off is gone, and a consolidant never comes out whole.
 */
export const USUAL_WAYS: readonly { way: string; undone: Undone }[] = [
  { way: 'Leave it as it is', undone: 'yes' },
  { way: 'Dust it, nothing more', undone: 'yes' },
  { way: 'Clean it', undone: 'no' },
  { way: 'Hold what is loose', undone: 'in part' },
  { way: 'Mend the old part', undone: 'in part' },
  { way: 'Fit a copy, the old part stays with it', undone: 'yes' },
  { way: 'Replace it, the old part goes', undone: 'no' },
  { way: 'Renew the finish', undone: 'no' },
];
