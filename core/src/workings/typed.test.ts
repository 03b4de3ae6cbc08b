import { describe, expect, it } from 'vitest';
import { fieldsOf, readTyped, runWorking, show, typedOf, WORKINGS, workingById } from './index.ts';

const fields = (id: string) => fieldsOf(workingById(id)!.inputs);

describe('a form as it is typed', () => {
  it.each(WORKINGS.map((w) => [w.id, w] as const))('%s comes back from its typed example', (_, w) => {
    for (const system of ['metric', 'inch'] as const) {
      const read = readTyped(fieldsOf(w.inputs), typedOf(fieldsOf(w.inputs), w.example, system), system);
      expect([read.problems, read.asks]).toEqual([[], []]);
      expect(runWorking(w, read.input).ok).toBe(true);
    }
  });

  it('asks between millimetres and thousandths, in either system, at the field', () => {
    const form = { pivotMm: '48', holeLongMm: '1.3', holeShortMm: '1.25', arbor: 'train' };
    expect(readTyped(fields('hole-verdict'), form).asks).toEqual([
      { field: 'pivotMm', typed: '48', asThousandths: expect.closeTo(1.2192, 6) },
    ]);
    expect(readTyped(fields('hole-verdict'), { ...form, pivotMm: '48 thou' }).input['pivotMm']).toBeCloseTo(1.2192, 6);
    expect(
      readTyped(fields('hole-verdict'), { ...form, holeLongMm: '0.051', holeShortMm: '0.05' }, 'inch'),
    ).toMatchObject({ asks: [{ field: 'pivotMm' }], input: { holeLongMm: expect.closeTo(1.2954, 6) } });
  });

  it('names the row and column that cannot be read, and keeps the rest', () => {
    const read = readTyped(fields('train-beats'), {
      meshes: [
        ['64', '8'],
        ['sixty', '8'],
      ],
      escapeTeeth: '30',
    });
    expect(read.problems).toEqual([{ field: 'meshes.1.wheel', message: 'Type a plain number.' }]);
    expect(read.input).toMatchObject({ meshes: [{ wheel: 64, pinion: 8 }, { pinion: 8 }], escapeTeeth: 30 });
  });

  it('takes a list with blanks, semicolons or commas, decimal commas too', () => {
    for (const timesS of ['0 1.4 2,8', '0; 1,4; 2.8', '0, 1.4, 2.8'])
      expect(readTyped(fields('blow-spacing'), { timesS }).input['timesS']).toEqual([0, 1.4, 2.8]);
  });

  it('shows figures in the units of the person', () => {
    // Published: 25.4 mm to the inch, 0.45359237 kg to the pound.
    expect(show(25.4, { unit: 'mm', digits: 2 }, 'inch')).toEqual({ text: '1.0000', unit: 'in' });
    expect(show(3.62873896, { unit: 'kg', digits: 2 }, 'inch')).toEqual({ text: '8.000', unit: 'lb' });
    expect(show(-0.0001, { unit: 's/day', digits: 1 }, 'metric')).toEqual({ text: '0.0', unit: 's/day' });
    expect(show(-13.6, { unit: 's/day', digits: 1 }, 'metric').text).toBe('−13.6');
  });
});

it('leaves out what belongs to another choice, and keeps it typed', () => {
  const form = { rate: '60', setter: 'hairspring', actingMm: '200', pitchMm: 'rubbish', noise: '3' };
  const read = readTyped(fields('set-rate'), form);
  expect(read.problems).toEqual([]);
  expect(read.input).not.toHaveProperty('pitchMm');
  expect(readTyped(fields('set-rate'), { ...form, setter: 'rating nut' }).problems).toMatchObject([
    { field: 'pitchMm' },
  ]);
});
