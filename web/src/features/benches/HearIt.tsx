import type { FromSound, HeardAs } from '@eclat/core/benches';
import { HEARD_MOST_S } from '@eclat/core/sound';
import { Mic, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { openMicrophone, whyNoMicrophone, type Microphone } from '../../devices/microphone.ts';
import { Button } from '../../ui/Button.tsx';
import { countdown } from '../../ui/dates.ts';
import type { FromBlows, ToBlows } from './blows.worker.ts';

const ASKS: Record<HeardAs, { begin: string; now: string; nothing: string }> = {
  ring: {
    begin: 'Hear it ring',
    now: 'Let it ring, to its end',
    nothing: 'No alarm was heard: nearer to it, and begin before it rings.',
  },
  repeat: {
    begin: 'Hear it repeat',
    now: 'Pull the repeat',
    nothing: 'No blow was heard: nearer to it, and begin before it strikes.',
  },
  even: {
    begin: 'Hear its blows',
    now: 'Pull the repeat at a long hour',
    nothing: 'Too few blows to tell: set it to a longer hour, and begin before it strikes.',
  },
};

const WRONG = {
  'too loud': 'Too loud for this microphone: farther away, and hear it again.',
  lost: 'Part of the sound was lost, this device was busy: hear it again.',
} as const;

type State = 'off' | 'opening' | 'on' | 'reckoning';

interface Open {
  worker: Worker;
  /** Null until it is open, and once it is closed again. */
  microphone: Microphone | null;
  beganAt: number;
}
const shut = (open: Open | null) => {
  open?.microphone?.close();
  open?.worker.terminate();
};

/** Gives every piece of sound to `take`, and silence for what was lost on the way, so that the times stay true. */
function listenTo(open: Open, take: (samples: Float32Array) => void, onEnd: (why: string) => void) {
  const early: Float32Array[] = [];
  let next: number | null = null;
  return openMicrophone(({ first, samples }) => {
    if (next !== null && first > next) early.push(new Float32Array(first - next));
    next = first + samples.length;
    early.push(samples);
    if (open.microphone) early.splice(0).forEach(take);
  }, onEnd);
}

function useHearing(as: HeardAs, onFields: (fields: FromSound['fields']) => void) {
  const [state, setState] = useState<State>('off');
  const [says, setSays] = useState('');
  const open = useRef<Open>(null);
  const drop = (why = '') => {
    shut(open.current);
    open.current = null;
    setState('off');
    setSays(why);
  };
  useEffect(
    () => () => {
      shut(open.current);
      open.current = null;
    },
    [],
  );
  const begin = async () => {
    setSays('');
    setState('opening');
    const worker = new Worker(new URL('./blows.worker.ts', import.meta.url), { type: 'module' });
    const mine: Open = { worker, microphone: null, beganAt: 0 };
    open.current = mine;
    const tell = (message: ToBlows, give: Transferable[] = []) => worker.postMessage(message, give);
    worker.onmessage = ({ data }: MessageEvent<FromBlows>) => {
      drop(data.found?.says ?? (data.wrong ? WRONG[data.wrong] : ASKS[as].nothing));
      if (data.found) onFields(data.found.fields);
    };
    try {
      const microphone = await listenTo(mine, (samples) => tell({ samples }, [samples.buffer]), drop);
      if (open.current !== mine) return microphone.close(); // left while it opened
      tell({ sampleRate: microphone.sampleRate });
      Object.assign(mine, { microphone, beganAt: performance.now() });
      setState('on');
    } catch (error) {
      drop(whyNoMicrophone(error));
    }
  };
  const end = () => {
    const { current } = open;
    if (!current?.microphone) return drop();
    current.microphone.close();
    current.microphone = null;
    setState('reckoning');
    const lastedS = (performance.now() - current.beganAt) / 1000;
    current.worker.postMessage({ end: as, lastedS } satisfies ToBlows);
  };
  return { state, says, begin, end };
}

/** A press, the sound, a press: the form is filled with what was heard. The sound is not kept. */
export function HearIt({ as, onFields }: { as: HeardAs; onFields: (fields: FromSound['fields']) => void }) {
  const asks = ASKS[as];
  const { state, says, begin, end } = useHearing(as, onFields);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      {state === 'off' ? (
        <Button onClick={() => void begin()}>
          <Mic className="size-5" aria-hidden />
          {asks.begin}
        </Button>
      ) : (
        <Button variant={state === 'on' ? 'main' : 'quiet'} busy={state !== 'on'} onClick={end}>
          <Square className="size-5" aria-hidden />
          {state === 'reckoning' ? 'Counting …' : 'It has ended'}
        </Button>
      )}
      <p role="status" className="min-w-0 flex-1 basis-56 text-soft">
        {state === 'on' ? <Going says={asks.now} onFull={end} /> : says}
      </p>
    </div>
  );
}

/** Seconds so far; ends by itself when no more is kept. */
function Going({ says, onFull }: { says: string; onFull: () => void }) {
  const [from] = useState(() => performance.now());
  const [at, setAt] = useState(from);
  useEffect(() => {
    const timer = setInterval(() => setAt(performance.now()), 500);
    return () => clearInterval(timer);
  }, []);
  const full = at - from > 1000 * HEARD_MOST_S;
  useEffect(() => {
    if (full) onFull();
  });
  return (
    <>
      {says}. <span className="tabular-nums">{countdown(at - from)}</span>
    </>
  );
}
