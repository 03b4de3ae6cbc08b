import type { BenchRow, Hit, Person, Visit } from '@eclat/contract';
import { RULES } from '@eclat/core/rules';
import { bare } from '@eclat/core/units';
import { STAGES, stageName } from '@eclat/core/workflow';
import { useAppState } from '../../data/app-state.ts';
import { LOOK_UPS } from '../../features/visit/look-ups.ts';
import { SIDE } from '../../features/visit/side.ts';
import { PLACES } from '../places.ts';
import { beginTour } from '../tour/steps.ts';

/** In this order where they fit equally; what the server finds comes last, for it comes late. */
const GROUPS = ['In the shop', 'This clock', 'Places', 'Workings', 'House rules', 'Do', 'In the books'] as const;

/** Something that can be gone to, or done. */
export interface Entry {
  group: (typeof GROUPS)[number];
  name: string;
  /** What else says which one it is. */
  says?: string;
  /** Shown with it; it is not found by this. */
  now?: string;
  /** Found by these words too, which are not shown. */
  words?: string;
  to?: string;
  run?: () => void;
}

const words = (text: string): string[] =>
  bare(text)
    .toLocaleLowerCase()
    .split(/[\s·,/().:;-]+/)
    .filter(Boolean);

const begins = (name: string, typed: string): boolean => words(name)[0]!.startsWith(words(typed)[0] ?? '');

/** Entries by their groups, so many of each: a group comes first in which a name begins as what was typed. */
export function grouped(entries: readonly Entry[], typed: string, most: number): [Entry['group'], Entry[]][] {
  const groups = GROUPS.map((name): [Entry['group'], Entry[]] => [name, entries.filter((e) => e.group === name)]);
  const late = (of: readonly Entry[]) => (of[0]!.group !== 'In the books' && begins(of[0]!.name, typed) ? 0 : 1);
  return groups
    .filter(([, of]) => of.length > 0)
    .toSorted(([, a], [, b]) => late(a) - late(b))
    .map(([name, of]) => [name, of.slice(0, most)]);
}

/** Entries in which each word typed begins a word; those whose name begins with the first of them come first. */
export function matching(entries: readonly Entry[], typed: string): Entry[] {
  const asked = words(typed);
  if (asked.length === 0) return [];
  const found = entries.filter((e) => {
    const said = words(`${e.name} ${e.says ?? ''} ${e.words ?? ''}`);
    return asked.every((a) => said.some((w) => w.startsWith(a)));
  });
  return found.toSorted((a, b) => Number(begins(b.name, typed)) - Number(begins(a.name, typed)));
}

/** Screens beside the places of the bar. */
const SCREENS: readonly (readonly [to: string, name: string, words: string, ownerOnly?: true])[] = [
  ['/timers', 'Timers', 'bath clock'],
  ['/which', 'Which clock is this?', 'label code scan camera'],
  ['/after', 'Aftercare', 'due again recall reminder came back after they went home'],
  ['/wanted', 'Wanted', 'parts to find'],
  ['/baths', 'Bath book', 'tank jar filled'],
  ['/rules', 'House rules', 'schools'],
  ['/causes', 'Causes and counts', 'diagnosis'],
  ['/calendar', 'Calendar', 'ical appointments'],
  ['/measure-photo', 'Count teeth on a photo', 'measure lengths'],
  ['/workings/checks', 'What workings are checked against', 'sources'],
  ['/listen', 'Listen', 'sound rate beat microphone'],
  ['/learn-strike', 'Learn a strike', 'chime'],
  ['/keys', 'Keys to print', 'shortcuts keyboard sheet'],
  ['/account', 'My account', 'passphrase sessions keys'],
  ['/people', 'People', 'accounts roles', true],
];

export function placeEntries({ role }: Pick<Person, 'role'>): Entry[] {
  const places = PLACES.map(({ to, name }): Entry => ({ group: 'Places', name, to }));
  const screens = SCREENS.filter(([, , , ownerOnly]) => !ownerOnly || role === 'owner-of-shop');
  return [...places, ...screens.map(([to, name, more]): Entry => ({ group: 'Places', name, words: more, to }))];
}

