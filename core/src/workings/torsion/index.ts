import torsionStrip from './torsion-strip.ts';
import torsionOther from './torsion-other.ts';
import torsionFirst from './torsion-first.ts';

export const TORSION = [torsionStrip, torsionOther, torsionFirst];
