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
  const words = contradiction
    ? `Not before ${notBefore} and not after ${notAfter}: a part or a reading is of another time`
    : notBefore !== null && notAfter !== null
      ? notBefore === notAfter
        ? `${notBefore}`
        : `${notBefore} to ${notAfter}`
      : notBefore !== null
        ? `Not before ${notBefore}`
        : notAfter !== null
          ? `Not after ${notAfter}`
          : 'No evidence yet';
  return { notBefore, notAfter, contradiction, words };
}
