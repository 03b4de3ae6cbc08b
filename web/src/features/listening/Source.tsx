import { Mic, Square } from 'lucide-react';
import { BigAction } from '../../ui/BigAction.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { stopListening } from './listening.ts';
import type { Simulated } from './SimulatedSettings.tsx';
import { useWishes } from './wishes.ts';

export const SOURCES = [
  ['microphone', 'Microphone'],
  ['file', 'Sound file'],
  ['simulated', 'Simulated clock'],
] as const;

export function Source({
  on,
  opening,
  start,
}: {
  on: boolean;
  opening: boolean;
  start: (clock?: Simulated) => Promise<void>;
}) {
  const wishes = useWishes();
  if (on)
    return (
      <BigAction>
        <Button variant="danger" className="text-lg" onClick={stopListening}>
          <Square className="size-5" aria-hidden />
          Stop listening
        </Button>
      </BigAction>
    );
  return (
    <>
      <Choice
        hideLabel
        label="Where the sound comes from"
        value={wishes.source}
        onChange={(source) => wishes.set({ source })}
        options={SOURCES}
      />
      {wishes.source !== 'file' && (
        <BigAction>
          <Button
            variant="main"
            className="text-lg sm:px-6"
            busy={opening}
            disabled={opening}
            onClick={() => void start()}
          >
            <Mic className="size-6" aria-hidden />
            {opening ? 'Opening …' : 'Listen'}
          </Button>
        </BigAction>
      )}
    </>
  );
}
