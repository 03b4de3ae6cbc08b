import { holesOf, type Traits, trainName, type Train } from '../movement/index.ts';
import { partAsks, partsToSurvey } from '../pivots/index.ts';
import type { Choices } from '../rules/index.ts';
import { counted, sentence } from '../units/index.ts';
import type { LineKind } from './agreement.ts';

/** Bench hours for one bush, both plates together again. House rule, from memory of practice. */
export const HOURS_PER_BUSH = 0.4;

interface Found {
  id: string;
  place: string;
  proposal: string;
  hours: number | null;
}
interface Surveyed {
  key: string;
  verdict: string;
}
interface Looked {
  key: string;
  state: string;
  note: string;
}
interface Standing {
  findingId: string | null;
  fromSurvey: boolean;
  quantity: string;
  what: string;
}

export interface ProposedLine {
  kind: LineKind;
  what: string;
  quantity: string;
  findingId: string | null;
  fromSurvey: boolean;
}

/**
 * Lines that findings and survey ask for and the estimate does not have yet. A finding without a proposal asks for
 * nothing. A part that was found to want work asks for it once. Bushes are counted by plate; holes surveyed since the
 * last count are offered as a further line.
 */
export function proposedLines(
  traits: Traits,
  findings: readonly Found[],
  holes: readonly Surveyed[],
  looked: readonly Looked[],
  lines: readonly Standing[],
  choices: Choices = {},
): ProposedLine[] {
  const fromFindings = findings
    .filter((f) => f.proposal !== '' && !lines.some((l) => l.findingId === f.id))
    .map((f): ProposedLine => ({
      kind: 'labour',
      what: `${f.proposal} (${f.place})`,
      quantity: f.hours === null ? '' : String(f.hours),
      findingId: f.id,
      fromSurvey: false,
    }));
  const fromLooks = partsToSurvey(traits).flatMap((p): ProposedLine[] => {
    const look = looked.find((l) => l.key === p.key);
    const asks = look ? partAsks(p.kind, look.state, choices) : '';
    const what = `${sentence(p.name)}, ${look?.state}: ${asks}`;
    return look && asks && !lines.some((l) => l.what.startsWith(what))
      ? [
          {
            kind: 'labour',
            what: look.note ? `${what} (${look.note})` : what,
            quantity: '',
            findingId: null,
            fromSurvey: false,
          },
        ]
      : [];
  });
  const jewels = jewelLine(traits, holes, lines);
  const wanted = holes.filter((h) => h.verdict === 'bush');
  const onLines = Math.round(
    lines.filter((l) => l.fromSurvey).reduce((n, l) => n + Number(l.quantity) / HOURS_PER_BUSH, 0),
  );
  const more = wanted.length - onLines;
  if (more <= 0) return [...fromFindings, ...fromLooks, ...jewels];
  const where = bushesByTrain(traits, wanted);
  const of = onLines === 0 ? `: ${where}` : `, found since: now ${where}`;
  return [
    ...fromFindings,
    ...fromLooks,
    ...jewels,
    {
      kind: 'labour',
      what: `${counted(more, 'bush', 'bushes')}${of}`,
      quantity: (more * HOURS_PER_BUSH).toFixed(1),
      findingId: null,
      fromSurvey: true,
    },
  ];
}

/** Jewels that are to be renewed, as a part; nothing where a line has them already. */
function jewelLine(
  traits: Traits,
  holes: readonly { key: string; verdict: string }[],
  lines: readonly { what: string }[],
): ProposedLine[] {
  const keys = new Set(holes.filter((h) => h.verdict === 'renew').map((h) => h.key));
  const where = holesOf(traits)
    .filter((h) => keys.has(h.key))
    .map((h) => `${h.arbor.id} ${h.plate}`);
  const what = `${counted(keys.size, 'jewel')} to renew: ${where.join(', ')}`;
  return keys.size === 0 || lines.some((l) => l.what === what)
    ? []
    : [{ kind: 'part', what, quantity: String(keys.size), findingId: null, fromSurvey: false }];
}

/** Where the bushes go: "2 front, 1 back"; by train where several want them: "going 2 front, 1 back; strike …". */
function bushesByTrain(traits: Traits, wanted: readonly { key: string }[]): string {
  const keys = new Set(wanted.map((h) => h.key));
  const holes = holesOf(traits).filter((h) => keys.has(h.key));
  const trains = [...new Set(holes.map((h) => h.train))];
  const plates = (of: typeof holes) => {
    const front = of.filter((h) => h.plate === 'front').length;
    return `${front} front, ${of.length - front} back`;
  };
  if (trains.length < 2) return plates(holes);
  const some = (t: Train) => plates(holes.filter((h) => h.train === t)).replace(/^0 front, |, 0 back$/, '');
  return trains.map((t) => `${trainName(t)} ${some(t)}`).join('; ');
}
