import { said, type Said } from '../units/index.ts';
import { last, type TableTest, type Values } from './table.ts';

/**
 * Least insulation in megohms by how it is built. Published: VDE 0701-0702 and the IET code of practice for in-service
 * inspection, 1 MΩ with an earth, 2 MΩ double insulated. Two wires and bare metal have no earth: as double insulated.
 */
export const LEAST_MEGOHMS = { earthed: 1, 'double insulated': 2, 'two wires, bare metal': 2 } as const;
/** Most of the earth path, ohms, with a cord up to five metres. Published: VDE 0701-0702. */
export const MOST_EARTH_OHMS = 0.3;
/** Turns are counted to a quarter. Practice. */
const COUNT_TURNS = 0.25;
/** A motor in step turns as its supply does; slower by more than what was counted amiss, it is not in step. */
const IN_STEP = 0.005;

/** What the entries of a mains clock say, in the order of the work. @param tests the oldest first */
export function sayMains(tests: readonly TableTest[]): Said[] {
  return [
    ...sayCord(last(tests, 'mains cord')),
    ...sayInsulation(last(tests, 'mains insulation')),
    ...sayRotor(tests),
    ...saySpeed(last(tests, 'output speed')),
    ...sayStart(last(tests, 'mains start')),
    ...sayRun(last(tests, 'guarded run')),
    ...saySigns(last(tests, 'mains signs')),
  ];
}

function sayCord(v: Values | null): Said[] {
  if (!v) return [];
  if (v['state'] === 'perished') return [said('Cord', false, 'Perished: it is not plugged in before it is renewed.')];
  if (v['relief'] === 'no') return [said('Cord', false, 'Its strain relief does not hold: a pull bares the wires.')];
  if (v['state'] === 'renewed' && !v['by'])
    return [said('Cord', false, 'Say who renewed it: licensed people only, where the law asks it.')];
  if (v['relief'] !== 'yes') return [said('Cord', null, 'Pull at its strain relief, unplugged.')];
  return [
    said('Cord', true, v['by'] ? `${String(v['state'])}, passed by ${v['by']}.` : `${String(v['state'])}, held.`),
  ];
}

function sayInsulation(v: Values | null): Said[] {
  if (!v) return [];
  const built = v['class'] as keyof typeof LEAST_MEGOHMS;
  const [megohms, earth] = [v['megohms'] as number, v['earthOhms'] as number | null];
  const least = LEAST_MEGOHMS[built];
  const tester = v['by'] ? ` Measured by ${v['by']}.` : '';
  const insulation =
    megohms < least
      ? said('Insulation', false, `${megohms} MΩ where at least ${least} belong: not on the mains.${tester}`)
      : said('Insulation', true, `${megohms} MΩ, at least ${least} belong.${tester}`);
  return [insulation, ...sayEarth(built, earth ?? null)];
}

function sayEarth(built: keyof typeof LEAST_MEGOHMS, earth: number | null): Said[] {
  if (built === 'two wires, bare metal')
    return [said('Earth', false, 'Bare metal that can be touched and no earth: a licensed person decides on it.')];
  if (built === 'double insulated') return [];
  if (earth === null) return [said('Earth', null, 'Measure its earth too, from the pin to the metal.')];
  if (earth > MOST_EARTH_OHMS)
    return [said('Earth', false, `${earth} Ω where at most ${MOST_EARTH_OHMS} belong: a bad joint. Not on the mains.`)];
  return [said('Earth', true, `${earth} Ω, at most ${MOST_EARTH_OHMS} belong.`)];
}

/** Rotor and coil are told apart by what each does with a good other half. */
function sayRotor(tests: readonly TableTest[]): Said[] {
  const did = (pair: string) =>
    tests.findLast((t) => t.kind === 'rotor trial' && t.values['pair'] === pair)?.values['did'] ?? null;
  const [own, known, away] = [
    did('its rotor in its coil'),
    did('a known rotor in its coil'),
    did('its rotor in a known coil'),
  ];
  if (own === null && known === null && away === null) return [];
  if (own === 'runs') return [said('Motor', true, 'Its own rotor runs in its own coil.')];
  if (known === 'runs' && away === 'runs')
    return [said('Motor', null, 'Each runs with a good counterpart: look at how the two sit together.')];
  if (known === 'runs')
    return [said('Motor', false, 'A known rotor runs in its coil: the coil is sound, the rotor is not.')];
  if (away === 'runs')
    return [said('Motor', false, 'Its rotor runs in a known coil: the rotor is sound, the coil or its supply is not.')];
  if (known !== null && away !== null)
    return [said('Motor', false, 'Neither runs with a good counterpart: rotor and coil, or the trial itself.')];
  if (known !== null)
    return [said('Motor', null, 'A known rotor does not run in it: the coil or its supply. Try its rotor elsewhere.')];
  if (away !== null)
    return [said('Motor', false, 'Its rotor does not run in a known coil: the rotor is stiff or worn.')];
  return [said('Motor', null, 'Try a known rotor in its coil: that shows which of the two it is.')];
}

