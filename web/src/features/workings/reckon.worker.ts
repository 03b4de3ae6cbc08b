import { runWorking, workingById } from '@eclat/core/workings';

/** Long work away from the thread that draws. One question, one answer; stopping is ending the worker. */
self.onmessage = ({ data }: MessageEvent<{ id: string; input: unknown }>) =>
  self.postMessage(runWorking(workingById(data.id)!, data.input));
