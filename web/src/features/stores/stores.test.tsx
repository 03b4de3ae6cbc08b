// @vitest-environment jsdom
import type { StockItem } from '@eclat/contract';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { FittingScreen } from '../fitting/FittingScreen.tsx';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { StoresScreen } from './StoresScreen.tsx';

const person = userEvent.setup();
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const [I1, I2] = ['6c1f9b6e-0d6a-4a59-9a6c-0a6f3b0c0001', '6c1f9b6e-0d6a-4a59-9a6c-0a6f3b0c0002'];
const item = (change: Partial<StockItem>): StockItem => ({
  id: I1,
  version: 1,
  kept: true,
  movementId: null,
  movementCode: null,
  kind: 'suspension',
  name: 'Strip',
  sizes: { strength_mm: 0.1, width_mm: 6 },
  minimum: 3,
  price: '4.20',
  supplier: '',
  supplierNo: '',
  shelf: 'drawer 9',
  batch: '',
  note: '',
  onHand: 2,
  orders: [],
  ...change,
});
const bush = item({
  id: 'b1',
  kind: 'bush',
  name: 'Brass bush',
  sizes: { bore_mm: 1.2, outside_mm: 2.5, height_mm: 2 },
  minimum: 0,
  onHand: 5,
});

describe('the stores', () => {
  it('say first what is short, and what is on its way counts', async () => {
    standIn({
      '/api/stores': [
        item({}),
        item({
          id: I2,
          name: 'Coming',
          orders: [
            {
              id: 'o',
              quantity: 5,
              expectedOn: null,
              visitId: null,
              claim: null,
              orderedAt: '2031-05-02T09:00:00.000Z',
              by: 'Ines',
            },
          ],
        }),
        bush,
      ],
    });
    show(StoresScreen, visitOf('fusee'));
    await screen.findByText('1 to order');
    await person.click(screen.getByRole('button', { name: 'to order, 1' }));
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
    await person.click(screen.getByRole('button', { name: 'to order, 1' }));
    await person.type(screen.getByLabelText('Search the stores'), '1,2 x 2.5');
    expect(screen.getAllByRole('listitem').map((li) => within(li).getByText('1.2 × 2.5 × 2 mm'))).toHaveLength(1);
  });
  it('take no table in while a row of it is bad', async () => {
    standIn({
      '/api/stores-table/preview': {
        rows: [],
        problems: [{ line: 3, column: 'price', message: 'A price such as 12.50.' }],
      },
      '/api/stores': [bush],
    });
    show(StoresScreen, visitOf('fusee'));
    await person.click(await screen.findByRole('button', { name: 'Import a CSV' }));
    await person.click(await screen.findByText('Or type or paste it'));
    await person.type(screen.getByLabelText('The table'), 'kind');
    await screen.findByText('line 3');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take it in' }).disabled).toBe(true);
  });
});

describe('what is fitted', () => {
  it('comes off its shelf: a bush of the shop’s own, and a part by its row', async () => {
    const hole = {
      key: 'T2.front',
      version: 1,
      pivotMm: 1.3,
      holeLongMm: 1.5,
      holeShortMm: 1.4,
      size: { kind: 'measured' as const, holeLongMm: 1.5, holeShortMm: 1.25 },
      way: 'one-wheel' as const,
      wearDeg: null,
      endShakeMm: null,
      spins: null,
      past: 'original' as const,
      verdict: 'bush' as const,
      computed: 'bush' as const,
      note: '',
      by: 'Ines',
      at: '2031-05-02T09:00:00.000Z',
    };
    standIn({ '/api/stores': [item({}), bush] });
    show(FittingScreen, visitOf('fusee', { holes: [hole] }));
    await screen.findByText('drawer 9, 5 there');
    await person.click(screen.getByRole('button', { name: 'Fitted' }));
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({ url: '/api/visits/v1/bushes', body: { stockId: 'b1', outsideMm: 2.5 } }),
    );
    await person.selectOptions(screen.getByLabelText('Where it came from'), 'from stock');
    await person.selectOptions(screen.getByLabelText('Which one of the stores'), I1);
    await person.click(screen.getByRole('button', { name: 'Enter the part' }));
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({
        url: '/api/visits/v1/parts',
        body: { what: 'Strip', stockId: I1, cost: '4.20', sizes: { strength_mm: 0.1, width_mm: 6 } },
      }),
    );
  });
  it('is not entered without its donor, nor without dimensions when it was made here', async () => {
    standIn();
    show(FittingScreen, visitOf('fusee'));
    await person.type(screen.getByLabelText('What was fitted'), 'Click');
    await person.selectOptions(screen.getByLabelText('Where it came from'), 'donor movement');
    await person.click(screen.getByRole('button', { name: 'Enter the part' }));
    await screen.findByText('Which movement gave it?');
    await person.selectOptions(screen.getByLabelText('Where it came from'), 'made here');
    await person.click(screen.getByRole('button', { name: 'Enter the part' }));
    await screen.findByText(/carries its dimensions/);
    expect(sent).toEqual([]);
  });
});
