import type { StageId } from '@eclat/core/workflow';
import { api } from '../../data/api.ts';
import { say, useAppState } from '../../data/app-state.ts';
import { urlOf } from '../../data/call.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

const MOST_BYTES = 15 * 1024 * 1024;

/** What is kept on this device for this visit, and the way to add more. */
export function usePhotos(stage: StageId) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const upload = useCommand(api.photos.add, { what: 'Photo' });
  const here = urlOf(api.photos.add, params);
  const me = useMe();
  const unsent = useAppState((s) => s.unsent).filter((u) => u.personId === me?.id && u.url.split('?')[0] === here);
  const add = (files: Iterable<File>) => {
    for (const file of files) {
      if (file.size > MOST_BYTES) say(`${file.name} is over 15 MB.`, 'danger');
      else upload.mutate({ params, query: { stage, caption: '' }, file });
    }
  };
  return { unsent, busy: upload.isPending, add };
}
