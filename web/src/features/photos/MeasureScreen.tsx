import { Camera } from 'lucide-react';
import { useState } from 'react';
import { Answer } from '../../ui/Answer.tsx';
import { ChooseFile } from '../../ui/ChooseFile.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { CountTeeth } from './CountTeeth.tsx';
import { MeasureLengths } from './MeasureLengths.tsx';
import { readPhoto, type OnDevice } from './onDevice.ts';

const WAYS = [
  ['teeth', 'Count teeth'],
  ['lengths', 'Measure lengths'],
] as const;

/** A photo that stays on this device: the teeth of a wheel are counted on it, lengths measured by a ruler in it. */
export function MeasureScreen() {
  const [photo, setPhoto] = useState<{ is: OnDevice; number: number } | null>(null);
  const [way, setWay] = useState<(typeof WAYS)[number][0]>('teeth');
  const [wrong, setWrong] = useState(false);
  const take = (file: File) => {
    readPhoto(file).then(
      (is) => {
        setWrong(false);
        setPhoto((p) => ({ is, number: (p?.number ?? 0) + 1 }));
      },
      () => setWrong(true),
    );
  };
  return (
    <div className="mx-auto flex max-w-7xl flex-col gap-4 px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-3xl">Measure on a photo</h1>
        <ChooseFile variant={photo ? 'plain' : 'main'} accept="image/*" onFiles={([file]) => take(file)}>
          <Camera className="size-5" aria-hidden />
          {photo ? 'Another photo' : 'Take or choose a photo'}
        </ChooseFile>
      </div>
      {wrong && <Answer tone="due" title="This is no picture that can be read here. JPEG, PNG and WebP always can." />}
      {!photo && !wrong && (
        <Answer tone="info" title="A wheel from straight above, filling the picture">
          Its teeth are counted from two presses. With a ruler beside it, lengths and worn holes are measured. The photo
          stays on this device.
        </Answer>
      )}
      {photo && (
        <>
          <Choice label="What to do" value={way} onChange={setWay} options={WAYS} />
          {way === 'teeth' ? (
            <CountTeeth key={photo.number} photo={photo.is} />
          ) : (
            <MeasureLengths key={photo.number} photo={photo.is} />
          )}
        </>
      )}
    </div>
  );
}
