// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Microphone, OpenMicrophone, Piece } from '../../devices/microphone.ts';
import type { ToWorker } from './listen.worker.ts';
import { useLogs } from './logs.ts';
import { know, lastSound, listen, stopListening, useCards, useListening } from './listening.ts';

/** Stands for the worker: keeps what it was told, and answers when it is asked to. */
class StandIn {
  static made: StandIn[] = [];
  told: ToWorker[] = [];
  ended = false;
  onmessage: ((e: { data: unknown }) => void) | null = null;
  constructor() {
    StandIn.made.push(this);
  }
  postMessage(m: ToWorker) {
    this.told.push(m);
  }
  terminate() {
    this.ended = true;
  }
  answer(data: unknown) {
    this.onmessage?.({ data });
  }
  get says() {
    return this.told.map((m) => m.say);
  }
}

let give: (piece: Piece) => void = () => {};
let taken: (why: string) => void = () => {};
const closed = vi.fn();
const opens: OpenMicrophone = (onPiece, onEnd) => {
  give = onPiece;
  taken = onEnd;
  return Promise.resolve<Microphone>({ name: 'Bench microphone', sampleRate: 48_000, meddles: [], close: closed });
};
const piece = (first: number, count = 480): Piece => ({ first, samples: new Float32Array(count) });
const worker = () => StandIn.made.at(-1)!;

beforeEach(() => {
  StandIn.made = [];
  closed.mockClear();
  vi.stubGlobal('Worker', StandIn);
  localStorage.clear();
  useCards.setState({ cards: {} });
});
afterEach(() => {
  stopListening();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('listening', () => {
  it('hands on what the microphone gives, and shows what the worker says', async () => {
    await listen('microphone', 'v1', opens, { beats: 7200 });
    expect(worker().told[0]).toEqual({ say: 'begin', sampleRate: 48_000, known: { beats: 7200 } });
    give(piece(0));
    give(piece(480));
    expect(worker().says).toEqual(['begin', 'piece', 'piece']);
    worker().answer({ live: { state: 'heard', seconds: 1 } });
    expect(useListening.getState()).toMatchObject({
      visitId: 'v1',
      live: { state: 'heard' },
      microphone: { name: 'Bench microphone' },
    });
  });

  it('says how much sound was lost', async () => {
    await listen('simulated', null, opens, {});
    give(piece(0));
    give(piece(48_480));
    expect(worker().told.filter((m) => m.say === 'skip')).toEqual([{ say: 'skip', samples: 48_000 }]);
  });

  it('goes on under what is known anew, with what was measured of this card', async () => {
    useCards.setState({
      cards: {
        'Bench microphone': { ppmFast: 40, error: 3, minutes: 60 },
        Other: { ppmFast: -9, error: 1, minutes: 60 },
      },
    });
    await listen('microphone', null, opens, {});
    know({ liftDeg: 52 });
    expect(worker().told.at(-1)).toEqual({ say: 'know', known: { liftDeg: 52, card: { ppmFast: 40, error: 3 } } });
  });

  it('does not believe a card that is hardly measured', async () => {
    useCards.setState({ cards: { 'Bench microphone': { ppmFast: 40, error: 90, minutes: 2 } } });
    await listen('microphone', null, opens, {});
    expect(worker().told[0]).toMatchObject({ known: {} });
    expect((worker().told[0] as { known: object }).known).not.toHaveProperty('card');
  });

  it('gives the last sound when it is to be kept, and nothing when nothing is listened to', async () => {
    expect(lastSound(60)).toBeNull();
    await listen('microphone', null, opens, {});
    const kept = lastSound(60)!;
    expect(worker().told.at(-1)).toEqual({ say: 'keep', seconds: 60 });
    const wav = new ArrayBuffer(44);
    worker().answer({ wav, seconds: 12 });
    expect(await kept).toEqual({ wav, seconds: 12 });
  });

  it('ends with the microphone, and says why; a new one ends the old', async () => {
    await listen('microphone', null, opens, {});
    const first = worker();
    await listen('microphone', null, opens, {});
    expect(first.ended).toBe(true);
    expect(closed).toHaveBeenCalledTimes(1);
    taken('The microphone was taken away.');
    expect(worker().ended).toBe(true);
    expect(useListening.getState()).toMatchObject({ microphone: null, ended: 'The microphone was taken away.' });
  });

  it('keeps its log on the device as it grows, so that a page that is closed costs a minute of it', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: Date.UTC(2031, 4, 2, 21) });
    useLogs.setState({ logs: [] });
    await listen('microphone', 'v1', opens, {});
    const hour = { fromS: 0, toS: 3600, report: null };
    const minute = {
      report: null,
      history: [],
      hours: [hour],
      part: { ...hour, fromS: 3600, toS: 4000 },
      events: [{ atS: 900, kind: 'missed', says: '2 beats were not heard' }],
      strikes: [],
      blowsNow: 0,
    };
    worker().answer({ minute });
    expect(useLogs.getState().logs).toEqual([]); // not each second
    vi.setSystemTime(Date.now() + 4_000_000);
    worker().answer({ minute });
    const kept = JSON.parse(localStorage.getItem('eclat-logs')!) as { state: { logs: object[] } };
    expect(kept.state.logs).toMatchObject([
      {
        visitId: 'v1',
        microphone: 'Bench microphone',
        stopped: false,
        hours: [hour, { fromS: 3600, toS: 4000 }],
        events: [{ kind: 'missed' }],
      },
    ]);
    stopListening();
    expect(useLogs.getState().logs).toMatchObject([{ stopped: true }]);
  });

  it('leaves nothing behind when it does not open', async () => {
    const refused: OpenMicrophone = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
    await expect(listen('microphone', null, refused, {})).rejects.toThrow('no');
    expect(worker().ended).toBe(true);
    expect(useListening.getState()).toMatchObject({ microphone: null, opening: false });
  });
});
