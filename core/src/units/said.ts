/** What a figure says and what to do with it; `good` null where it is neither right nor wrong. */
export interface Said {
  what: string;
  says: string;
  good: boolean | null;
}
export const said = (what: string, good: boolean | null, says: string): Said => ({ what, good, says });
