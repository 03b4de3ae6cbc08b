// @vitest-environment jsdom
import type { ElectricEntry, ElectricTest } from '@eclat/contract';
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AMPS, VOLTS } from '../../devices/typing.ts';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { ElectricScreen } from './ElectricScreen.tsx';
import { numberOf } from './NumberField.tsx';

const person = userEvent.setup();
beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const entry = (test: ElectricTest, id = 'e1'): ElectricEntry => ({
  id,
  test,
  by: 'Ines',
  at: '2031-05-02T09:00:00.000Z',
});
const step = (volts: number, did: 'moves' | 'advances') =>
  entry({ kind: 'step', volts, milliamps: null, did, supplyV: 24 }, `s${volts}`);

describe('the electric bench', () => {
  it('takes what a meter types, Enter after Enter, and one press for what happened', async () => {
    show(ElectricScreen, visitOf('electric-master', { electric: [step(9, 'moves')] }));
    expect(screen.getByLabelText<HTMLInputElement>('Supply, volts').value).toBe('24');
    await person.type(screen.getByLabelText('Volts'), `${VOLTS.reads(17)}{Enter}`);
    await person.keyboard(`${AMPS.reads(154.2)}{Enter}`);
    await person.click(screen.getByRole('button', { name: 'advances' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/electric',
        body: { test: { kind: 'step', volts: 17, milliamps: 154, did: 'advances', supplyV: 24 } },
      }),
    );
  });
  it('says first from where it steps, or what is wrong with the coil', () => {
    show(
      ElectricScreen,
      visitOf('electric-master', { electric: [step(9, 'moves'), step(17, 'advances'), step(24, 'advances')] }),
    );
    expect(answer()).toContain('It steps from 17 V');
    cleanup();
    show(
      ElectricScreen,
      visitOf('electric-master', {
        electric: [
          step(24, 'advances'),
          entry({ kind: 'coil', what: 'Rewind coil', ohms: null, expectedOhms: 110, atC: null }),
        ],
      }),
    );
    expect(answer()).toContain('open');
  });
  it.each([
    ['12,5', 12.5],
    ['109 Ω', 109],
    ['17.0 V', 17],
    ['-3', null],
    ['', null],
    ['9e9', null],
    ['500', null],
  ])('reads %j as %j', (typed, n) => expect(numberOf(typed, 400)).toBe(n));
});
