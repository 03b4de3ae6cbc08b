import type { api, BodyOf } from '@eclat/contract';
import type { UseFormReturn } from 'react-hook-form';
import { FAMILIES, type Fitting, type Traits } from '@eclat/core/movement';

export type IntakeForm = BodyOf<typeof api.visit.open>;

/** A movement that is not yet described. */
export const NO_MOVEMENT = { name: '', familyId: '', maker: '', marks: [], fittings: [], absent: [] };

/** The movement is one that is known here: what came with it as a record goes along into its book. */
export function asKnown({ getValues, setValue }: UseFormReturn<IntakeForm>, movementId: string): void {
  const { history = [], logs = [], historyFrom = '' } = getValues('movement') ?? {};
  setValue('record', history.length > 0 ? { history, logs, historyFrom } : undefined);
  setValue('movementId', movementId);
  setValue('movement', undefined);
}

/** It is another after all: the record that came with it stays. */
export function asNew({ getValues, setValue }: UseFormReturn<IntakeForm>): void {
  const record = getValues('record');
  setValue('record', undefined);
  setValue('movementId', undefined);
  setValue('clock.id', undefined);
  setValue('movement', { ...NO_MOVEMENT, ...record });
}

/** The movement as it will be taken in: as found, or as its family has it with what is also here. */
export function traitsTyped(familyId: string | undefined, fittings: readonly Fitting[], found?: unknown) {
  const family = FAMILIES.find((f) => f.id === familyId);
  if (found !== undefined) return found as Traits;
  return family && { ...family.traits, fittings: [...new Set([...family.traits.fittings, ...fittings])] };
}

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

/** Of the shop's own clock nobody complained. */
export const complaintLabel = (ownStock: boolean | undefined): string =>
  ownStock ? 'What is known to be wrong' : 'What the owner says is wrong';
