// @vitest-environment jsdom
import type { Visit } from '@eclat/contract';
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { StrikeModelScreen } from './StrikeModelScreen.tsx';
import { StrikeScreen } from './StrikeScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

vi.mock('../test-run/RateChart.tsx', () => ({ default: () => null }));

const person = userEvent.setup();

const button = (name: string | RegExp) => screen.getByRole('button', { name });

const noVisit = undefined as unknown as Visit;

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('strike and chime', () => {
  const struck = (f: (h: number) => number) =>
    Array.from({ length: 12 }, (_, i) => ({ mark: `h${i + 1}`, heard: f(i + 1), ...by }));

  it('asks for one hour after another', async () => {
    show(StrikeScreen, visitOf('mantel-barrels', { struck: struck((h) => h).slice(0, 2) }));
    expect(screen.getByRole('heading', { name: 'Heard at 3 o’clock' })).toBeTruthy();
    await person.click(button('3'));
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/struck/h3', body: { heard: 3 } }));
    expect(screen.getByRole('heading', { name: 'Heard at 4 o’clock' })).toBeTruthy();
  });

  it('can be gone back to at any place, and more than twelve is typed', async () => {
    show(StrikeScreen, visitOf('mantel-barrels', { struck: struck((h) => h) }));
    expect(answer()).toContain('Right in all twelve hours');
    await person.click(button('7 o’clock: 7 heard'));
    await person.type(screen.getByLabelText(/^Or typed/), '61');
    expect(screen.getByText('0 to 60.')).toBeTruthy();
    await person.clear(screen.getByLabelText(/^Or typed/));
    await person.type(screen.getByLabelText(/^Or typed/), '19{Enter}');
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/struck/h7', body: { heard: 19 } }));
  });

  it('becomes a symptom with one press', async () => {
    show(StrikeScreen, visitOf('mantel-barrels', { struck: struck((h) => (h % 12) + 1) }));
    await person.click(button(/^Note as a symptom/));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v1/observations/wrong-constant', body: { state: 'present' } }),
    );
  });

  it('asks whether each quarter begins as it should, once their numbers are right', async () => {
    const quarters = [1, 2, 3, 4].map((q) => ({ mark: `q${q}`, heard: q, ...by }));
    const before = { endedAt: '2031-05-02T09:00:00.000Z', struck: struck((h) => (h % 12) + 1) };
    show(
      StrikeScreen,
      visitOf('quarter-chime', { struck: [...struck((h) => h), ...quarters], struckBefore: [before] }),
    );
    expect(screen.getByText(/^Always 1 too many: the hour hand/)).toBeTruthy(); // before the cure
    await person.click(button('Wrong phrases, or it begins in the middle'));
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/struck/f1', body: { heard: 0 } }));
  });

  it('is not asked of what does not strike', () => {
    show(StrikeScreen, visitOf('torsion'));
    expect(answer()).toContain('does not strike');
  });
});

describe('the model of striking', () => {
  const steps = async (n: number) => {
    for (let i = 0; i < n; i++) await person.click(button('Step'));
  };
  beforeEach(() => {
    const node = () => ({
      connect: (to: unknown) => to,
      frequency: {},
      gain: { setValueAtTime() {}, exponentialRampToValueAtTime() {} },
      start() {},
      stop() {},
    });
    vi.stubGlobal(
      'AudioContext',
      class {
        currentTime = 0;
        createOscillator = node;
        createGain = node;
        destination = {};
        close() {}
      },
    );
  });

  it('lifts, warns, lets go, sounds and locks', async () => {
    show(StrikeModelScreen, noVisit);
    await steps(1);
    expect(answer()).toContain('the rack falls by 1 tooth');
    await steps(1);
    expect(answer()).toContain('half a turn');
    await steps(2);
    expect(answer()).toContain('Blow 1, the last');
    expect(screen.getByText('1 o’clock: 1')).toBeTruthy();
  });

  it('shows what a fault does, and marks who finds it', async () => {
    show(StrikeModelScreen, noVisit);
    await person.click(button(/oil on the rack/));
    await steps(1);
    expect(answer()).toContain('hardly moves');
    vi.spyOn(Math, 'random').mockReturnValue(0.99); // the last of the list
    await person.click(button(/An exercise/));
    await person.click(button('warning run too short'));
    expect(answer()).toContain('Right: warning run too short');
    expect(screen.getByText(/1 of 1 found/)).toBeTruthy();
    vi.restoreAllMocks();
  });
});
