import { runWorking, workingById } from '@eclat/core/workings';

/** One working, by its id, on what was given. */
export const reckoned = ({ id, input }: { id: string; input: unknown }) => runWorking(workingById(id)!, input);
