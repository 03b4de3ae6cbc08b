export interface DatingEvidence {
  notBefore: number | null;
  notAfter: number | null;
  why: string;
}
export interface Dating {
  notBefore: number | null;
  notAfter: number | null;
  /** Evidence that cannot be true of one and the same clock: a part, or a reading, is of another time. */
  contradiction: boolean;
  words: string;
}

/** What all the evidence together allows: the latest "not before" and the earliest "not after". */
export function dateFrom(evidence: readonly DatingEvidence[]): Dating {
  const latest = evidence.flatMap((e) => e.notBefore ?? []);
  const earliest = evidence.flatMap((e) => e.notAfter ?? []);
  const notBefore = latest.length > 0 ? Math.max(...latest) : null;
  const notAfter = earliest.length > 0 ? Math.min(...earliest) : null;
  const contradiction = notBefore !== null && notAfter !== null && notBefore > notAfter;
  const words = spanWords(contradiction, notBefore, notAfter);
  return { notBefore, notAfter, contradiction, words };
}

function spanWords(contradiction: boolean, notBefore: number | null, notAfter: number | null): string {
  if (contradiction) return `Not before ${notBefore} and not after ${notAfter}: a part or a reading is of another time`;
  if (notBefore !== null && notAfter !== null) {
    return notBefore === notAfter ? `${notBefore}` : `${notBefore} to ${notAfter}`;
  }
  if (notBefore !== null) return `Not before ${notBefore}`;
  if (notAfter !== null) return `Not after ${notAfter}`;
  return 'No evidence yet';
}