/**
 * Turns a minute of the output against what belongs there on this supply. Published: a synchronous motor turns as its
 * supply, 120 f/p, any text on electrical machines: on 50 Hz five sixths of what it does on 60.
 */
export function outputSpeed(v: { turns: number; seconds: number; belongs: number; built: number; supply: number }): {
  found: number;
  wanted: number;
  within: number;
} {
  return {
    found: (60 * v.turns) / v.seconds,
    wanted: (v.belongs * v.supply) / v.built,
    within: (60 * COUNT_TURNS) / v.seconds,
  };
}

function saySpeed(v: Values | null): Said[] {
  if (!v) return [];
  const hertz = (x: unknown) => Number.parseInt(String(x), 10);
  const [built, supply] = [hertz(v['built']), hertz(v['supply'])];
  const { found, wanted, within } = outputSpeed({
    turns: v['turns'] as number,
    seconds: v['seconds'] as number,
    belongs: v['belongs'] as number,
    ...{ built, supply },
  });
  const words = `${found.toPrecision(4)} turns a minute where ${wanted.toPrecision(4)} belong on ${supply} Hz`;
  const off = Math.abs(found - wanted);
  const inStep = off <= Math.max(within, IN_STEP * wanted);
  const other =
    built === supply
      ? []
      : [said('Supply', false, `Built for ${built} Hz: on ${supply} it ${wayOff(supply / built - 1)}.`)];
  if (inStep && within > 0.02 * wanted)
    return [said('Speed', null, `${words}: count more turns, this is known to a quarter of a turn.`), ...other];
  if (inStep) return [said('Speed', true, `${words}: in step.`), ...other];
  const says =
    found > wanted ? `${words}: too fast. Other gears, or a wrong count.` : `${words}: it does not hold step.`;
  return [said('Speed', false, says), ...other];
}

/** "loses 4 h a day" by a share of the time. */
const wayOff = (share: number): string =>
  `${share < 0 ? 'loses' : 'gains'} ${(24 * Math.abs(share)).toFixed(1)} h a day`;

function sayStart(v: Values | null): Said[] {
  if (!v) return [];
  const [tries, right] = [v['tries'] as number, v['right'] as number];
  if (right > tries) return [said('Start', false, 'More right starts than tries: check both.')];
  if (v['meant'] === 'by its knob')
    return right === 0
      ? [said('Start', true, 'Waits for its knob after an outage, as it is meant to.')]
      : [said('Start', false, `Starts ${right} of ${tries} times by itself, and should wait for its knob.`)];
  if (right === tries)
    return [
      tries >= 10
        ? said('Start', true, `Starts the right way ${right} of ${tries} times.`)
        : said('Start', null, `Starts the right way ${right} of ${tries} times: try ten times to be sure.`),
    ];
  return [said('Start', false, `Starts the right way ${right} of ${tries} times: its check for the way round sticks.`)];
}

function sayRun(v: Values | null): Said[] {
  if (!v) return [];
  if (v['guarded'] === 'no') return [said('Run', false, 'Live parts are bare: unplug it, cover them, begin again.')];
  return [
    said(
      'Run',
      true,
      ['Ran with its gears shut', v['hours'] && `${v['hours']} h`, v['found']].filter(Boolean).join(', ') + '.',
    ),
  ];
}

function saySigns(v: Values | null): Said[] {
  if (!v) return [];
  const out: Said[] = [];
  if (v['drops'] === 'no') out.push(said('Outage sign', false, 'It does not drop: a stop in the night is not seen.'));
  else if (v['drops'] === 'yes' && v['resets'] === 'no')
    out.push(said('Outage sign', false, 'It cannot be set again.'));
  else if (v['drops'] === 'yes') out.push(said('Outage sign', true, 'Drops, and is set again.'));
  if (v['twelve'] === 'no') out.push(said('Hands', false, 'They do not meet at twelve: set them on their pipes.'));
  if (v['twelve'] === 'yes') out.push(said('Hands', true, 'All together at twelve.'));
  return out;
}
