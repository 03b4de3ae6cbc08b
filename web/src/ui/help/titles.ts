/** What can be asked about where it stands: each has two sentences and a picture in the sheet. */
export const HELP_TITLES = {
  stages: 'The ring of stages',
  power: 'The state of the power',
  hole: 'The verdict on a hole',
  beat: 'The two arcs',
  heard: 'The figures heard',
  rate: 'The rate line',
  swing: 'The swing',
  oil: 'The marks on the plates',
  causes: 'The causes and their per cent',
  promise: 'The two dates',
  rules: 'House rules',
  decades: 'The line of decades',
  original: 'What is left as it was made',
  strike: 'The striking work',
} as const;
export type HelpId = keyof typeof HELP_TITLES;
