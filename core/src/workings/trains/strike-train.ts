import { blowsPerTurn, ratioOf, turnsChimed, turnsStruck } from '../../train/index.ts';
import { ensure } from '../../units/index.ts';
import { choice, maybe, number, out, rows, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { mesh, TEXT } from './shared.ts';

export default working({
  id: 'strike-train',
  title: 'Turns of a strike or chime train',
  subject: 'Trains',
  stages: ['assess', 'fit'],
  suits: (t) => t.trains.some((x) => x.purpose === 'strike' || x.purpose === 'chime'),
  version: 1,
  asks: 'Does the strike or chime last as long as the going?',
  alias: 'blows great wheel pins chime drum duration',
  inputs: z.object({
    train: choice('Train', ['strike', 'chime']),
    meshes: rows('From the great wheel to the pin wheel or drum', mesh, 0, 5, {
      hint: 'None when the great wheel carries the pins',
    }),
    pins: whole('Lifting pins', 1, 60, { when: { train: ['strike'] } }).optional(),
    struck: choice('It strikes', ['hours', 'hours and halves']),
    days: number('Days wanted', 'days', 0.25, 60, { digits: 1 }),
    turns: number('Turns that there are', 'turns', 0.1, 100).optional(),
  }),
  example: { train: 'strike', meshes: [{ wheel: 78, pinion: 8 }], pins: 8, struck: 'hours', days: 8, turns: 16 },
  result: z.object({
    perTurn: out('Blows, or turns of the drum, for one turn', '', 2),
    turnsNeeded: out('Turns for the days wanted', 'turns', 2),
    days: maybe('Days from the turns there are', 'days', 2),
  }),
  compute(i) {
    if (i.train === 'strike') ensure(i.pins !== undefined, 'pins', 'How many lifting pins are there?');
    const perTurn = i.train === 'strike' ? blowsPerTurn(i.meshes, i.pins!) : ratioOf(i.meshes);
    const turnsNeeded = i.train === 'strike' ? turnsStruck(i.days, perTurn, i.struck) : turnsChimed(i.days, i.meshes);
    return { perTurn, turnsNeeded, days: i.turns === undefined ? null : (i.days * i.turns) / turnsNeeded };
  },
  says: (r, i) =>
    r.days === null
      ? `${r.turnsNeeded.toFixed(1)} turns for ${i.days} days.`
      : `${r.days.toFixed(1)} days from ${i.turns} turns: ` +
        (r.days >= i.days ? 'enough' : `too short for ${i.days} days`) +
        '.',
  formula:
    'blows a turn = pins · Π wheels/Π pinions; 156 blows a day on the hours, 180 with halves; the ' +
    'drum turns 48 times a day',
  sources: [TEXT, '1 + 2 + … + 12 = 78 blows in twelve hours'],
  checks: [
    {
      kind: 'practice',
      source:
        'Eight-day longcase strike: great wheel 78, pin-wheel pinion 8, 8 pins: two turns of the great wheel a day',
      given: { train: 'strike', meshes: [{ wheel: 78, pinion: 8 }], pins: 8, struck: 'hours', days: 8 },
      finds: { perTurn: [78, 1e-9], turnsNeeded: [16, 1e-9] },
    },
    {
      kind: 'published',
      source: 'Cambridge Quarters, tune of 1793: 40 notes an hour, 20 to a turn of the drum',
      given: { train: 'chime', meshes: [{ wheel: 96, pinion: 8 }], struck: 'hours', days: 8 },
      finds: { turnsNeeded: [32, 1e-9] },
    },
  ],
});
