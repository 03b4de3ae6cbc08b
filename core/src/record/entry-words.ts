/** What is said of an entry, by its kind. */
export const ENTRY_WORDS = {
  visit: 'Service',
  inscription: 'Inscription',
  amendment: 'Amendment',
  merger: 'Same movement or not',
  donor: 'Gave a part',
  replacement: 'Movement changed',
} as const;

/** What is said of how an entry is proved; quietly where all is well. */
export const PROOF_WORDS = {
  proved: 'Signature holds',
  'unknown shop': 'Signed by a key that is not known here: nothing shows whose it is',
  unsigned: 'Unsigned: from before signatures, or from a file without',
  changed: 'Not what was signed: it was changed afterwards. Do not rely on it.',
  'page missing': 'An entry that this one was written on is missing: it was taken out afterwards.',
} as const;

export type ProofWord = keyof typeof PROOF_WORDS;

interface ProofSaid {
  proof: ProofWord;
  signature: { key: string; knownAs: string | null } | null;
  log: { number: number; size: number } | null;
}

/** Where a signed head covers it; what none covers yet could still be taken out unseen, and says so. */
function inLog({ log, signature, proof }: ProofSaid): string {
  if (!signature || proof === 'changed' || proof === 'unsigned') return '';
  return log ? ` · entry ${log.number + 1} of ${log.size} in its log` : ' · not in a signed log yet';
}

/** How an entry is proved, by which key, and where it stands in the log of that key. */
export function proofInWords(said: ProofSaid): string {
  const { proof, signature } = said;
  const whose = signature?.knownAs && proof === 'proved' ? `, by the key of ${signature.knownAs}` : '';
  const key = signature && proof !== 'changed' ? ` · key ${signature.key.slice(0, 10)}` : '';
  return PROOF_WORDS[proof] + whose + key + inLog(said);
}

/** Who answers for an entry. */
export const answeredFor = ({ kind, signedBy, shop }: { kind: string; signedBy: string; shop: string }): string =>
  `${kind === 'inscription' ? 'Read and entered by' : 'Signed by'} ${signedBy}, ${shop}`;

/** What heads an entry: its title, or where an earlier repairer wrote on the movement, that. */
export const chapterTitle = ({ kind, title, text }: { kind: string; title: string; text: string }): string =>
  kind === 'inscription' && text ? text : title;
