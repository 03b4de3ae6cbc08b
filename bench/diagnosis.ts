import {
  causeOf,
  diagnose,
  instancesFor,
  symptomsFor,
  type Observations,
  type OwnCause,
  type ShopKnowledge,
} from '@eclat/core/faults';
import { familyById, type Traits } from '@eclat/core/movement';

/** A movement that has everything at once, so that the whole base is instantiated. */
const chime = familyById('quarter-chime').traits;
const traits: Traits = {
  ...chime,
  sources: [...chime.sources, { id: 'alarm', kind: 'barrel spring', name: '' }],
  trains: [...chime.trains, { id: 'alarm', purpose: 'alarm', name: '', source: 'alarm', arbors: [] }],
  fittings: [...chime.fittings, 'lantern pinions', 'moon work', 'repeater', 'coil', 'contacts', 'print work'],
};
const symptoms = symptomsFor(traits).filter((s) => s !== 'dead');
const seen: Observations = Object.fromEntries([
  ...symptoms.slice(0, 10).map((s) => [s, 'present']),
  ...symptoms.slice(10, 14).map((s) => [s, 'absent']),
]);

/** The table makes fewer: a shop's own causes fill it up to 120. */
const own = (i: number): OwnCause => ({
  id: `own-${i}`,
  name: `Cause ${i}`,
  prior: 'rare',
  oscillators: [],
  fittings: [],
  trains: [],
  shows: { [symptoms[i % symptoms.length]!]: 'M', [symptoms[(7 * i + 3) % symptoms.length]!]: 'L' },
  look: { what: 'Look', minutes: 5, level: 1 },
  remedy: 'Mend',
});
const shop: ShopKnowledge = {
  causes: Array.from({ length: 120 - instancesFor(traits).length }, (_, i) => causeOf(own(i))),
  experience: {},
};

for (let i = 0; i < 3; i++) diagnose(traits, seen, {}, 0, shop);
const ms = Array.from({ length: 21 }, () => {
  const from = performance.now();
  diagnose(traits, seen, {}, 0, shop);
  return performance.now() - from;
}).sort((a, b) => a - b);
console.log(
  `\nDiagnosis, ${instancesFor(traits, shop.causes).length} causes, 10 findings present, 4 absent: ` +
    'marginals, reasons, combinations and next look',
);
console.log(`  ${ms[10]!.toFixed(0)} ms median, slowest ${ms[20]!.toFixed(0)}   (limit 100)`);
