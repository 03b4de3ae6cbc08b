import { sourceName, type Traits } from '../movement/index.ts';
import { counted, said, type Said } from '../units/index.ts';
import { valuesOf, last, type TableTest, type Values } from './table.ts';

/** A hammer that rests nearer than this touches when it is cold, mm; one farther off strikes weakly. Practice. */
const LEAST_GAP_MM = 0.3;
const MOST_GAP_MM = 4;
/** Right twice in a row before it is believed. Practice. */
const TWICE = 2;

/** What the strike says at lock, by how it was tripped, of its hammers. @param tests the oldest first */
export function sayStrikeSetUp(traits: Traits, tests: readonly TableTest[]): Said[] {
  return [
    ...sayLock(traits, last(tests, 'at lock')),
    ...sayRackLock(traits, last(tests, 'rack at lock')),
    ...sayTripped(valuesOf(tests, 'tripped')),
    ...sayPartial(traits, valuesOf(tests, 'partial wind')),
    ...sayHammers(valuesOf(tests, 'hammer')),
    ...saySelf(last(tests, 'self-correction')),
    ...sayPairs(valuesOf(tests, 'bells in pairs')),
  ];
}

const LOCK = 'At lock';

/**
 * The warning pin, judged by where this train locks: on its stop where the warning wheel locks, else half a turn from
 * it, which is the run to warning. Null where it is right. Common practice.
 */
export function wrongPin(locksAt: Traits['locksAt'], pin: string): { words: string; sure: boolean } | null {
  if (locksAt === undefined)
    return { sure: false, words: 'Say in The movement where this strike locks: then its warning pin can be judged.' };
  if (locksAt === 'warning wheel') return atStop(pin);
  if (pin === 'half a turn off') return null;
  if (pin === 'close to its stop')
    return {
      sure: true,
      words: 'No run to warning: it warns without a sound, or misses. Turn the warning wheel back.',
    };
  if (pin === 'on its stop')
    return { sure: true, words: 'The warning pin holds it, not the lock: turn the warning wheel by half a turn.' };
  return {
    sure: true,
    words: 'Too long a run to warning: it hits its stop hard or runs past. Turn the warning wheel on to half a turn.',
  };
}

function atStop(pin: string): { words: string; sure: boolean } | null {
  if (pin === 'on its stop') return null;
  return pin === 'past its stop'
    ? {
        sure: true,
        words:
          'Both levers fell after its pin had passed: it runs on by a turn. Open that corner, turn the warning wheel ' +
          'back tooth by tooth until its pin comes to the stop just as they fall.',
      }
    : {
        sure: true,
        words: 'The levers are down and its pin has not come on to the stop: no power reaches it, or a lever rubs.',
      };
}

function sayLock(traits: Traits, v: Values | null): Said[] {
  if (!v) return [];
  const bent = v['bent'] ? [said(LOCK, false, `Bent: ${v['bent']}. Straighten it first, then look again.`)] : [];
  const [count, cam] = [v['count'] === 'in its slot', v['cam'] === 'in its notch'];
  if (!count && !cam)
    return [
      ...bent,
      said(LOCK, null, 'Neither lever is down: this is not lock. Let it go on until the count lever falls.'),
    ];
  if (!count)
    return [
      ...bent,
      said(
        LOCK,
        false,
        'The cam lever is in, the count lever rides on the rim: move the count wheel until its lever falls to the ' +
          'bottom. Leave cam and warning.',
      ),
    ];
  if (!cam)
    return [
      ...bent,
      said(
        LOCK,
        false,
        'The count lever is down, the cam lever is not: move the cam wheel against the pin wheel, tooth by tooth, ' +
          'until its notch is under the lever as the count lever falls.',
      ),
    ];
  return [...bent, sayPin(traits, String(v['pin']))];
}

function sayPin(traits: Traits, pin: string): Said {
  const wrong = wrongPin(traits.locksAt, pin);
  return wrong
    ? said(LOCK, wrong.sure ? false : null, wrong.words)
    : said(LOCK, true, `All three hold; it locks at the ${traits.locksAt}.`);
}

function sayRackLock(traits: Traits, v: Values | null): Said[] {
  if (!v) return [];
  if (v['bent']) return [said(LOCK, false, `Bent: ${v['bent']}. Straighten it first, then look again.`)];
  if (v['pallet'] === 'loose on its arbor')
    return [said(LOCK, false, 'The gathering pallet is loose: broach and fix it before anything else is judged.')];
  if (v['hook'] === 'on an earlier tooth')
    return v['pallet'] === 'on its stop'
      ? [said(LOCK, false, 'Locked with the rack not gathered: the pallet meets its stop a blow early. Turn it round.')]
      : [said(LOCK, null, 'The rack is not gathered: this is not lock. Let it strike to its end.')];
  if (v['pallet'] === 'past its stop')
    return [said(LOCK, false, 'The rack is gathered and the pallet has passed: rack hook or its last tooth is worn.')];
  return [sayPin(traits, String(v['pin']))];
}

const WAYS = ['by finger', 'by the hands', 'by itself, running'] as const;
/** What each way of letting it off proves, beside what the ways before it do. */
const PROVES = ['count and lock', 'lift and warning', 'that the going train lifts it'] as const;

/**
 * What has been proved, and what has not: by finger the count, by the hands the lift and the warning too, running that
 * the going train has the power for it. A later failure takes it back.
 */
