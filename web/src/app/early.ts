/** What is typed between the press that opens the finder and the moment its field stands there. */
export const early = { typed: '' };
