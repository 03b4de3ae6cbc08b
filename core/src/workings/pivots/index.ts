import holeVerdict from './hole-verdict.ts';
import arborLean from './arbor-lean.ts';
import bush from './bush.ts';
import trueCentre from './true-centre.ts';
import depthAfter from './depth-after.ts';
import depthWorn from './depth-worn.ts';

export const PIVOTS = [holeVerdict, arborLean, bush, trueCentre, depthAfter, depthWorn];