function sayTripped(all: readonly Values[]): Said[] {
  if (all.length === 0) return [];
  const lastOf = WAYS.map((way) => all.findLastIndex((v) => v['how'] === way));
  const isRight = (v: Values) => v['went'] === 'right each time';
  const right = lastOf.map((at) => at >= 0 && isRight(all[at]!) && (all[at]!['times'] as number) >= TWICE);
  // What came right later, by the same way or one that proves more, is right.
  const failed = lastOf.findIndex(
    (at, way) => at >= 0 && !isRight(all[at]!) && !lastOf.some((later, w) => w > way && later > at && right[w]),
  );
  if (failed >= 0) {
    const v = all[lastOf[failed]!]!;
    const sound = PROVES.filter((_, i) => i < failed && right[i]);
    const words = sound.length > 0 ? `; ${sound.join(', ')} hold` : '';
    return [said('Tripped', false, `${String(v['how'])}: ${String(v['went'])}${words}. ${LOOK_AT[failed]!}`)];
  }
  const best = right.lastIndexOf(true);
  if (best < 0) return [said('Tripped', null, 'Right once. Twice in a row before it is believed.')];
  const proved = PROVES.slice(0, best + 1).join(', ');
  return best === 2
    ? [said('Tripped', true, `Proved: ${proved}.`)]
    : [said('Tripped', null, `Proved: ${proved}. Not yet: ${PROVES.slice(best + 1).join(', ')}.`)];
}
const LOOK_AT = [
  'Look at lock: each lever in turn.',
  'Look at the lift and the warning: pin, stop and the run between.',
  'The lift asks too much of the going train, or the going train gives too little.',
] as const;

function sayPartial(traits: Traits, all: readonly Values[]): Said[] {
  const of = new Map(all.map((v) => [String(v['source']), v]));
  return [...of].map(([id, v]) => {
    const source = traits.sources.find((s) => s.id === id);
    const what = `Wind, ${source ? sourceName(traits, source) : id}`;
    const [turns, full] = [v['turns'] as number, v['full'] as number];
    if (v['did'] === 'slips')
      return said(what, false, 'It slips: let it down now. Hook, arbor or click, before any more.');
    if (v['did'] === 'creaks')
      return said(what, false, `Creaks at ${counted(turns, 'half turn')}: let it down, out, and look along it.`);
    return turns < full
      ? said(what, null, `${turns} of ${full} half turns: it strikes slowly at its end. Speed is judged fully wound.`)
      : said(what, true, 'Fully wound, and holds.');
  });
}

function sayHammers(all: readonly Values[]): Said[] {
  const nameOf = (v: Values) => String(v['hammer']).trim().toLowerCase();
  return [...new Set(all.map(nameOf))].map((name) => {
    const tries = all.filter((v) => nameOf(v) === name);
    const v = tries.at(-1)!;
    const wrong = hammerWrong(v);
    const tried = tries.length > 1 ? ` After ${counted(tries.length, 'try', 'tries')}.` : '';
    return said(`Hammer ${String(v['hammer'])}`, wrong === null, `${wrong ?? 'Clear.'}${tried}`);
  });
}

/** What to move for a tone; null where it is clear. Common practice. */
function hammerWrong(v: Values): string | null {
  const tone = v['tone'];
  const [gap, travel] = [(v['gap'] ?? null) as number | null, (v['travel'] ?? null) as number | null];
  if (tone === 'clear') return null;
  const near = gap !== null && gap < LEAST_GAP_MM;
  if (tone === 'dull')
    return near || gap === null
      ? 'Dull: it rests on what it strikes. Bend its stop until it stands off by about a millimetre.'
      : 'Dull though it stands off: bell, gong or rod loose at its foot, or its leather gone soft.';
  if (tone === 'twice') return 'Twice: it bounces. A little nearer to its stop spring, or more gap.';
  if (tone === 'hard') return 'Hard: its leather is hardened or gone.';
  if (tone === 'it buzzes') return 'Buzzes: something near it touches; gong or rod against the case, or a loose screw.';
  if (gap !== null && gap > MOST_GAP_MM) return 'Weak: it rests too far off. Bend its stop nearer.';
  return travel === null
    ? 'Weak: measure how far it lifts.'
    : `Weak, lifted by ${travel} mm: deeper in its pins, or a weak train or hammer spring.`;
}

function saySelf(v: Values | null): Said[] {
  if (!v) return [];
  if (v['did'] === 'never')
    return [said('Quarters', false, 'It does not right itself: the longer slot or its lever does not hold it back.')];
  return v['did'] === 'at the next hour'
    ? [said('Quarters', true, 'Right themselves at the next hour.')]
    : [said('Quarters', null, 'Right only an hour later: some do by design; say so to the owner.')];
}

function sayPairs(all: readonly Values[]): Said[] {
  const v = all.at(-1);
  if (!v) return [];
  const bells = v['bells'] as number;
  if (v['as'] === 'in pairs, the odd one last') return [said('Bells', true, `${bells} in pairs.`)];
  if (v['as'] === 'the odd one first')
    return bells % 2 === 0
      ? [said('Bells', false, `${bells} have no odd one: it came in out of step. Let it lock, begin at one bell.`)]
      : [said('Bells', false, 'The odd one first: its pin wheel is out by a pin. Re-phase it.')];
  return bells === 1
    ? [said('Bells', null, 'One bell shows no pairs: hear another.')]
    : [said('Bells', false, 'Evenly: the pins in pairs are not where the count is. Re-phase the pin wheel.')];
}
