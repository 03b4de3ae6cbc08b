// @vitest-environment jsdom
import { writeWav } from '@eclat/core/sound';
import type { Visit } from '@eclat/contract';
import type { SoundReport } from '@eclat/core/sound';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';
import { Readings } from '../test-run/Readings.tsx';
import { ListenScreen } from './ListenScreen.tsx';
import { stopListening, useListening } from './listening.ts';
import { useWishes } from './wishes.ts';

vi.mock('../../ui/LineChart.tsx', () => ({ LineChart: ({ says }: { says: string }) => <p>{says}</p> }));

const REPORT: SoundReport = {
  beatsPerHour: 7200,
  measuredBeats: 7201.7,
  rateSecondsPerDay: 20.4,
  rateStandardError: 0.3,
  rateHalfWidth: 0.6,
  beatErrorMs: 14,
  beatErrorStandardError: 0.02,
  beatErrorShare: 0.028,
  shortSide: 'tock to tick',
  amplitudeDegrees: null,
  amplitudeScatter: null,
  amplitudeByTooth: null,
  scatterMs: 0.1,
  wanderMs: 0,
  wheel: null,
  beats: 120,
  missing: 2,
  extra: 1,
  seconds: 60,
  stoppedS: null,
  warnings: [],
};
const MINUTE = { report: REPORT, history: [], hours: [], part: null, events: [], strikes: [], blowsNow: 0 };
const LIVE = {
  state: 'heard' as const,
  seconds: 60,
  levelDb: -30,
  beats: 120,
  lastS: 59.8,
  sides: { tickToTockMs: 514, tockToTickMs: 486 },
  rough: false,
};
const on = {
  microphone: { name: 'Bench microphone', sampleRate: 48_000, meddles: [] },
  beganAt: Date.UTC(2031, 4, 2, 9),
};
const noVisit = undefined as unknown as Visit;
const person = userEvent.setup();

class Worker {
  static file: Worker | null = null;
  onmessage: ((e: { data: unknown }) => void) | null = null;
  told: unknown[] = [];
  constructor() {
    Worker.file = this;
  }
  postMessage(m: unknown) {
    this.told.push(m);
  }
  terminate() {}
}

beforeEach(() => {
  standIn();
  vi.stubGlobal('Worker', Worker);
  useListening.setState({
    microphone: null,
    beganAt: null,
    live: null,
    minute: { ...MINUTE, report: null },
    ended: '',
    opening: false,
    card: null,
  });
  useWishes.setState({ source: 'microphone', tickSide: null, tone: false, beats: '', lift: '', teeth: '' });
});
afterEach(() => {
  stopListening();
  cleanup();
  vi.unstubAllGlobals();
});

describe('listening to a clock', () => {
  it('says what to do while nothing is listened to', () => {
    show(ListenScreen, noVisit);
    expect(screen.getByRole('img', { name: 'Not listening' })).toBeTruthy();
    expect(screen.getByText(/stays on this device/)).toBeTruthy();
  });

  it('says why there is no microphone, and what else can be done', async () => {
    show(ListenScreen, noVisit);
    await person.click(screen.getByRole('button', { name: 'Listen' }));
    expect(await screen.findByText(/only to pages on HTTPS|There is no microphone/)).toBeTruthy();
    expect(screen.getByText(/sound file or the simulated clock/i)).toBeTruthy();
  });

  it('shows the short side in words, and as figures', () => {
    show(ListenScreen, noVisit);
    act(() => useListening.setState({ ...on, live: LIVE, minute: MINUTE }));
    expect(screen.getByRole('img', { name: 'Tock to tick short, 14 ms' })).toBeTruthy();
    expect(screen.getByText('+20 s/day')).toBeTruthy();
    expect(screen.getByText(/2 missing, 1 extra/)).toBeTruthy();
    act(() => useListening.setState({ live: { ...LIVE, sides: { tickToTockMs: 500.4, tockToTickMs: 499.6 } } }));
    expect(screen.getByRole('img', { name: 'In beat' })).toBeTruthy();
  });

  it('names the sides when it is told where the louder sound falls', async () => {
    show(ListenScreen, noVisit);
    act(() => useListening.setState({ ...on, live: LIVE, minute: MINUTE }));
    await person.click(screen.getByRole('radio', { name: 'right' }));
    expect(screen.getByRole('img', { name: 'Left side short, 14 ms' })).toBeTruthy();
    await person.click(screen.getByRole('radio', { name: 'left' }));
    expect(screen.getByRole('img', { name: 'Right side short, 14 ms' })).toBeTruthy();
  });

  it('is frank about what it does not hear, and about a browser that meddles', () => {
    show(ListenScreen, noVisit);
    act(() =>
      useListening.setState({
        ...on,
        microphone: { ...on.microphone, meddles: ['suppresses noise'] },
        live: { ...LIVE, state: 'lost' },
        minute: {
          ...MINUTE,
          report: { ...REPORT, warnings: ['Another clock is heard, at about 9000 beats an hour.'] },
        },
      }),
    );
    expect(screen.getByText(/It stopped, or something covers it/)).toBeTruthy();
    expect(screen.getByText('The browser suppresses noise')).toBeTruthy();
    expect(screen.getByText(/Another clock is heard/)).toBeTruthy();
  });

  it('keeps the log of a long listening', () => {
    show(ListenScreen, noVisit);
    act(() =>
      useListening.setState({
        ...on,
        live: LIVE,
        minute: {
          ...MINUTE,
          hours: [{ fromS: 0, toS: 3600, report: REPORT }],
          events: [{ atS: 4000, kind: 'stopped', says: 'after 7900 beats' }],
          strikes: [{ fromS: 3599, blows: 10, everyS: 1.31, unevenS: 0.04 }],
        },
      }),
    );
    const rows = screen.getAllByRole('listitem').map((li) => li.textContent);
    expect(rows).toHaveLength(3);
    expect(rows[0]).toContain('Stopped');
    expect(rows[1]).toContain('10 blows');
    expect(rows[1]).toContain('one every 1.31 s');
    expect(rows[2]).toContain('+20.4 ± 0.6 s/day, 2 missing');
  });

  it('tells at its field what cannot be, and listens with the rest', async () => {
    show(ListenScreen, noVisit);
    await person.type(screen.getByLabelText('Beats an hour'), '12');
    expect(screen.getByText('From 300 to 40,000.')).toBeTruthy();
    await person.clear(screen.getByLabelText('Beats an hour'));
    await person.type(screen.getByLabelText('Lift angle, degrees'), '52');
    expect(screen.queryByText('From 20 to 90 degrees.')).toBeNull();
  });
});

