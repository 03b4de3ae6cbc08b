import type { Visit } from '@eclat/contract';
import type { Known, SoundReport } from '@eclat/core/sound';
import { FileAudio } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { ChooseFile } from '../../ui/ChooseFile.tsx';
import { Arcs } from './Arcs.tsx';
import { asWav } from './decode.ts';
import type { FileHeard as Reply } from './file.worker.ts';
import { Figures } from './Figures.tsx';
import { KeepSound } from '../recordings/KeepSound.tsx';
import { balanceOf, type TickSide } from './sides.ts';
import { useWishes } from './wishes.ts';

const MOST_BYTES = 20 * 60 * 192_000 * 8;

/** A sound file, dropped or chosen. It is heard on this device and goes nowhere unless it is kept. */
export function FileSource({ known, visit }: { known: Known; visit: Visit | undefined }) {
  const [file, setFile] = useState<File | null>(null);
  const [reply, setReply] = useState<Reply | null>(null);
  const [wav, setWav] = useState<Blob | null>(null);
  const [over, setOver] = useState(false);
  const { tickSide } = useWishes();
  // Another file, another number of beats or lift angle: heard again.
  useEffect(() => {
    setReply(null);
    if (!file) return;
    if (file.size > MOST_BYTES) return setReply({ wrong: 'This file is too long: 20 minutes at the most.' });
    let worker: Worker | undefined;
    let gone = false;
    asWav(file).then(
      (sound) => {
        if (gone) return;
        setWav(sound);
        worker = new Worker(new URL('./file.worker.ts', import.meta.url), { type: 'module' });
        worker.onmessage = ({ data }: MessageEvent<Reply>) => setReply(data);
        worker.postMessage({ file: sound, known });
      },
      (error: unknown) => !gone && setReply({ wrong: (error as Error).message }),
    );
    return () => {
      gone = true;
      worker?.terminate();
    };
  }, [file, known]);
  const report = reply && 'report' in reply ? reply.report : null;
  return (
    <>
      {file && reply && 'wrong' in reply && (
        <Answer tone="danger" title={reply.wrong}>
          {file.name}
        </Answer>
      )}
      <div
        className={
          'flex flex-wrap items-center justify-center gap-4 rounded-xl border-2 border-dashed p-5 ' +
          (over ? 'border-steel bg-steel-wash' : 'border-line bg-enamel')
        }
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          setOver(false);
          const [dropped] = e.dataTransfer.files;
          if (dropped) setFile(dropped);
        }}
      >
        <FileAudio className="size-8 text-steel" aria-hidden />
        <p>{file ? file.name : 'Drop a sound file here'}</p>
        <ChooseFile variant="main" accept="audio/*,.wav,.mp3,.m4a,.ogg,.flac" onFiles={([chosen]) => setFile(chosen)}>
          Choose a file
        </ChooseFile>
        {file && !reply && (
          <span role="status" className="flex items-center gap-3">
            Listening to it …<Button onClick={() => setFile(null)}>Stop</Button>
          </span>
        )}
      </div>
      {report && <WhatWasHeard report={report} tickSide={tickSide} visit={visit} wav={wav} />}
    </>
  );
}

function WhatWasHeard({
  report,
  tickSide,
  visit,
  wav,
}: {
  report: SoundReport;
  tickSide: TickSide;
  visit: Visit | undefined;
  wav: Blob | null;
}) {
  const sides =
    report.beatErrorMs !== null
      ? {
          tickToTockMs:
            3.6e6 / report.measuredBeats + (report.shortSide === 'tick to tock' ? -1 : 1) * report.beatErrorMs,
          tockToTickMs:
            3.6e6 / report.measuredBeats - (report.shortSide === 'tick to tock' ? -1 : 1) * report.beatErrorMs,
        }
      : null;
  return (
    <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_24rem]">
      <Panel>
        <Arcs
          balance={sides && balanceOf(sides, tickSide, report.beatsPerHour > 13_900)}
          faint={false}
          empty="Beat error not told"
        />
      </Panel>
      <Panel title="Heard in the file">
        <Figures report={report} over={`${report.seconds.toFixed(0)} s`} />
        {visit && <KeepSound visit={visit} report={report} from="file" sound={() => Promise.resolve(wav!)} />}
      </Panel>
    </div>
  );
}
