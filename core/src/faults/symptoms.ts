/** What a person can see or hear before any tool is taken up. Ids are stable: they are stored. */
export const SYMPTOMS = {
  'dead': 'Dead: never runs',
  'stops-hours': 'Stops after hours',
  'stops-late': 'Stops late in the wind',
  'stops-place': 'Stops at the same place',
  'bench-not-case': 'Runs on the bench, not in its case',
  'loses-unregulated': 'Loses and will not regulate faster',
  'loses': 'Loses',
  'gains': 'Gains',
  'rate-wanders': 'Rate wanders',
  'small-swing': 'Small swing or amplitude',
  'uneven-beat': 'Uneven beat',
  'no-strike': 'No strike',
  'wrong-random': 'Wrong counts at random',
  'misses-strike': 'Misses a strike now and then',
  'torsion-touches': 'Torsion bob touches',
  'torsion-flutters': 'Torsion escapement flutters',
} as const;

export type SymptomId = keyof typeof SYMPTOMS;
export const SYMPTOM_IDS = Object.keys(SYMPTOMS) as [SymptomId, ...SymptomId[]];

/** While a clock is dead these cannot be observed: not asked is not absent. */
export const HIDDEN_WHEN_DEAD: readonly SymptomId[] = [
  'stops-hours', 'stops-late', 'stops-place', 'bench-not-case', 'loses-unregulated', 'loses', 'gains', 'rate-wanders', 'small-swing', 'uneven-beat', 'torsion-flutters',
];
