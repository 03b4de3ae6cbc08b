// @vitest-environment jsdom
import type { Visit } from '@eclat/contract';
import { familyById, holesOf } from '@eclat/core/movement';
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAppState } from '../../data/app-state.ts';
import { FittingScreen } from '../fitting/FittingScreen.tsx';
import { SurveyScreen } from './SurveyScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('survey and fit', () => {
  const surveyed = (key: string, change: object = {}) =>
    ({
      key,
      version: 1,
      pivotMm: 1.2,
      holeLongMm: 1.6,
      holeShortMm: 1.28,
      size: { kind: 'measured', holeLongMm: 1.6, holeShortMm: 1.28 },
      verdict: 'bush',
      computed: 'bush',
      note: '',
      ...by,
      ...change,
    }) as Visit['holes'][number];

  it('judges while it is typed, and keeps my own verdict beside it', async () => {
    show(SurveyScreen, visitOf('fusee'));
    for (const [label, value] of [
      ['Pivot', '3.1'],
      ['Long way', '3.7'],
      ['Short way', '3.5'],
    ] as const)
      await person.type(screen.getByLabelText(label), value);
    expect(screen.getByText(/Play 0.60 mm, limit 0.30 mm/)).toBeTruthy();
    await person.click(screen.getByRole('radio', { name: 'marginal' }));
    expect(screen.getByText(/You say marginal, the measurements say bush/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /Save, and to the next hole/ }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/holes/T1.front',
        body: { verdict: 'marginal', size: { kind: 'measured', holeLongMm: 3.7, holeShortMm: 3.5 }, version: 0 },
      }),
    );
  });

  it('takes a verdict by feel alone, with no figure; half a measurement is neither; and clears it again', async () => {
    show(SurveyScreen, visitOf('fusee'));
    const keep = () => screen.getByRole<HTMLButtonElement>('button', { name: /Save, and to the next hole/ });
    const words = () => within(screen.getByRole('radiogroup', { name: /verdict/i }));
    const feels = (word: string) => person.click(words().getByRole('radio', { name: word }));
    await person.type(screen.getByLabelText('Pivot'), '3.1');
    await feels('sound');
    expect(keep().disabled).toBe(true);
    expect(sent).toEqual([]);
    await feels('sound'); // pressed again: taken back
    await person.clear(screen.getByLabelText('Pivot'));
    await person.click(document.body);
    // One press a hole, by finger or key.
    await feels('tight');
    await person.keyboard('ssu');
    await waitFor(() => expect(sent).toHaveLength(4));
    expect(sent.map((s) => [s.url.split('/').at(-1), s.body['verdict']])).toEqual([
      ['T1.front', 'tight'],
      ['T1.back', 'sound'],
      ['T2.front', 'sound'],
      ['T2.back', 'bush'],
    ]);
    expect(sent[0]).toMatchObject({ body: { pivotMm: null, size: { kind: 'felt' }, version: 0 } });
    cleanup();
    const felt = { pivotMm: null, holeLongMm: null, holeShortMm: null, computed: null, size: { kind: 'felt' } };
    const holes = holesOf(familyById('fusee').traits).map((h) => surveyed(h.key, { ...felt, verdict: 'not reached' }));
    show(SurveyScreen, { ...visitOf('fusee'), holes });
    expect(screen.getByText(`All ${holes.length} holes are looked at.`)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Clear the verdict' }));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'DELETE', url: '/api/visits/v1/holes/T1.front' }));
  });

  it('takes a whole train in one press each, and back: what has its own word keeps it', async () => {
    const looked = (key: string, state: string) => ({ key, state, toMm: null, note: '', version: 1, ...by });
    const visit = visitOf('shelf-alarm', {
      holes: [surveyed('S2.back')],
      partConditions: [looked('shake.S3', 'too much'), looked('polish.T1.front', 'polished')],
    });
    show(SurveyScreen, visit);
    standIn({ '/api/visits/v1/holes': { holes: ['T1.front'] } });
    const arbors = (keys: string[]) => new Set(keys.map((k) => k.split('.')[0]));
    await person.keyboard('h');
    await waitFor(() => expect(sent).toHaveLength(1));
    // The going train is in hand: none of the others is said anything of.
    const polished = sent[0]!.body['parts'] as string[];
    expect(polished).toHaveLength(11);
    expect(polished.every((k) => k.startsWith('polish.T'))).toBe(true);
    await person.click(screen.getByRole('button', { name: /^The rest is sound/ }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toMatchObject({ method: 'PUT', url: '/api/visits/v1/holes', body: { way: 'one-wheel' } });
    expect(arbors(sent[1]!.body['holes'] as string[])).toEqual(new Set(['T1', 'T2', 'T3', 'T4', 'T5', 'T6']));
    // On to the next train, whose worn hole and whose long shake keep their word.
    await screen.findByRole('heading', { name: /^S1 .*front/ });
    await person.keyboard('yk');
    await waitFor(() => expect(sent).toHaveLength(4));
    expect(sent[2]!.body['parts']).toEqual(['shake.S1', 'shake.S2', 'shake.S4', 'shake.S5', 'shake.S6']);
    expect(sent[3]!.body['holes']).not.toContain('S2.back');
    // Taken back: only what was said by that press, and its first hole is in hand.
    await waitFor(() => expect(useAppState.getState().notice?.text).toBe('1 hole sound.'));
    act(() => useAppState.getState().notice!.undo!());
    await waitFor(() => expect(sent).toHaveLength(5));
    expect(sent[4]).toMatchObject({ url: '/api/visits/v1/holes/clear', body: { holes: ['T1.front'] } });
    await screen.findByRole('heading', { name: /^T1 .*front/ });
    await person.keyboard('e');
    await waitFor(() =>
      expect(sent[5]).toMatchObject({ url: '/api/visits/v1/parts-looked/shake.T1', body: { state: 'right' } }),
    );
  });

  it('leads from a tight hole to what was opened, by how much, as often as it takes', async () => {
    const holes = [surveyed('T2.back', { verdict: 'tight', holeShortMm: 1.22 }), surveyed('T3.front')];
    show(SurveyScreen, visitOf('fusee', { holes }));
    await person.click(screen.getByRole('button', { name: /^Ease T2/ }));
    const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
    expect([field('Part').value, field('What was done').value, field('Before').value]).toEqual([
      expect.stringMatching(/^T2 .*, back, hole$/),
      'hole eased',
      '1.22 mm',
    ]);
    await waitFor(() => expect(document.activeElement).toBe(field('After')));
    await person.keyboard('1.24 mm{Enter}');
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ hole: 'T2.back', after: '1.24 mm', reversible: false, agreed: null }),
    );
    cleanup();
    const work = [{ id: 'w1', ...(sent[0]!.body as object), ...by }] as Visit['work'];
    show(FittingScreen, visitOf('fusee', { holes, work }));
    expect(screen.getByText('hole eased: 1.22 mm → 1.24 mm')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /^Ease again/ }));
    expect(screen.getAllByLabelText<HTMLInputElement>('Before')[0]!.value).toBe('1.24 mm');
  });

  it('puts the bushes to the owner in one press, by train and plate, and does not ask twice', async () => {
    const holes = [surveyed('T2.back'), surveyed('T3.front', {}), surveyed('T4.front', { verdict: 'sound' })];
    const visit = { ...visitOf('fusee'), holes };
    show(SurveyScreen, visit);
    await person.click(screen.getByRole('button', { name: /^On the estimate: 2 bushes: 1 front, 1 back/ }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/lines',
        body: { kind: 'labour', what: '2 bushes: 1 front, 1 back', price: '50', fromSurvey: true },
      }),
    );
    cleanup();
    const line = {
      ...(sent[0]!.body as object),
      id: 'l1',
      version: 1,
      addition: true,
      decisions: [],
      state: null,
      ...by,
    };
    show(SurveyScreen, {
      ...visit,
      agreement: { ...visit.agreement, lines: [line as unknown as Visit['agreement']['lines'][number]] },
    });
    expect(screen.queryByRole('button', { name: /bushes/ })).toBeNull();
  });

  it('measures a hole that was only felt before its bush is chosen', async () => {
    const felt = { pivotMm: null, holeLongMm: null, holeShortMm: null, computed: null, size: { kind: 'felt' } };
    show(FittingScreen, { ...visitOf('fusee'), holes: [surveyed('T2.back', felt)] });
    expect(screen.getByText('Measure pivot, hole and plate first.')).toBeTruthy();
    for (const [label, value] of [
      ['Hole, long way', '1.6'],
      ['Short way', '1.28'],
      ['Finished pivot', '1.2'],
    ] as const)
      await person.type(screen.getByLabelText(label), value);
    expect(screen.getByText(/Ream to/)).toBeTruthy();
  });

  it('enters a bush that no table has, and puts right what was entered wrong', async () => {
    const bush = {
      id: 'b1',
      hole: 'T3.front',
      pivotMm: 1.2,
      boreMm: 1.52,
      outsideMm: 2.5,
      heightMm: 2,
      note: '',
      located: null,
      off: false,
      endShakeMm: null,
      spins: null,
      stockId: null,
      ...by,
    };
    show(FittingScreen, { ...visitOf('fusee'), holes: [surveyed('T2.back')], bushes: [bush] });
    await person.click(screen.getByRole('button', { name: 'Another size, or turned here' }));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Fitted' }).disabled).toBe(true);
    await person.type(screen.getByLabelText('Its outside'), '3.3');
    await person.type(screen.getByLabelText('Its height'), '2.4');
    await person.click(screen.getByRole('button', { name: 'Fitted' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ body: { hole: 'T2.back', outsideMm: 3.3, heightMm: 2.4, stockId: null } }),
    );
    await person.click(screen.getByRole('button', { name: /^Correct: bush T3/ }));
    await waitFor(() => expect(document.activeElement?.getAttribute('name')).toBe('pivotMm'));
    await person.keyboard('{Escape}');
    await waitFor(() => expect(document.activeElement?.getAttribute('aria-label')).toMatch(/^Correct: bush T3/));
    await person.keyboard('{Enter}');
    await person.clear(screen.getByLabelText('Bore'));
    await person.type(screen.getByLabelText('Bore'), '1.25{Enter}');
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({ method: 'PUT', url: '/api/visits/v1/bushes/b1', body: { boreMm: 1.25 } }),
    );
  });

  it('renews a jewel and never bushes it', async () => {
    show(SurveyScreen, visitOf('fusee'));
    await person.selectOptions(screen.getByLabelText('The hole'), 'jewel');
    for (const [label, value] of [
      ['Pivot', '0.2'],
      ['Long way', '0.28'],
      ['Short way', '0.27'],
    ] as const)
      await person.type(screen.getByLabelText(label), value);
    expect(screen.getByText(/A jewel is not bushed: renew it/)).toBeTruthy();
    expect(screen.queryByRole('radio', { name: 'bush' })).toBeNull();
    await person.click(screen.getByRole('button', { name: /Save, and to the next hole/ }));
    await waitFor(() => expect(sent[0]).toMatchObject({ body: { verdict: 'renew', past: 'jewel' } }));
  });

  it(
    'reads lean in one plate by its own formula, keeps the way, and takes the plate along to the next ' + 'hole',
    async () => {
      show(SurveyScreen, visitOf('fusee'));
      expect(within(screen.getByLabelText('By')).queryByRole('option', { name: 'lean' })).toBeNull();
      await person.selectOptions(screen.getByLabelText('Looked at'), 'one-plate');
      await person.selectOptions(screen.getByLabelText('By'), 'lean');
      for (const [label, value] of [
        ['Pivot', '3.1'],
        ['Plate less sinks', '2'],
        ['Lean, °', '12'],
      ] as const)
        await person.type(screen.getByLabelText(label), value);
      expect(screen.getByText(/Play 0.42 mm, limit 0.30 mm/)).toBeTruthy(); // 2 mm × tan 12° = 0.425
      await person.selectOptions(screen.getByLabelText('Worn towards'), 'down left');
      await person.type(screen.getByLabelText('End shake'), '1.2');
      expect(screen.getByText('too much: 0.1 to 0.8 mm')).toBeTruthy();
      await person.click(screen.getByRole('button', { name: /Save, and to the next hole/ }));
      await waitFor(() =>
        expect(sent[0]!.body).toMatchObject({
          way: 'one-plate',
          size: { kind: 'lean', leanDeg: 12, plateMm: 2 },
          wearDeg: 225,
          endShakeMm: 1.2,
          spins: null,
          past: 'original',
        }),
      );
      await waitFor(() => expect((screen.getByLabelText('Plate less sinks') as HTMLInputElement).value).toBe('2'));
      expect((screen.getByLabelText('Pivot') as HTMLInputElement).value).toBe('');
    },
  );

  it('shows the last survey behind, and what wore since', async () => {
    show(
      SurveyScreen,
      visitOf('fusee', {
        openedAt: '2026-12-01T09:00:00.000Z',
        lastSurvey: {
          at: '2020-12-01T09:00:00.000Z',
          holes: [
            { key: 'T1.front', pivotMm: 3.1, holeLongMm: 3.2, holeShortMm: 3.15, verdict: 'sound', bushed: null },
          ],
        },
      }),
    );
    expect(screen.getByText(/Last time, 1 Dec 2020: pivot 3.10 in 3.20 × 3.15, sound/)).toBeTruthy();
    for (const [label, value] of [
      ['Pivot', '3.1'],
      ['Long way', '3.5'],
      ['Short way', '3.3'],
    ] as const)
      await person.type(screen.getByLabelText(label), value);
    expect(screen.getByText('0.30 mm more play since, 0.050 a year.', { exact: false })).toBeTruthy();
    cleanup();
    show(
      SurveyScreen,
      visitOf('fusee', {
        openedAt: '2026-12-01T09:00:00.000Z',
        lastSurvey: {
          at: '2020-12-01T09:00:00.000Z',
          holes: [
            {
              key: 'T1.front',
              pivotMm: 3.1,
              holeLongMm: 3.9,
              holeShortMm: 3.2,
              verdict: 'bush',
              bushed: { pivotMm: 3.05, boreMm: 3.15 },
            },
          ],
        },
      }),
    );
    expect(screen.getByText(', bushed then to 3.15')).toBeTruthy();
    for (const [label, value] of [
      ['Pivot', '3.05'],
      ['Long way', '3.35'],
      ['Short way', '3.2'],
    ] as const)
      await person.type(screen.getByLabelText(label), value);
    expect(screen.getByText('0.20 mm more play since', { exact: false })).toBeTruthy();
  });

  it('counts front and back', () => {
    const holes = holesOf(familyById('fusee').traits).map((h, i) => surveyed(h.key, i < 3 ? {} : { verdict: 'sound' }));
    show(SurveyScreen, visitOf('fusee', { holes }));
    expect(answer()).toContain('3 to bush: 2 front, 1 back');
  });

  it('offers the bush, its reamer and the way back to the true centre', async () => {
    show(FittingScreen, visitOf('fusee', { holes: [surveyed('T2.back')] }));
    expect(screen.getByText('1.2 × 2.5 × 2 mm')).toBeTruthy();
    expect(screen.getByText(/Ream to 2.485.*0.16 mm back/)).toBeTruthy();
    await person.selectOptions(screen.getByLabelText('Centre found'), 'three-point transfer');
    await person.type(screen.getByLabelText('End shake after'), '0.2');
    await person.click(screen.getByRole('button', { name: 'Fitted' }));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({
        hole: 'T2.back',
        outsideMm: 2.5,
        located: 'three-point transfer',
        endShakeMm: 0.2,
        off: false,
      }),
    );
    await person.click(screen.getByRole('button', { name: 'Went off centre' }));
    await waitFor(() => expect(sent[1]!.body).toMatchObject({ off: true, endShakeMm: null }));
    const pivot = screen.getByLabelText('Finished pivot');
    await person.clear(pivot);
    await person.type(pivot, '1.5');
    expect(screen.getByText('This pivot is larger than the hole was.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Fitted' }) as HTMLButtonElement).disabled).toBe(true);
  });
  it('wants a bush again where the last one went off centre; only the last try of a hole is taken out', async () => {
    const bush = (id: string, off: boolean) => ({
      id,
      hole: 'T2.back',
      pivotMm: 1.2,
      boreMm: 1.25,
      outsideMm: 2.5,
      heightMm: 2,
      note: '',
      located: null,
      off,
      endShakeMm: null,
      spins: null,
      stockId: null,
      ...by,
    });
    show(FittingScreen, visitOf('fusee', { holes: [surveyed('T2.back')], bushes: [bush('1', true)] }));
    expect(answer()).toContain('1 bush still to fit');
    expect(screen.getByText('off centre once: plugged')).toBeTruthy();
    cleanup();
    show(
      FittingScreen,
      visitOf('fusee', { holes: [surveyed('T2.back')], bushes: [bush('1', true), bush('2', false)] }),
    );
    expect(answer()).toContain('The bush is in');
    await person.click(screen.getByRole('button', { name: /Take out: bush/ }));
    await waitFor(() => expect(sent[0]).toMatchObject({ method: 'DELETE', url: '/api/visits/v1/bushes/2' }));
  });
});
