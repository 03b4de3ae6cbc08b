/**
 * The stages of a visit in the order of work. A stage may be done, taken up again and done again: the record is a log.
 */
export const STAGES = [
  { id: 'intake', name: 'Intake', does: 'Take the clock in' },
  { id: 'assess', name: 'Assess', does: 'Look and record' },
  { id: 'diagnose', name: 'Diagnose', does: 'Find the cause' },
  { id: 'agree', name: 'Agree', does: 'The owner decides before the work' },
  { id: 'power', name: 'Power down', does: 'Make it safe to open' },
  { id: 'strip', name: 'Strip', does: 'Log what comes off, and where it goes' },
  { id: 'clean', name: 'Clean', does: 'Clean metal, nothing attacked' },
  { id: 'survey', name: 'Survey', does: 'A verdict on every hole' },
  { id: 'fit', name: 'Fit', does: 'Bushes and parts' },
  { id: 'assemble', name: 'Assemble', does: 'Together once, the log backwards' },
  { id: 'oil', name: 'Oil', does: 'The right points, little of it' },
  { id: 'run', name: 'Run', does: 'Evidence that it is right' },
  { id: 'deliver', name: 'Deliver', does: 'Where it stands, shown to the owner' },
  { id: 'sign', name: 'Sign', does: 'Close the record' },
] as const;

export type StageId = (typeof STAGES)[number]['id'];
export const STAGE_IDS = STAGES.map((s) => s.id) as [StageId, ...StageId[]];
/** What a stage is called. */
export const stageName = (id: StageId): string => STAGES.find((s) => s.id === id)!.name;

/** A key for each stage, in order. Digits work while no field is being typed in; letters where the stages are shown. */
export const STAGE_KEYS = [...'1234567890ords'];
