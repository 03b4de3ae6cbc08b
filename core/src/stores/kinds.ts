import type { Depth } from '../workflow/index.ts';

/** What is measured of a thing in the stores or of a part fitted. Columns of the open table bear these names. */
export const SIZES = {
  bore_mm: 'Bore',
  outside_mm: 'Outside',
  height_mm: 'Height',
  width_mm: 'Width',
  strength_mm: 'Strength',
  length_mm: 'Length',
  diameter_mm: 'Diameter',
  thickness_mm: 'Thickness',
  pitch_mm: 'Pitch',
  square_mm: 'Square',
  turns: 'Turns',
  volts: 'Volts',
  ohms: 'Ohms',
} as const;
export type SizeId = keyof typeof SIZES;
export const SIZE_IDS = Object.keys(SIZES) as [SizeId, ...SizeId[]];
export type Sizes = Partial<Record<SizeId, number>>;

/**
 * The largest that is believed of a size: more is a slip of the key. Lines and springs are long, coils have many ohms.
 */
export const largest = (size: SizeId): number => {
  if (size === 'length_mm') return 50_000;
  if (size === 'ohms') return 100_000;
  if (size === 'turns') return 100_000;
  return size === 'volts' ? 400 : 500;
};

/**
 * How deep a movement is opened to fit such a thing; what is not named goes on from outside, or does not say. Common
 * practice.
 */
const FITTED_AT: Partial<Record<KindId, Depth>> = {
  ...{ bush: 'plates', trundle: 'plates', click: 'plates', line: 'plates', chain: 'plates' },
  mainspring: 'barrel',
};
export const fittedAt = (kind: KindId): Depth => FITTED_AT[kind] ?? 'hands and dial';

/** Kinds of things that are fitted, and which sizes tell one from another. Ids are stored: they stay. */
export const KINDS = [
  { id: 'bush', name: 'Bush', sizes: ['bore_mm', 'outside_mm', 'height_mm'] },
  { id: 'mainspring', name: 'Mainspring', sizes: ['width_mm', 'strength_mm', 'length_mm'] },
  { id: 'suspension', name: 'Suspension strip', sizes: ['strength_mm', 'width_mm', 'length_mm'] },
  { id: 'line', name: 'Line or cord', sizes: ['diameter_mm', 'length_mm'] },
  { id: 'chain', name: 'Chain', sizes: ['pitch_mm', 'width_mm', 'length_mm'] },
  { id: 'trundle', name: 'Trundle wire', sizes: ['diameter_mm', 'length_mm'] },
  { id: 'pin', name: 'Pin', sizes: ['diameter_mm', 'length_mm'] },
  { id: 'screw', name: 'Screw or nut', sizes: ['diameter_mm', 'pitch_mm', 'length_mm'] },
  { id: 'click', name: 'Click or click spring', sizes: ['length_mm', 'thickness_mm'] },
  { id: 'key', name: 'Key', sizes: ['square_mm'] },
  { id: 'glass', name: 'Glass', sizes: ['diameter_mm', 'thickness_mm'] },
  { id: 'electric', name: 'Coil, contact or suppressor', sizes: ['volts', 'ohms', 'turns'] },
  { id: 'donor', name: 'Donor', sizes: [] },
  { id: 'product', name: 'Oil, grease, cleaner, finish', sizes: [] },
  { id: 'other', name: 'Other', sizes: ['diameter_mm', 'width_mm', 'height_mm', 'length_mm'] },
] as const satisfies readonly { id: string; name: string; sizes: readonly SizeId[] }[];
export type KindId = (typeof KINDS)[number]['id'];
export const KIND_IDS = KINDS.map((k) => k.id) as [KindId, ...KindId[]];
/** A kind of thing in the stores, with the sizes that name it. */
export const kindOf = (id: KindId): { id: KindId; name: string; sizes: readonly SizeId[] } =>
  KINDS.find((k) => k.id === id)!;

/** `1.2 × 2.5 × 2 mm`, in the order of its kind; volts, ohms and turns carry their own sign. */
export function sizeWords(kind: KindId, sizes: Sizes): string {
  const known = kindOf(kind).sizes.filter((s) => sizes[s] !== undefined);
  const mm = known.filter((s) => s.endsWith('_mm')).map((s) => String(sizes[s]));
  const own = known.filter((s) => !s.endsWith('_mm')).map((s) => `${sizes[s]} ${unitOf(s)}`);
  return [mm.length > 0 ? `${mm.join(' × ')} mm` : '', ...own].filter(Boolean).join(', ');
}

function unitOf(s: SizeId) {
  if (s === 'volts') return 'V';
  if (s === 'ohms') return 'Ω';
  return 'turns';
}
