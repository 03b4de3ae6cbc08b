import { diagnose, instancesFor, symptomsFor, type Observations } from '@eclat/core/faults';
import { familyById, type Traits } from '@eclat/core/movement';

/** A movement that has everything at once, so that the whole base is instantiated. */
const chime = familyById('quarter-chime').traits;
const traits: Traits = { ...chime, trains: [...chime.trains, { train: 'alarm', drive: 'barrel spring', arbors: [] }], fittings: [...chime.fittings, 'lantern pinions', 'moon work', 'repeater', 'coil', 'contacts', 'print work'] };
const symptoms = symptomsFor(traits).filter((s) => s !== 'dead');
const seen: Observations = Object.fromEntries([...symptoms.slice(0, 10).map((s) => [s, 'present']), ...symptoms.slice(10, 14).map((s) => [s, 'absent'])]);

for (let i = 0; i < 3; i++) diagnose(traits, seen);
const ms = Array.from({ length: 21 }, () => {
  const from = performance.now();
  diagnose(traits, seen);
  return performance.now() - from;
}).sort((a, b) => a - b);
console.log(`\nDiagnosis, ${instancesFor(traits).length} causes, 10 findings present, 4 absent: marginals, reasons, combinations and next look`);
console.log(`  ${ms[10]!.toFixed(0)} ms median, slowest ${ms[20]!.toFixed(0)}   (limit 100)`);
