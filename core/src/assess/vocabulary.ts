import type { Area } from './walk.ts';

export const SEVERITIES = ['safety', 'stops it', 'harms it', 'keeps bad time', 'looks'] as const;
export type Severity = (typeof SEVERITIES)[number];
export const EFFECTS = ['timekeeping', 'striking', 'safety', 'looks', 'value', 'none'] as const;
export type Effect = (typeof EFFECTS)[number];

/** A word of the trade for what is seen, with how bad it usually is: the person may say otherwise. */
export interface Term {
  term: string;
  severity: Severity;
  effect: Effect;
  /** Named neutrally: it is often the work of an earlier hand. */
  earlier: boolean;
}
type Row = readonly [term: string, severity: Severity, effect: Effect, earlier?: 'earlier'];

/** Practice throughout. */
const TABLE: Record<Area, readonly Row[]> = {
  Case: [
    ['loose joint', 'keeps bad time', 'timekeeping'],
    ['veneer lifting', 'looks', 'looks'],
    ['chipped', 'looks', 'value'],
    ['cracked', 'harms it', 'value'],
    ['worm holes', 'harms it', 'value'],
    ['part missing', 'looks', 'value'],
    ['sprayed inside', 'harms it', 'value', 'earlier'],
    ['refinished', 'looks', 'value', 'earlier'],
    ['limp, gives way under the hand', 'stops it', 'timekeeping'],
  ],
  Glass: [
    ['cracked', 'safety', 'safety'],
    ['chipped', 'looks', 'looks'],
    ['paint lifting', 'looks', 'value'],
    ['replaced', 'looks', 'value', 'earlier'],
    ['loose', 'harms it', 'safety'],
  ],
  Dial: [
    ['flaking', 'harms it', 'value'],
    ['hairlines', 'looks', 'value'],
    ['touched up', 'looks', 'value', 'earlier'],
    ['loose', 'harms it', 'looks'],
    ['luminous paint', 'safety', 'safety'],
    ['rubbed', 'looks', 'looks'],
  ],
  Hands: [
    ['bent', 'stops it', 'timekeeping'],
    ['loose on the arbor', 'keeps bad time', 'timekeeping'],
    ['touch each other', 'stops it', 'timekeeping'],
    ['replaced', 'looks', 'value', 'earlier'],
  ],
  'Movement outside': [
    ['dirty, black oil', 'keeps bad time', 'timekeeping'],
    ['too much oil', 'harms it', 'timekeeping', 'earlier'],
    ['rust', 'harms it', 'value'],
    ['plier marks', 'looks', 'value', 'earlier'],
    ['solder and flux spatter', 'harms it', 'value', 'earlier'],
    ['wrong screw', 'harms it', 'value', 'earlier'],
    ['screw or pin missing', 'harms it', 'none'],
    ['punched holes', 'harms it', 'timekeeping', 'earlier'],
  ],
  Power: [
    ['gummed', 'stops it', 'timekeeping'],
    ['broken', 'safety', 'safety'],
    ['set, tired', 'keeps bad time', 'timekeeping'],
    ['click worn', 'safety', 'safety'],
    ['line frayed', 'safety', 'safety'],
    ['line too short', 'stops it', 'timekeeping', 'earlier'],
    ['hook torn', 'safety', 'timekeeping'],
    ['wrong spring', 'harms it', 'timekeeping', 'earlier'],
  ],
  Trains: [
    ['hole worn oval', 'stops it', 'timekeeping'],
    ['arbor leans', 'harms it', 'timekeeping'],
    ['pivot scored', 'harms it', 'timekeeping'],
    ['pivot bent', 'stops it', 'timekeeping'],
    ['tooth bent', 'stops it', 'timekeeping'],
    ['leaves grooved', 'harms it', 'timekeeping'],
    ['trundle worn', 'harms it', 'timekeeping'],
    ['bush off centre', 'harms it', 'timekeeping', 'earlier'],
    ['end shake too small', 'stops it', 'timekeeping'],
    ['wheel loose on its arbor', 'stops it', 'timekeeping'],
  ],
  Escapement: [
    ['out of beat', 'stops it', 'timekeeping'],
    ['pallets grooved', 'keeps bad time', 'timekeeping'],
    ['too deep', 'stops it', 'timekeeping'],
    ['too shallow', 'stops it', 'timekeeping'],
    ['suspension kinked', 'keeps bad time', 'timekeeping'],
    ['crutch loop wide', 'keeps bad time', 'timekeeping'],
    ['oil on the hairspring', 'keeps bad time', 'timekeeping', 'earlier'],
    ['regulator pins bent', 'keeps bad time', 'timekeeping', 'earlier'],
    ['swings too little', 'stops it', 'timekeeping'],
  ],
  'Strike and chime': [
    ['lever bent', 'harms it', 'striking'],
    ['warning run too short', 'harms it', 'striking'],
    ['oil on rack or snail', 'keeps bad time', 'striking', 'earlier'],
    ['hammer rests on the bell', 'looks', 'striking'],
    ['leather hard', 'looks', 'striking'],
    ['rod or gong cracked', 'looks', 'striking'],
    ['drum out of phase', 'harms it', 'striking'],
    ['bellows torn', 'harms it', 'striking'],
  ],
  Electrics: [
    ['insulation brittle', 'safety', 'safety'],
    ['contact burnt', 'stops it', 'timekeeping'],
    ['coil open', 'stops it', 'timekeeping'],
    ['coil runs hot', 'safety', 'safety'],
    ['no suppression', 'harms it', 'timekeeping'],
    ['rotor dry', 'stops it', 'timekeeping'],
    ['cord not original', 'looks', 'value', 'earlier'],
  ],
};
/** Words of the trade for what is seen in an area, the commonest first. */
export const vocabulary = (area: Area): Term[] =>
  TABLE[area].map(([term, severity, effect, earlier]) => ({ term, severity, effect, earlier: earlier !== undefined }));
