export * from './symptoms.ts';
export { CAUSES, LEVELS, LIKELIHOOD, PRIOR, type Cause, type Level } from './causes/index.ts';
export { instancesFor, symptomsFor, type Instance } from './instances.ts';
export * from './diagnose.ts';
export { levelName, OUTCOMES, type LookOutcome, type LooksTaken, type NextLook } from './looks.ts';
export { MOST_PRESENT } from './infer.ts';
export { experienceOf, type Experience, type Share, type SignedVisit } from './experience.ts';
export { causeOf, OWN_PREFIX, type OwnCause } from './own.ts';
