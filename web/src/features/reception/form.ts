import type { api, BodyOf } from '@eclat/contract';

export type IntakeForm = BodyOf<typeof api.visit.open>;

/** A movement that is not yet described. */
export const NO_MOVEMENT = { name: '', familyId: '', maker: '', marks: [], fittings: [] };
export const EMPTY: IntakeForm = {
  owner: { name: '', phone: '', email: '', address: '' },
  clock: { description: '' },
  movement: NO_MOVEMENT,
  shape: 'overhaul',
  terms: 'guaranteed',
  trial: null,
  ownStock: false,
  complaint: '',
  another: false,
  wanted: '',
  notWanted: '',
  outOfScope: '',
  received: [],
  promisedFor: null,
};
