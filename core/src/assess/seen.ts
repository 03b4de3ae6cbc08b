/** As much of a finding as its words depend on. */
export interface SaidFinding {
  id: string;
  place: string;
  seen: string;
  followsFrom: string | null;
  overturned: { why: string } | null;
}

const ended = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`);

/** What was seen, what brought it about, and what a later look found instead. */
export function findingWords(finding: SaidFinding, all: readonly SaidFinding[]): string {
  const because = all.find((f) => f.id === finding.followsFrom);
  const { seen, overturned } = finding;
  if (!because && !overturned) return seen;
  return [
    ended(seen),
    because && ended(`Because of ${because.place}: ${because.seen}`),
    overturned && ended(`Later look: ${overturned.why}`),
  ]
    .filter(Boolean)
    .join(' ');
}

/** Whether a finding that follows from another would follow from itself, over whatever steps. */
export function isCircle(
  id: string,
  followsFrom: string | null,
  all: readonly Pick<SaidFinding, 'id' | 'followsFrom'>[],
) {
  const met = new Set([id]);
  for (let at = followsFrom; at !== null; at = all.find((f) => f.id === at)?.followsFrom ?? null) {
    if (met.has(at)) return true;
    met.add(at);
  }
  return false;
}

/**
 * What brought a finding about, as long as nothing is agreed against it: cured alone, it comes back.
 * @param lines of the estimate; those that were declined cure nothing
 */
export function causeUncured<F extends Pick<SaidFinding, 'id' | 'followsFrom'>>(
  findingId: string | null,
  findings: readonly F[],
  lines: readonly { findingId: string | null; state: string | null }[],
): F | null {
  const from = findings.find((f) => f.id === findingId)?.followsFrom ?? null;
  if (from === null || lines.some((l) => l.findingId === from && l.state !== 'declined')) return null;
  return findings.find((f) => f.id === from) ?? null;
}
