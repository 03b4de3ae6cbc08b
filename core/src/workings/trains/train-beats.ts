import { beatsPerHour, nearestUsual, ratioOf } from '../../train/index.ts';
import { out, rows, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { swings } from '../suited.ts';
import { mesh, TEXT } from './shared.ts';

export default working({
  id: 'train-beats',
  title: 'Beats of a train',
  subject: 'Trains',
  stages: ['assess', 'survey', 'run'],
  suits: swings,
  version: 1,
  asks: 'How often does a clock with these wheels beat?',
  alias: 'count vibrations escape wheel bph',
  inputs: z.object({
    meshes: rows('From the hourly arbor to the escape wheel', mesh, 1, 6),
    escapeTeeth: whole('Teeth of the escape wheel', 3, 200),
  }),
  example: {
    meshes: [
      { wheel: 64, pinion: 8 },
      { wheel: 60, pinion: 8 },
    ],
    escapeTeeth: 30,
  },
  result: z.object({
    beats: out('Beats an hour', '', 2),
    beatS: out('One beat', 's', 4),
    turns: out('Turns of the escape wheel an hour', '', 2),
    usual: out('Nearest usual count', 'beats/h', 0),
    offSecondsPerDay: out('Rate if it ran at the usual count', 's/day', 0),
  }),
  compute({ meshes, escapeTeeth }) {
    const found = beatsPerHour(meshes, escapeTeeth);
    const usual = nearestUsual(found);
    return {
      beats: found,
      beatS: 3600 / found,
      turns: ratioOf(meshes),
      usual,
      offSecondsPerDay: 86400 * (usual / found - 1),
    };
  },
  says: (r) =>
    Math.abs(r.beats - r.usual) < 0.01
      ? `${r.beats.toFixed(0)} beats an hour.`
      : `${r.beats.toFixed(2)} beats an hour. The nearest usual count is ${r.usual}; if it was meant, ` +
        'look for a wheel that does not belong.',
  formula: 'beats/h = 2 · E · Π wheels/Π pinions',
  sources: [TEXT],
  checks: [
    {
      kind: 'practice',
      source: 'Seconds longcase: 64/8 · 60/8 · E 30',
      given: {
        meshes: [
          { wheel: 64, pinion: 8 },
          { wheel: 60, pinion: 8 },
        ],
        escapeTeeth: 30,
      },
      finds: { beats: [3600, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Lever platform with seconds hand: fourth wheel turns once a minute, 70/7 · E 15 beats 18,000',
      given: {
        meshes: [
          { wheel: 80, pinion: 10 },
          { wheel: 75, pinion: 10 },
          { wheel: 70, pinion: 7 },
        ],
        escapeTeeth: 15,
      },
      finds: { beats: [18000, 1e-6] },
    },
  ],
});
