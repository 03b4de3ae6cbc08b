import {
  BlowCounter,
  Listener,
  SoundRing,
  writeWav,
  type Known,
  type Live,
  type LoggedEvent,
  type LoggedHour,
  type Moment,
  type SoundReport,
  type Strike,
} from '@eclat/core/sound';

/** Listens away from the thread that draws. Pieces in; how it stands out, at each beat and every so often. */
export type ToWorker =
  | { say: 'begin'; sampleRate: number; known: Known }
  | { say: 'piece'; samples: Float32Array }
  | { say: 'skip'; samples: number }
  | { say: 'know'; known: Known }
  | { say: 'keep'; seconds: number };
export interface Minute {
  report: SoundReport | null;
  history: Moment[];
  hours: LoggedHour[];
  /** The hour that is going on, of a minute ago at most. */ part: LoggedHour | null;
  events: LoggedEvent[];
  strikes: Strike[];
  blowsNow: number;
}
export type FromWorker = { live: Live } | { minute: Minute } | { wav: ArrayBuffer; seconds: number };

const KEPT_S = 60,
  EVERY_S = 0.1,
  REPORT_S = 1,
  PART_S = 60;
let listener: Listener,
  blows: BlowCounter,
  ring: SoundRing,
  sampleRate = 48_000;
let count = 0,
  toldAt = 0,
  toldBeats = 0,
  reportedAt = 0,
  partAt = 0;
let part: LoggedHour | null = null;
const tell = (message: FromWorker, transfer: Transferable[] = []) =>
  (self as unknown as Worker).postMessage(message, transfer);

self.onmessage = ({ data }: MessageEvent<ToWorker>) => {
  switch (data.say) {
    case 'begin':
      sampleRate = data.sampleRate;
      listener = new Listener(sampleRate, data.known);
      blows = new BlowCounter(sampleRate);
      ring = new SoundRing(KEPT_S * sampleRate);
      return;
    case 'know':
      return listener.know(data.known);
    case 'skip':
      return listener.skip(data.samples);
    case 'keep': {
      const samples = Math.min(count, Math.floor(data.seconds * sampleRate), KEPT_S * sampleRate);
      const wav = writeWav(ring.give(count - samples, samples) ?? new Float32Array(0), sampleRate);
      return tell({ wav: wav.buffer, seconds: samples / sampleRate }, [wav.buffer]);
    }
    case 'piece': {
      listener.push(data.samples);
      blows.push(data.samples);
      ring.push(data.samples);
      count += data.samples.length;
      const seconds = count / sampleRate;
      const live = listener.live();
      if (live.beats !== toldBeats || seconds - toldAt >= EVERY_S) {
        toldBeats = live.beats;
        toldAt = seconds;
        tell({ live });
      }
      if (seconds - reportedAt >= REPORT_S) {
        reportedAt = seconds;
        if (seconds - partAt >= PART_S) {
          partAt = seconds;
          part = listener.part();
        }
        // it is among the hours now
        if (part && listener.hours.at(-1) && listener.hours.at(-1)!.toS >= part.toS) part = null;
        tell({
          minute: {
            report: listener.report(),
            history: listener.history,
            hours: listener.hours,
            part,
            events: listener.events,
            strikes: blows.strikes,
            blowsNow: blows.now,
          },
        });
      }
    }
  }
};
