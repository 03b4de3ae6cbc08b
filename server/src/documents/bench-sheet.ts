import { TEMPORARY_KINDS } from '@eclat/contract/strip';
import { type Asked, handsOff } from './parts.ts';
import { remarkName } from '@eclat/core/strip';
import { head, none, rows, sheet } from './pdf.ts';

/** For the bench: what came off in its order, where it is, and what is odd about it. */
export async function benchSheet({ visit, shop }: Asked): Promise<Buffer> {
  const { steps, phases, temporary } = visit.strip;
  return sheet({
    title: 'Bench sheet',
    of: `${visit.clock.description}, ${visit.claim}`,
    shop,
    content: [
      ...handsOff(visit),
      head('Phases and marks'),
      phases.length === 0
        ? none('None noted.')
        : rows(
            ['*', '*', 'auto'],
            ['What', 'How', 'When'],
            phases.map((p) => [{ text: p.what }, { text: p.how }, { text: p.when }]),
          ),
      head('What came off, in order'),
      steps.length === 0
        ? none('Nothing is logged.')
        : rows(
            ['auto', '*', 'auto', 'auto', '*', 'auto'],
            ['', 'What', 'Held by', 'Where it is', 'Mind', 'On again'],
            steps.map((s, i) => [
              { text: String(i + 1) },
              { text: s.what },
              { text: s.heldBy },
              { text: s.place },
              { text: [...s.remarks.map(remarkName), s.note].filter(Boolean).join(', ') },
              { text: s.fate === 'apart' ? '–' : s.fate },
            ]),
          ),
      ...TEMPORARY_KINDS.flatMap((kind) => {
        const these = temporary.filter((t) => t.kind === kind);
        const title = kind === 'put in' ? 'Comes out again before it leaves' : 'Not final yet';
        return these.length > 0
          ? [head(title), { ul: these.map((t) => `${t.what}${t.ended ? `: ${t.ended}` : ''}`) }]
          : [];
      }),
    ],
  });
}
