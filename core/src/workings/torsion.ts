import { z } from 'zod';
import {
  beatsWith,
  neighbours,
  shorteningEffect,
  STRIP_LAWS,
  thicknessFor,
  torsionBeats,
  type StripLaw,
} from '../torsion/index.ts';
import { MM_PER_INCH } from '../units/index.ts';
import { choice, mm, number, numbers, out, table } from './fields.ts';
import { working } from './working.ts';

const LAW = 'Torsion of a thin strip: T² goes as 1/(b t³), any text on elasticity';
const law = choice('Width of the strips', Object.keys(STRIP_LAWS) as [StripLaw, ...StripLaw[]], {
  hint: 'Measure the width of both: a wider one is stronger too',
});
const perMinute = (title: string) => number(title, 'a minute', 0.5, 60);
const strip = (title: string) => mm(title, 0.03, 0.5, { digits: 4, hint: '0.0038in or 0.097' });
const inches = (t: number) => `${(t / MM_PER_INCH).toFixed(4)} in`;

export const TORSION = [
  working({
    id: 'torsion-strip',
    title: 'Strength of a torsion strip',
    subject: 'Torsion',
    stages: ['fit', 'run'],
    version: 1,
    asks: 'Which strip makes it beat as it should?',
    alias: 'suspension spring 400-day eight beats',
    inputs: z.object({
      thicknessMm: strip('Strip that is in'),
      observed: perMinute('Beats counted with it'),
      wanted: perMinute('Beats wanted'),
      law,
      stockMm: numbers('Strips in stock', 'mm', [0.03, 0.5], 0, 60, {
        digits: 4,
        hint: 'Empty: every ten-thousandth of an inch',
      }),
    }),
    example: { thicknessMm: 0.09652, observed: 7.6, wanted: 8, law: 'equal width', stockMm: [] },
    result: z.object({
      wantedMm: out('Thickness wanted', 'mm', 4),
      nowSecondsPerDay: out('Rate with the strip that is in', 's/day', 0),
      choices: table('Nearest strips', {
        thicknessMm: out('Thickness', 'mm', 4),
        thousandths: out('in thousandths', '', 1),
        beatsPerMinute: out('Beats', 'a minute', 3),
        rateSecondsPerDay: out('Rate', 's/day', 0),
      }),
    }),
    compute(i) {
      return {
        wantedMm: thicknessFor(i.thicknessMm, i.observed, i.wanted, i.law),
        nowSecondsPerDay: 86400 * (i.observed / i.wanted - 1),
        choices: neighbours(i.thicknessMm, i.observed, i.wanted, i.law, i.stockMm).map((c) => ({
          ...c,
          thousandths: (1000 * c.thicknessMm) / MM_PER_INCH,
        })),
      };
    },
    says(r, i) {
      const best = [...r.choices].sort((a, b) => Math.abs(a.rateSecondsPerDay) - Math.abs(b.rateSecondsPerDay))[0];
      return best
        ? `Take ${inches(best.thicknessMm)}: it ${best.rateSecondsPerDay < 0 ? 'loses' : 'gains'} ${Math.abs(best.rateSecondsPerDay / 60).toFixed(1)} min a day, the rest on the bob’s adjuster. Reckoned for ${i.law}.`
        : 'The stock has none near it.';
    },
    formula: 't₂ = t₁ (wanted/observed)^(2/3) at equal width; ^(1/2) when width grows with strength',
    sources: [LAW],
    checks: [
      {
        kind: 'practice',
        source: '0.0038 in at 7.6 a minute wants 0.00393 in for 8',
        given: { thicknessMm: 0.0038 * 25.4, observed: 7.6, wanted: 8, law: 'equal width', stockMm: [] },
        finds: {
          wantedMm: [0.00393 * 25.4, 0.00001 * 25.4],
          'choices.0.thousandths': [3.9, 0.001],
          'choices.1.thousandths': [4, 0.001],
        },
      },
      {
        kind: 'published',
        source: LAW + ': four times the thickness, eight times the beats',
        given: { thicknessMm: 0.05, observed: 2, wanted: 16, law: 'equal width', stockMm: [0.19, 0.2] },
        finds: { wantedMm: [0.2, 1e-9] },
      },
    ],
  }),
  working({
    id: 'torsion-other',
    title: 'Beats with another strip',
    subject: 'Torsion',
    stages: ['fit'],
    version: 1,
    asks: 'What will it beat with the strip in my hand, or with this one shortened?',
    alias: 'shorten strip',
    inputs: z.object({
      thicknessMm: strip('Strip that is in'),
      observed: perMinute('Beats counted with it'),
      newMm: strip('Strip in hand'),
      law,
      lengthMm: mm('Free length', 20, 400),
    }),
    example: { thicknessMm: 0.09652, observed: 7.6, newMm: 0.1016, law: 'equal width', lengthMm: 110 },
    result: z.object({
      beatsPerMinute: out('Beats', 'a minute', 3),
      perMm: out('A millimetre shorter gains', 's/day', 0),
    }),
    compute: (i) => ({
      beatsPerMinute: beatsWith(i.newMm, i.thicknessMm, i.observed, i.law),
      perMm: shorteningEffect(i.lengthMm),
    }),
    says: (r) =>
      `${r.beatsPerMinute.toFixed(2)} a minute; each millimetre shorter gains ${(r.perMm / 60).toFixed(1)} min a day.`,
    formula: 'n₂ = n₁ (t₂/t₁)^(3/2); 43200/ℓ for each mm',
    sources: [LAW],
    checks: [
      {
        kind: 'published',
        source: LAW + ': √8 times the beats at twice the thickness',
        given: { thicknessMm: 0.1, observed: 8, newMm: 0.2, law: 'equal width', lengthMm: 100 },
        finds: { beatsPerMinute: [22.627, 0.001], perMm: [432, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'A ten-thousandth of an inch is about 4 % of the rate of a four-thousandths strip',
        given: { thicknessMm: 0.1016, observed: 8, newMm: 0.10414, law: 'equal width', lengthMm: 100 },
        finds: { beatsPerMinute: [8.3, 0.03] },
      },
    ],
  }),
  working({
    id: 'torsion-first',
    title: 'Torsion pendulum from first principles',
    subject: 'Torsion',
    stages: ['fit'],
    version: 1,
    asks: 'What does this bob beat on this strip, when nothing is known?',
    alias: 'inertia rigidity period',
    inputs: z.object({
      thicknessMm: strip('Thickness'),
      widthMm: mm('Width', 0.2, 10, { digits: 3 }),
      lengthMm: mm('Free length', 20, 400),
      bobG: number('Mass that turns', 'g', 5, 5000, { digits: 0 }),
      gyrationMm: mm('Radius of gyration', 3, 200, {
        hint: 'Balls at a radius: about that radius; a plain disc: 0.707 of its own',
      }),
      rigidityGPa: number('Modulus of rigidity of the strip', 'GPa', 20, 120, {
        digits: 0,
        hint: 'Nickel alloy about 65, bronze about 42 (from memory)',
      }),
    }),
    example: { thicknessMm: 0.1, widthMm: 0.5, lengthMm: 110, bobG: 250, gyrationMm: 28, rigidityGPa: 65 },
    result: z.object({
      beatsPerMinute: out('Beats', 'a minute', 2),
      inertiaKgM2: out('Moment of inertia', 'kg m²', 7),
    }),
    compute(i) {
      const inertiaKgM2 = (i.bobG / 1000) * (i.gyrationMm / 1000) ** 2;
      return { inertiaKgM2, beatsPerMinute: torsionBeats({ ...i, inertiaKgM2 }) };
    },
    says: (r) =>
      `About ${r.beatsPerMinute.toFixed(1)} beats a minute; the modulus is known to a tenth at best, so try it and count.`,
    formula: 'T = 2π √(I ℓ/(β G b t³)), β = ⅓ (1 − 0.63 t/b)',
    sources: [LAW],
    checks: [
      {
        kind: 'published',
        source: 'Torsion constant of a rectangle 10 : 1: β = 0.312, tables in texts on elasticity',
        given: { thicknessMm: 0.1, widthMm: 1, lengthMm: 100, bobG: 1000, gyrationMm: 31.6228, rigidityGPa: 80 },
        finds: { beatsPerMinute: [9.542, 0.01] },
      },
      {
        kind: 'published',
        source: 'Torsion constant of a rectangle 4 : 1: β = 0.281, the same tables',
        given: { thicknessMm: 0.25, widthMm: 1, lengthMm: 100, bobG: 1000, gyrationMm: 31.6228, rigidityGPa: 80 },
        finds: { beatsPerMinute: [35.794, 0.04] },
      },
    ],
  }),
];
