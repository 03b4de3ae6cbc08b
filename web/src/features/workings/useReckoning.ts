import {
  fieldsOf,
  readTyped,
  runWorking,
  type Outcome,
  type ReadForm,
  type Typed,
  type Working,
} from '@eclat/core/workings';
import { useEffect, useMemo, useState } from 'react';
import { useAppState } from '../../data/app-state.ts';

export interface Reckoning {
  form: ReadForm;
  outcome: Outcome | null;
  /** Long work is under way; the outcome shown, if any, is of the inputs before. */
  busy: boolean;
  stop: () => void;
  error: string | null;
}

/** The answer to what is typed, as it is typed. Long work runs in a worker that ends when the inputs change. */
export function useReckoning(working: Working, typed: Typed): Reckoning {
  const units = useAppState((s) => s.units);
  const form = useMemo(() => readTyped(fieldsOf(working.inputs), typed, units), [working, typed, units]);
  const ready = form.problems.length === 0 && form.asks.length === 0;
  const here = useMemo(
    () => (ready && !working.heavy ? runWorking(working, form.input) : null),
    [working, form, ready],
  );
  const [away, setAway] = useState<{ outcome: Outcome | null; busy: boolean; stop: () => void; error: string | null }>(
    IDLE,
  );

  useEffect(() => {
    if (!working.heavy || !ready) return;
    let worker: Worker | null = null;
    const end = () => {
      worker?.terminate();
      worker = null;
      setAway((a) => ({ ...a, busy: false }));
    };
    const timer = setTimeout(() => {
      // a pause in typing, not each letter
      worker = new Worker(new URL('./reckon.worker.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<Outcome>) => {
        setAway({ outcome: data, busy: false, stop: end, error: null });
        worker?.terminate();
      };
      worker.onerror = () =>
        setAway({
          outcome: null,
          busy: false,
          stop: end,
          error: 'This could not be calculated here. Load the page again.',
        });
      setAway((a) => ({ ...a, busy: true, stop: end, error: null }));
      worker.postMessage({ id: working.id, input: form.input });
    }, 150);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [working, form, ready]);

  return working.heavy ? { form, ...away } : { form, outcome: here, busy: false, stop: IDLE.stop, error: null };
}
const IDLE = { outcome: null, busy: false, stop: () => undefined, error: null };
