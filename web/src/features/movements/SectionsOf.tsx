import { SECTION_NAMES, SECTIONS, tellSection, type SectionName, type ToldList } from '@eclat/core/record';
import { counted } from '@eclat/core/units';
import { ChevronRight } from 'lucide-react';

type Said = Partial<Record<SectionName, Readonly<Record<string, unknown>> | undefined>>;

/** What a visit did in full, behind its story: feature by feature, each closed until it is asked for. */
export function SectionsOf({ sections, unread = [] }: { sections: Said; unread?: readonly string[] }) {
  const told = SECTION_NAMES.flatMap((name) => {
    const said = sections[name];
    const lists = said ? tellSection(name, said) : [];
    return lists.length > 0 ? [{ name, lists }] : [];
  });
  if (told.length === 0 && unread.length === 0) return null;
  return (
    <details className="group mt-3">
      <summary className="flex min-h-12 cursor-pointer items-center gap-2 text-steel">
        <ChevronRight className="size-5 shrink-0 transition-transform group-open:rotate-90" aria-hidden />
        <span className="font-semibold">All that was recorded</span>
        <span className="text-sm text-soft">{counted(told.length, 'part')}</span>
      </summary>
      <div className="mt-1 flex flex-col gap-4 border-l-2 border-line pl-4">
        {told.map(({ name, lists }) => (
          <section key={name} aria-label={SECTIONS[name].title}>
            <h4 className="font-bold">{SECTIONS[name].title}</h4>
            {lists.map((list) => (
              <List key={list.title} list={list} alone={lists.length === 1} />
            ))}
          </section>
        ))}
        {unread.length > 0 && (
          <p className="text-soft">
            Signed by a later version of Eclat, kept as it was signed, and not read here: {unread.join(', ')}.
          </p>
        )}
      </div>
    </details>
  );
}

function List({ list: { title, rows }, alone }: { list: ToldList; alone: boolean }) {
  return (
    <>
      {!alone && <h5 className="mt-1 text-sm text-soft">{title}</h5>}
      <ul className="flex flex-col gap-0.5">
        {rows.map(({ lead, rest, by }, i) => (
          <li key={i}>
            {lead && <span className="font-semibold">{lead}</span>}
            {lead && rest && ' · '}
            {rest}
            {by && <span className="text-sm text-soft"> {by}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}
