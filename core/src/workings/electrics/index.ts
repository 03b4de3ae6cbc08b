import coil from './coil.ts';
import suppression from './suppression.ts';
import duty from './duty.ts';
import synchronous from './synchronous.ts';
import stepTest from './step-test.ts';
import outputs from './outputs.ts';
import seriesLoop from './series-loop.ts';

export const ELECTRICS = [coil, suppression, duty, synchronous, stepTest, outputs, seriesLoop];
