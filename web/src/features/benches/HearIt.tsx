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

type State = 'off' | 'opening' | 'on' | 'reckoning';

/** A press, the sound, a press: the form is filled with what was heard. The sound is not kept. */
export function HearIt({ as, onFields }: { as: HeardAs; onFields: (fields: FromSound['fields']) => void }) {
  const asks = ASKS[as];
  const [state, setState] = useState<State>('off');
  const [says, setSays] = useState('');
  const open = useRef<{ worker: Worker; microphone: Microphone | null }>(null);
  const drop = () => {
    open.current?.microphone?.close();
    open.current?.worker.terminate();
    open.current = null;
    setState('off');
  };
  useEffect(
    () => () => {
      open.current?.microphone?.close();
      open.current?.worker.terminate();
      open.current = null;
    },
    [],
  );
  const begin = async () => {
    setSays('');
    setState('opening');
    const worker = new Worker(new URL('./blows.worker.ts', import.meta.url), { type: 'module' });
    const mine = { worker, microphone: null as Microphone | null };
    open.current = mine;
    const tell = (message: ToBlows, give: Transferable[] = []) => worker.postMessage(message, give);
    worker.onmessage = ({ data }: MessageEvent<FromBlows>) => {
      drop();
      setSays(data.found?.says ?? asks.nothing);
      if (data.found) onFields(data.found.fields);
    };
    try {
      const early: Float32Array[] = [];
      const microphone = await openMicrophone(
        ({ samples }) => (mine.microphone ? tell({ samples }, [samples.buffer]) : early.push(samples)),
        (why) => {
          drop();
          setSays(why);
        },
      );
      if (open.current !== mine) return microphone.close(); // left while it opened
      tell({ sampleRate: microphone.sampleRate });
      for (const samples of early) tell({ samples }, [samples.buffer]);
      mine.microphone = microphone;
      setState('on');
    } catch (error) {
      drop();
      setSays(whyNoMicrophone(error));
    }
  };
  const end = () => {
    const { current } = open;
    if (!current?.microphone) return drop();
    current.microphone.close();
    setState('reckoning');
    current.worker.postMessage({ end: as } satisfies ToBlows);
  };
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