describe('a WAV file', () => {
  const choose = async (name = 'bench.wav') => {
    Worker.file = null;
    useWishes.setState({ source: 'file' });
    show(ListenScreen, visitOf('mantel-barrels'));
    const file = new File([writeWav(new Float32Array(9), 8000)], name, { type: 'audio/wav' });
    fireEvent.change(screen.getByLabelText('Choose a file'), { target: { files: [file] } });
    await waitFor(() => expect(Worker.file?.told).toHaveLength(1));
    return file;
  };

  it('is heard here, and kept with the visit when that is wanted', async () => {
    const file = await choose();
    expect(Worker.file!.told[0]).toMatchObject({ file });
    expect(screen.getByText(/Listening to it/)).toBeTruthy();
    act(() => Worker.file!.onmessage!({ data: { report: REPORT } }));
    expect(screen.getByRole('img', { name: 'Tock to tick short, 14 ms' })).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /^Save with/ }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/heard',
        body: { from: 'file', beatsPerHour: 7200, shortSide: 'tock to tick', recordingId: null, stage: 'assemble' },
      }),
    );
  });

  it('that cannot be heard says why', async () => {
    await choose();
    act(() => Worker.file!.onmessage!({ data: { wrong: 'This file is silent.' } }));
    expect(screen.getByText('This file is silent.')).toBeTruthy();
    expect(screen.getByText('bench.wav', { selector: 'p' })).toBeTruthy();
  });
});

describe('a sound that is no WAV', () => {
  const chooses = (decoded: () => Promise<unknown>) => {
    vi.stubGlobal(
      'OfflineAudioContext',
      class {
        decodeAudioData = decoded;
      },
    );
    useWishes.setState({ source: 'file' });
    Worker.file = null;
    show(ListenScreen, visitOf('mantel-barrels'));
    const file = new File(['ID3 and so on'], 'phone.mp3', { type: 'audio/mpeg' });
    fireEvent.change(screen.getByLabelText('Choose a file'), { target: { files: [file] } });
  };
  it('is read by the browser where it can, with all its channels', async () => {
    const channels = [new Float32Array(50), new Float32Array(50).fill(0.5)];
    chooses(() =>
      Promise.resolve({ numberOfChannels: 2, sampleRate: 48_000, getChannelData: (c: number) => channels[c] }),
    );
    await waitFor(() => expect(Worker.file?.told).toHaveLength(1));
    expect((Worker.file!.told[0] as { file: Blob }).file.size).toBe(44 + 2 * 2 * 50);
  });
  it('and says so where it cannot', async () => {
    chooses(() => Promise.reject(new Error('EncodingError')));
    expect(await screen.findByText('This browser cannot read such a sound. WAV can always be read.')).toBeTruthy();
  });
});

describe('what was kept', () => {
  const heard = {
    id: 'h1',
    stage: 'run' as const,
    from: 'microphone' as const,
    recordingId: 'r1',
    note: '',
    beatsPerHour: 18_000,
    rateSecondsPerDay: -4.2,
    rateStandardError: 0.5,
    beatErrorMs: 0.6,
    shortSide: 'neither' as const,
    amplitudeDegrees: 262,
    beats: 300,
    missing: 0,
    extra: 0,
    seconds: 60,
    warnings: [],
    ...by,
  };

  const run = {
    id: 't1',
    startedAt: by.at,
    readBy: 'seconds hand' as const,
    place: 'stand 1',
    readings: [],
    events: [],
    conditions: null,
  };
  const Log = () => <Readings run={run} outliers={[]} />;

  it('stands in the log of the test run, with its sound, and can be taken back', async () => {
    show(Log, visitOf('lever-platform', { heard: [heard] }));
    expect(screen.getByText('by sound loses 4.2 s a day ± 1.0')).toBeTruthy();
    expect(screen.getByText(/262°/)).toBeTruthy();
    expect(document.querySelector('audio')!.getAttribute('src')).toBe('/api/recordings/r1/sound');
    await person.click(screen.getByRole('button', { name: /^Take back what was heard/ }));
    await waitFor(() => expect(sent[0]).toMatchObject({ method: 'DELETE', url: '/api/visits/v1/heard/h1' }));
  });

  it('is only shown when the visit is closed', () => {
    show(Log, visitOf('lever-platform', { heard: [heard], closedAt: by.at }));
    expect(screen.queryByRole('button', { name: /^Take back/ })).toBeNull();
  });
});
