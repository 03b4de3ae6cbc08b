/** What lies beside the stages, by its address. */
export const SIDE = {
  case: 'Case, dial, glass',
  units: 'Sub-assemblies',
  description: 'The movement',
  replace: 'Replacement',
  listen: 'Listen',
  strike: 'Strike and chime',
  'strike-set-up': 'Strike set-up',
  electric: 'Electric bench',
  outputs: 'Outputs and contacts',
  torsion: 'Torsion bench',
  weights: 'Weights and lines',
  recorder: 'Recorder bench',
  balance: 'Balance bench',
  alarm: 'Alarm and repeat',
} as const;
