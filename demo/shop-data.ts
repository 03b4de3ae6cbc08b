import type { BodyOf, ParsedBodyOf, api } from '@eclat/contract';

/** A fault that the shop met twice and added to its table. */
export const OWN_CAUSE: ParsedBodyOf<typeof api.diagnosis.addCause> = {
  name: 'Magnetised crutch',
  prior: 'rare',
  oscillators: ['pendulum'],
  fittings: ['crutch'],
  trains: [],
  shows: { 'rate-wanders': 'H', 'stops-hours': 'L' },
  look: { what: 'Hold a small compass to the crutch', minutes: 1, level: 1 },
  remedy: 'Demagnetise, and find what did it',
};

/** Tanks and jars that stand filled; the last one is past its rule. */
export const BATHS_IN_USE: (Omit<BodyOf<typeof api.cleaning.addFill>, 'note'> & { daysAgo: number })[] = [
  {
    bath: 'ammoniated water',
    name: 'Ultrasonic tank',
    litres: 3,
    waterParts: 7,
    limitLoads: 12,
    limitDays: 30,
    daysAgo: 19,
  },
  { bath: 'detergent', name: 'Basin', litres: 5, waterParts: 40, limitLoads: 4, limitDays: 7, daysAgo: 2 },
  {
    bath: 'petroleum solvent',
    name: 'Covered tray',
    litres: 2,
    waterParts: null,
    limitLoads: null,
    limitDays: 45,
    daysAgo: 61,
  },
];

/** On its way to the stores, by the supplier's number. */
export const ORDERED = [
  { supplierNo: 'AS-S13', quantity: 6, inDays: 5 },
  { supplierNo: 'QW-16', quantity: 4, inDays: 9 },
] as const;
