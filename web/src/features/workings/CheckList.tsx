import { runCheck, type Check, type CheckKind, type Working } from '@eclat/core/workings';
import clsx from 'clsx';
import { BookText, Brain, CircleCheck, CircleX, Hammer, PencilLine } from 'lucide-react';
import { useMemo } from 'react';

export const KINDS: Record<CheckKind, { word: string; Icon: typeof Brain; look: string }> = {
  published: { word: 'published', Icon: BookText, look: 'border-steel text-steel' },
  'by hand': { word: 'by hand', Icon: PencilLine, look: 'border-line text-ink' },
  practice: { word: 'practice', Icon: Hammer, look: 'border-brass-fill text-brass border-dashed' },
  memory: { word: 'from memory', Icon: Brain, look: 'border-soft text-soft border-dotted' },
};

/** The checks of a working, run as they are shown. */
export function CheckList({ working }: { working: Working }) {
  return (
    <ul className="flex flex-col gap-2">
      {working.checks.map((check, i) => (
        <Row key={i} working={working} check={check} />
      ))}
    </ul>
  );
}

function Row({ working, check }: { working: Working; check: Check }) {
  const found = useMemo(() => runCheck(working, check), [working, check]);
  const holds = found.every((f) => f.holds);
  const { word, Icon, look } = KINDS[check.kind];
  return (
    <li
      className={
        'grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-1 ' +
        'sm:grid-cols-[auto_9rem_minmax(0,3fr)_minmax(0,2fr)] sm:items-center'
      }
    >
      {holds ? (
        <CircleCheck className="size-6 text-good" aria-label="holds" />
      ) : (
        <CircleX className="size-6 text-danger" aria-label="does not hold" />
      )}
      <span
        className={clsx(
          'inline-flex w-fit items-center gap-1.5 rounded-full border-2 px-2.5 py-0.5 text-sm font-semibold',
          look,
        )}
      >
        <Icon className="size-4" aria-hidden />
        {word}
      </span>
      <span className="col-span-2 sm:col-span-1">{check.source}</span>
      <span className="col-span-2 text-sm text-soft sm:col-span-1">
        {found.map((f) => `${f.path}: ${f.found}${f.found === f.wanted ? '' : `, wanted ${f.wanted}`}`).join(' · ')}
      </span>
    </li>
  );
}
