import { CardClock, type CardRate, type Known, type Live } from '@eclat/core/sound';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Microphone, OpenMicrophone } from '../../devices/microphone.ts';
import type { FromWorker, Minute, ToWorker } from './listen.worker.ts';
import { keepLog } from './logs.ts';

export type SourceId = 'microphone' | 'simulated';
const NOTHING: Minute = { report: null, history: [], hours: [], part: null, events: [], strikes: [], blowsNow: 0 };

interface Listening {
  source: SourceId;
  /** Null while nothing is listened to. */
  microphone: Pick<Microphone, 'name' | 'sampleRate' | 'meddles'> | null;
  beganAt: number | null;
  /** The visit that it is listened to for; the log belongs to it. */
  visitId: string | null;
  opening: boolean;
  ended: string;
  live: Live | null;
  minute: Minute;
  card: CardRate | null;
}
export const useListening = create<Listening>(() => ({
  source: 'microphone',
  microphone: null,
  beganAt: null,
  visitId: null,
  opening: false,
  ended: '',
  live: null,
  minute: NOTHING,
  card: null,
}));
const set = useListening.setState;

/** What was measured of each microphone's own clock is kept on this device: the next listening begins with it. */
export const useCards = create<{ cards: Record<string, CardRate> }>()(
  persist(() => ({ cards: {} }), { name: 'eclat-cards' }),
);
/** Surer than this it is believed, and reckoned in. */
const SURE_PPM = 25;

let open: { microphone: Microphone; worker: Worker } | null = null;
let known: Known = {};
let waiting: ((kept: { wav: ArrayBuffer; seconds: number }) => void) | null = null;
/**
 * Sound of a page in a background is sometimes held up: so that the page is not put to sleep, as far as a browser
 * allows.
 */
let awake: { release: () => Promise<void> } | null = null;

const withCard = (name: string): Known => {
  const card = useCards.getState().cards[name];
  return card && card.error < SURE_PPM ? { ...known, card: { ppmFast: card.ppmFast, error: card.error } } : known;
};

/** One listening goes on whatever screen is open, until it is stopped. @throws when the microphone does not open */
export async function listen(
  source: SourceId,
  visitId: string | null,
  opens: OpenMicrophone,
  given: Known,
): Promise<void> {
  stopListening();
  known = given;
  set({ source, visitId, opening: true, ended: '', live: null, minute: NOTHING, card: null });
  const worker = new Worker(new URL('./listen.worker.ts', import.meta.url), { type: 'module' });
  const say = (message: ToWorker, transfer: Transferable[] = []) => worker.postMessage(message, transfer);
  worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
    if ('live' in data) set({ live: data.live });
    else if ('minute' in data) {
      set({ minute: data.minute });
      if (Date.now() - keptAt > KEEP_MS) keep(false);
    } else {
      waiting?.(data);
      waiting = null;
    }
  };
  let clock: CardClock | null = null;
  let next: number | null = null,
    measuredAt = 0;
  const early: { samples: Float32Array }[] = [];
  let begun = false;
  try {
    const microphone = await opens(
      ({ first, samples }) => {
        if (!begun) {
          early.push({ samples });
          return;
        }
        const lost = next === null ? 0 : first - next;
        next = first + samples.length;
        if (lost > 0) say({ say: 'skip', samples: lost });
        const now = Date.now();
        const asleep = source === 'microphone' ? (clock?.take(next, now) ?? 0) : 0;
        if (asleep > 0) say({ say: 'skip', samples: asleep });
        say({ say: 'piece', samples }, [samples.buffer]);
        if (now - measuredAt > 30_000) {
          measuredAt = now;
          measured(clock);
        }
      },
      (why) => {
        stopListening();
        set({ ended: why });
      },
    );
    clock = new CardClock(microphone.sampleRate);
    say({ say: 'begin', sampleRate: microphone.sampleRate, known: withCard(microphone.name) });
    begun = true;
    for (const { samples } of early) say({ say: 'piece', samples }, [samples.buffer]);
    open = { microphone, worker };
    keptAt = Date.now();
    set({
      microphone: { name: microphone.name, sampleRate: microphone.sampleRate, meddles: microphone.meddles },
      beganAt: Date.now(),
    });
    awake =
      (await (
        navigator as { wakeLock?: { request: (what: 'screen') => Promise<{ release: () => Promise<void> }> } }
      ).wakeLock
        ?.request('screen')
        .catch(() => null)) ?? null;
  } catch (error) {
    worker.terminate();
    throw error;
  } finally {
    set({ opening: false });
  }
}

/**
 * The log is kept on this device as it grows: a page that is closed, or a device that goes off, costs a minute of it.
 */
const KEEP_MS = 60_000;
let keptAt = 0;
function keep(stopped: boolean): void {
  keptAt = Date.now();
  const {
    minute: { hours, part, events, strikes },
    beganAt,
    visitId,
    source,
  } = useListening.getState();
  if (!open || beganAt === null || source === 'simulated') return;
  keepLog({
    beganAt,
    savedAt: keptAt,
    visitId,
    microphone: open.microphone.name,
    stopped,
    hours: part ? [...hours, part] : hours,
    events,
    strikes,
  });
}

function measured(clock: CardClock | null): void {
  const card = clock?.rate() ?? null;
  if (!card || !open) return;
  set({ card });
  const { name } = open.microphone;
  const before = useCards.getState().cards[name];
  if (before && before.error < card.error) return;
  useCards.setState(({ cards }) => ({ cards: { ...cards, [name]: card } }));
  tellKnown();
}

const tellKnown = () =>
  open?.worker.postMessage({ say: 'know', known: withCard(open.microphone.name) } satisfies ToWorker);
/** What it is held against is known anew. */
export function know(given: Known): void {
  known = given;
  tellKnown();
}

export function stopListening(): void {
  if (!open) return;
  keep(true);
  open.microphone.close();
  open.worker.terminate();
  open = null;
  void awake?.release();
  awake = null;
  set({ microphone: null, live: null });
}

/** The last so many seconds as a WAV file; null when nothing is listened to. */
export function lastSound(seconds: number): Promise<{ wav: ArrayBuffer; seconds: number }> | null {
  if (!open) return null;
  const { worker } = open;
  return new Promise((resolve) => {
    waiting = resolve;
    worker.postMessage({ say: 'keep', seconds } satisfies ToWorker);
  });
}
