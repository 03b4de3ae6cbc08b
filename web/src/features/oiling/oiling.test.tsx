// @vitest-environment jsdom
import { oilChart } from '@eclat/core/oiling';
import { familyById } from '@eclat/core/movement';
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { OilingScreen } from './OilingScreen.tsx';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

vi.mock('../test-run/RateChart.tsx', () => ({ default: () => null }));

const person = userEvent.setup();

const button = (name: string | RegExp) => screen.getByRole('button', { name });

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('oil', () => {
  const chart = oilChart(familyById('mantel-barrels').traits);
  const item = {
    id: '6e1f7a52-0000-4000-8000-000000000001',
    kind: 'product',
    name: 'Clock oil, pivots',
    batch: '22-07',
    note: '',
    kept: true,
  };

  it('comes out of the stores with its batch', async () => {
    standIn({ '/api/stores': [item] });
    show(OilingScreen, visitOf('mantel-barrels'));
    await screen.findAllByRole('option', { name: 'Clock oil, pivots' });
    await person.selectOptions(screen.getByLabelText('Clock oil'), item.id);
    const pipes = chart.find((p) => p.id === 'pipes')!;
    await person.click(screen.getByRole('checkbox', { name: new RegExp(pipes.where) }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/oil/pipes',
        body: { product: 'Clock oil, pivots', batch: '22-07', stockId: item.id, differs: '' },
      }),
    );
    await person.click(screen.getByRole('checkbox', { name: /Wheel teeth/ }));
    await waitFor(() => expect(sent[1]!.body).toMatchObject({ product: '', batch: '' })); // dry
  });

  it('is not said of what stays dry, and otherwise only with a reason', async () => {
    show(OilingScreen, visitOf('mantel-barrels'));
    await person.click(button('Not as the chart says: Rack, snail and lifting pieces'));
    const keep = button('Save and tick it') as HTMLButtonElement;
    expect(keep.disabled).toBe(true);
    await person.type(screen.getByLabelText('What, and why'), 'a trace: it squealed');
    await person.click(keep);
    await waitFor(() =>
      expect(sent[0]!.body).toEqual({
        ...{ product: '', batch: '', stockId: null },
        ...{ dry: false, differs: 'a trace: it squealed' },
      }),
    );
  });

  it('says that a point was left dry, with why, and keeps no product on it', async () => {
    const oil = { product: 'Clock oil', batch: '22-07', stockId: null, dry: false, differs: '' };
    show(OilingScreen, visitOf('mantel-barrels', { oiled: [{ point: 'escape', ...oil, ...by }] }));
    await person.click(screen.getByRole('button', { name: /^Not as the chart says: Escape wheel pivots/ }));
    await person.click(screen.getByRole('radio', { name: 'left dry' }));
    await person.type(screen.getByLabelText('Why it stays dry'), 'jewelled, no reach{Enter}');
    await waitFor(() =>
      expect(sent[0]!.body).toEqual({
        ...{ product: '', batch: '', stockId: null },
        ...{ dry: true, differs: 'jewelled, no reach' },
      }),
    );
  });

  it('is shown on both plates, each hole with its point', async () => {
    show(
      OilingScreen,
      visitOf('mantel-barrels', {
        oiled: [{ point: 'escape', product: '', batch: '', stockId: null, dry: false, differs: '', ...by }],
      }),
    );
    const holes = screen.getAllByRole('button', { name: /escape wheel, (front|back): fine oil, ticked/ });
    expect(holes).toHaveLength(2);
    await person.click(holes[0]!);
    expect(screen.getByText(/Escape wheel pivots:/)).toBeTruthy();
  });
});
