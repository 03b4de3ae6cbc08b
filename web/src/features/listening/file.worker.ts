import { hearWav, type Known, type SoundReport } from '@eclat/core/sound';

/** A WAV file is heard piece by piece, away from the thread that draws. */
declare class FileReaderSync {
  readAsArrayBuffer(blob: Blob): ArrayBuffer;
}
export type FileHeard = { report: SoundReport } | { wrong: string };

self.onmessage = ({ data: { file, known } }: MessageEvent<{ file: Blob; known: Known }>) => {
  const reader = new FileReaderSync();
  let reply: FileHeard;
  try {
    reply = {
      report: hearWav((from, to) => new Uint8Array(reader.readAsArrayBuffer(file.slice(from, to))), file.size, known),
    };
  } catch (error) {
    reply = { wrong: (error as Error).message };
  }
  self.postMessage(reply);
};
