export const BATHS = ['ammoniated water', 'detergent', 'petroleum solvent', 'alcohol'] as const;
export type Bath = (typeof BATHS)[number];

/** `ok`, the longest stay in minutes, or the reason why not. */
export type BathRule = number | string;

/** All common practice. House rules may only make them stricter without a written reason. */
const TABLE = {
  // Each row: ammoniated water, detergent, petroleum solvent, alcohol.
  'bare brass': [15, 60, 'ok', 'ok'],
  'lacquered brass': ['lacquer clouds and lifts', 5, 5, 'old lacquer is spirit lacquer'],
  'gilt or silver plate': ['the thin layer is attacked', 5, 'ok', 'ok'],
  'plain steel': [15, 10, 'ok', 'ok'],
  'blued or polished steel': ['rust, and the colour goes', 'rust, and the colour goes', 'ok', 'ok'],
  'aluminium or zinc': ['the metal is attacked', 10, 'ok', 'ok'],
  'shellac setting': ['shellac softens', 10, 'ok', 'shellac dissolves'],
  'hairspring or bimetal balance': ['rust and distortion', 'rust and distortion', 'ok', 1],
  'silvered dial': ['a conservator’s work', 'a conservator’s work', 'a conservator’s work', 'a conservator’s work'],
  'painted or paper dial': [
    'paint and paper lift',
    'paint and paper lift',
    'paint and paper lift',
    'paint and paper lift',
  ],
  'enamel dial': [
    'the enamel is attacked',
    'wiped only: no bath, no tank, no hot rinse',
    'dirt is carried into cracks',
    'wiped only',
  ],
  'coil or wiring': ['water in the winding', 'water in the winding', 'old varnish swells', 'old varnish dissolves'],
  'plastic or rubber': ['it swells or crazes', 5, 'it swells', 'it crazes'],
  celluloid: ['it breaks down', 'a damp wipe only', 'fire, and it softens', 'it dissolves'],
  'leather or felt': ['dry brush or renew', 'dry brush or renew', 'dry brush or renew', 'dry brush or renew'],
  'wood or veneer': ['glue and finish lift', 'a damp cloth only', 'a wipe only', 'the finish dissolves'],
  'luminous paint': [
    'may carry radium: do not wet, scrape or brush',
    'may carry radium: do not wet, scrape or brush',
    'may carry radium: do not wet, scrape or brush',
    'may carry radium: do not wet, scrape or brush',
  ],
  'painted or gilded glass': ['dust only', 'dust only', 'dust only', 'dust only'],
  'lead weight': ['lead is attacked', 'ok', 'ok', 'ok'],
  'mercury vessel': [
    'stays upright, out of any bath',
    'stays upright, out of any bath',
    'stays upright, out of any bath',
    'stays upright, out of any bath',
  ],
} as const satisfies Record<string, readonly [BathRule, BathRule, BathRule, BathRule]>;

export type Material = keyof typeof TABLE;
/** Heat moves what shellac holds, and celluloid burns: cool bath, cool rinse, no warm air. Practice. */
const KEPT_COOL: readonly Material[] = ['shellac setting', 'celluloid'];
export const keptCool = (materials: readonly Material[]): boolean => materials.some((m) => KEPT_COOL.includes(m));
export const MATERIALS = Object.keys(TABLE) as [Material, ...Material[]];

/** What a material stands in a bath: see `BathRule`. */
export const bathRule = (material: Material, bath: Bath): BathRule => TABLE[material][BATHS.indexOf(bath)]!;