/** Clocks in the shop: they are found while the server is away too. */
export const benchEntries = (rows: readonly BenchRow[]): Entry[] =>
  rows.map((r) => ({
    group: 'In the shop',
    name: r.clock,
    says: [r.claim, r.owner].join(' · '),
    now: `now: ${stageName(r.next.stage)}`,
    words: r.movementCode,
    to: `/visits/${r.visitId}`,
  }));

/** What the server found, but for clocks that stand among those of the shop. */
export const hitEntries = (hits: readonly Hit[], shown: readonly Entry[]): Entry[] =>
  hits.flatMap((h): Entry[] => {
    const open = h.openVisitId && `/visits/${h.openVisitId}`;
    if (open && shown.some((e) => e.to === open)) return [];
    const book = h.movementId ? `/movements/${h.movementId}` : h.clockId && `/clocks/${h.clockId}`;
    const to = open || book;
    if (!to) return [];
    const says = [h.owner, h.clock ? h.movement : '', h.code, open ? 'in the shop now' : 'its book'];
    const name = h.clock || h.movement || h.owner;
    return [{ group: 'In the books', name, says: says.filter(Boolean).join(' · '), to }];
  });

/** Stages of the clock that is open, what lies beside them, and what is looked up beside the work. */
export function visitEntries({ id, closedAt }: Pick<Visit, 'id' | 'closedAt'>, here: string): Entry[] {
  const at = `/visits/${id}`;
  const look = (what: string) => `${here.startsWith(at) ? here : at}?look=${what}`;
  return [
    ...STAGES.map((s): Entry => ({
      group: 'This clock',
      name: s.name,
      says: s.does,
      words: 'stage',
      to: `${at}/${s.id}`,
    })),
    ...Object.entries(SIDE).map(([to, name]): Entry => ({ group: 'This clock', name, to: `${at}/${to}` })),
    ...LOOK_UPS.map((l): Entry => ({ group: 'This clock', name: `Look up: ${l.name}`, words: l.name, to: look(l.id) })),
    ...(closedAt ? [] : [{ group: 'Do' as const, name: 'Take a photo', words: 'camera picture', to: `${at}?photo=` }]),
  ];
}

export const ruleEntries = (): Entry[] =>
  RULES.map((r) => ({
    group: 'House rules',
    name: r.asks,
    says: r.stages.map(stageName).join(', '),
    words: r.schools.map((s) => s.name).join(' '),
    to: `/rules?rule=${r.id}`,
  }));

/** What is done from anywhere. */
export function deeds(keys: () => void, inDemo: boolean): Entry[] {
  const { set } = useAppState.getState();
  const deed = (name: string, more: string, run: () => void): Entry => ({ group: 'Do', name, words: more, run });
  return [
    { group: 'Do', name: 'Take a clock in', words: 'new intake counter', to: '/intake' },
    { group: 'Do', name: 'Enter a reading', words: 'rate on test', to: '/on-test' },
    deed('Show the keys', 'keyboard shortcuts help', keys),
    ...(inDemo ? [{ ...deed('Begin the first hour', 'tour help learn', beginTour), to: '/' }] : []),
    deed('Show what is on this device', 'offline unsent install', () => set({ onDevice: 'look' })),
    deed('Open the devices', 'caliper meter printer camera', () => set({ devices: true })),
    deed('Light screen', 'theme', () => set({ theme: 'light' })),
    deed('Dark screen', 'theme night', () => set({ theme: 'dark' })),
    deed('Figures in mm and g', 'units metric', () => set({ units: 'metric' })),
    deed('Figures in inch and lb', 'units imperial', () => set({ units: 'inch' })),
    deed('Sign out', 'leave', () => set({ onDevice: 'sign out' })),
  ];
}
