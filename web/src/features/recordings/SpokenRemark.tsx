import { Mic, Square, Trash2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { api } from '../../data/api.ts';
import { whyNoMicrophone } from '../../devices/microphone.ts';
import { recordVoice, type Recorder } from '../../devices/record.ts';
import { say, useAppState } from '../../data/app-state.ts';
import { Kept, useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { KeptFile } from '../../ui/KeptFile.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { newId } from '../../data/new-id.ts';

/**
 * A remark spoken instead of typed: kept as sound, heard again at assembly. It is not turned into text: nothing leaves
 * the shop.
 */
export function SpokenRemark({
  value,
  onChange,
}: {
  value: string | null;
  onChange: (recordingId: string | null) => void;
}) {
  const visit = useThisVisit();
  const recorder = useRef<Recorder | null>(null);
  const [seconds, setSeconds] = useState<number | null>(null);
  const keep = useCommand(api.recordings.add, { what: 'Spoken remark' });
  const send = (file: Blob) => {
    const id = newId();
    keep.mutate(
      { params: { visitId: visit.id }, query: { stage: 'strip', kind: 'remark', id }, file },
      { onSuccess: (made) => !(made instanceof Kept && made.refused) && onChange(id) },
    );
  };
  useEffect(() => () => recorder.current?.cancel(), []);
  const speaking = seconds !== null;
  useEffect(() => {
    if (!speaking) return;
    const timer = setInterval(() => setSeconds(recorder.current?.seconds() ?? 0), 250);
    return () => clearInterval(timer);
  }, [speaking]);
  const stop = () => {
    const done = recorder.current?.stop();
    recorder.current = null;
    setSeconds(null);
    if (done && done.seconds > 0.3) send(done.wav);
  };
  const start = async () => {
    try {
      recorder.current = await recordVoice(stop);
      setSeconds(0);
    } catch (error) {
      say(`${whyNoMicrophone(error)} Type the remark instead.`, 'danger');
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-3" role="group" aria-label="Spoken remark">
      {speaking ? (
        <Button variant="danger" onClick={stop}>
          <Square className="size-5" aria-hidden />
          Stop, <span className="tabular-nums">{seconds.toFixed(0)} s</span>
        </Button>
      ) : (
        <Button busy={keep.isPending} onClick={() => void start()}>
          <Mic className="size-5" aria-hidden />
          {buttonWords(keep.isPending, value)}
        </Button>
      )}
      {value && !speaking && (
        <>
          <Heard id={value} />
          <button
            type="button"
            aria-label="Throw the spoken remark away"
            className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
            onClick={() => onChange(null)}
          >
            <Trash2 className="size-5" />
          </button>
        </>
      )}
    </div>
  );
}

function buttonWords(busy: boolean, value: string | null) {
  if (busy) return 'Saving …';
  if (value) return 'Speak it again';
  return 'Speak the remark';
}

/** A remark to be heard again, from this device while it has not arrived at the server. */
export function Heard({ id }: { id: string }) {
  const unsent = useAppState((s) => s.unsent.find((u) => u.url.endsWith(`id=${id}`)));
  if (unsent) return <KeptFile file={unsent.body as Blob} name="Spoken remark" />;
  return (
    <audio
      controls
      preload="none"
      src={`/api/recordings/${id}/sound`}
      aria-label="Spoken remark"
      className="h-11 max-w-full"
    />
  );
}
