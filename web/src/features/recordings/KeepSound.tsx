import { settled } from '@eclat/core/workflow';
import type { Visit } from '@eclat/contract';
import type { SoundReport } from '@eclat/core/sound';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { newId } from '../../data/new-id.ts';
import { Kept, useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { Tick } from '../../ui/Field.tsx';
import { heardOf } from '../listening/heardOf.ts';

const LARGEST = 30 * 1024 * 1024;

/** Keeps with the visit what was heard, and the sound itself if wanted. */
export function KeepSound({
  visit,
  report,
  from,
  sound,
}: {
  visit: Visit;
  report: SoundReport;
  from: 'microphone' | 'file' | 'simulated';
  sound: () => Promise<Blob> | null;
}) {
  const [withSound, setWithSound] = useState(false);
  const stage = settled(visit.stages).includes('assemble') ? 'run' : 'assemble';
  const keep = useCommand(api.listening.add, { what: 'What was heard', onDone: () => say('Kept with the visit.') });
  const record = useCommand(api.recordings.add, { what: 'Sound' });
  const send = useMutation({
    mutationFn: async () => {
      const params = { visitId: visit.id };
      const file = withSound ? await sound() : null;
      if (file && file.size > LARGEST)
        throw new Error('The sound is larger than 30 MB: keep the figures alone, or a shorter piece.');
      const id = file && newId();
      const made = file && (await record.mutateAsync({ params, query: { stage, kind: 'beat', id: id! }, file }));
      if (made instanceof Kept && made.refused) return;
      await keep.mutateAsync({ params, body: heardOf(report, stage, from, id) });
    },
    onError: (error) => say(error.message, 'danger'),
  });
  if (visit.closedAt) return null;
  return (
    <div className="mt-4 border-t border-line pt-3">
      <Tick label="With its sound" checked={withSound} onChange={(e) => setWithSound(e.target.checked)} />
      <Button variant="main" busy={send.isPending} disabled={send.isPending} onClick={() => send.mutate()}>
        Save with {visit.claim}
      </Button>
    </div>
  );
}
