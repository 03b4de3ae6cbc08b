import type { Visit } from '@eclat/contract';
import type { Known } from '@eclat/core/sound';
import { useEffect, useRef, useState } from 'react';
import { openMicrophone, whyNoMicrophone } from '../../devices/microphone.ts';
import { openSimulated } from '../../devices/simulatedClock.ts';
import { listen, useListening } from './listening.ts';
import { AS_SIMULATED, type Simulated } from './SimulatedSettings.tsx';
import { Tone } from './tone.ts';
import { useWishes } from './wishes.ts';

/** A slide that moves is not followed step by step. */
export const SETTLED_MS = 400;

/** Opens the microphone or the simulated clock; a simulated one that is changed while it is heard is opened anew. */
export function useStart(visit: Visit | undefined, known: Known) {
  const { microphone, source } = useListening();
  const wishes = useWishes();
  const [simulated, setSimulated] = useState<Simulated>(AS_SIMULATED);
  const [failed, setFailed] = useState('');
  const start = async (clock = simulated) => {
    setFailed('');
    const from = wishes.source === 'simulated' ? 'simulated' : 'microphone';
    try {
      await listen(from, visit?.id ?? null, from === 'simulated' ? openSimulated(clock) : openMicrophone, known);
    } catch (error) {
      setFailed(whyNoMicrophone(error));
    }
  };
  const settling = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(settling.current), []);
  const simulate = (clock: Simulated) => {
    setSimulated(clock);
    clearTimeout(settling.current);
    if (microphone && source === 'simulated') settling.current = setTimeout(() => void start(clock), SETTLED_MS);
  };
  return { start, simulated, simulate, failed };
}

export function useTone(on: boolean, share: number | null): void {
  const tone = useRef<Tone | null>(null);
  useEffect(() => {
    if (!on) return;
    const made = new Tone();
    tone.current = made;
    return () => {
      made.close();
      tone.current = null;
    };
  }, [on]);
  useEffect(() => tone.current?.say(share), [share, on]);
}
