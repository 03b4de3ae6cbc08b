import type { Person } from '@eclat/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { Search } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useLocation, useMatch, useNavigate } from 'react-router';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useBench, useInDemo, visitQuery } from '../../data/queries.ts';
import { useReturn } from '../../ui/useReturn.ts';
import { early } from '../early.ts';
import {
  benchEntries,
  deeds,
  grouped,
  hitEntries,
  matching,
  placeEntries,
  ruleEntries,
  visitEntries,
  type Entry,
} from './entries.ts';

/** So many of a group stand there at once: what is typed makes them fewer. */
const MOST = 6;
/** The server is asked from so many letters on. */
const SHORTEST = 3;

interface Props {
  person: Person;
  onKeys: () => void;
  onClose: () => void;
}

/** Finds any clock, owner, movement, stage, working, rule or deed by a few letters: arrows and Enter, or a finger. */
export default function FindSheet(props: Props) {
  return (
    <Dialog.Root open onOpenChange={(next) => !next && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-50 bg-black/50" />
        <Body {...props} />
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Body({ person, onKeys, onClose }: Props) {
  const back = useReturn();
  const go = useNavigate();
  const [typed, setTyped] = useState(early.typed);
  const { entries, waits } = useEntries(person, onKeys, typed);
  const take = ({ to, run }: Entry) => {
    onClose();
    if (to) void go(to);
    run?.();
  };
  const groups = grouped(entries, typed, MOST);
  return (
    <Dialog.Content
      aria-describedby={undefined}
      className={
        'fixed inset-x-0 top-0 z-50 max-h-dvh overflow-hidden border border-line bg-enamel shadow-2xl ' +
        'sm:top-16 sm:left-1/2 sm:max-h-[calc(100dvh-6rem)] sm:w-[min(94vw,44rem)] sm:-translate-x-1/2 sm:rounded-2xl'
      }
      onCloseAutoFocus={back}
    >
      <Dialog.Title className="sr-only">Find</Dialog.Title>
      <Command label="Find" shouldFilter={false} loop className="flex max-h-[inherit] flex-col">
        <div className="relative border-b border-line">
          <Search className="absolute top-1/2 left-4 size-6 -translate-y-1/2 text-soft" aria-hidden />
          <Command.Input
            autoFocus
            value={typed}
            onValueChange={setTyped}
            placeholder="Clock, owner, number, stage, working, rule"
            className="min-h-16 w-full bg-transparent pr-4 pl-14 text-xl outline-none"
          />
        </div>
        <Command.List className="max-h-[70dvh] overflow-y-auto p-2">
          <Command.Empty className="px-4 py-6 text-soft">
            {waits ? 'Looking …' : 'Nothing found. Try fewer letters, or a number on the movement.'}
          </Command.Empty>
          {groups.map(([name, found]) => (
            <Command.Group key={name} heading={name}>
              {found.map((e) => (
                <Command.Item
                  key={valueOf(e)}
                  value={valueOf(e)}
                  onSelect={() => take(e)}
                  className={
                    'flex min-h-12 cursor-pointer flex-wrap items-baseline gap-x-3 rounded-lg px-3 py-2 ' +
                    'data-[selected=true]:bg-steel data-[selected=true]:text-steel-ink ' +
                    '[&[data-selected=true]_span]:text-steel-ink'
                  }
                >
                  <b>{e.name}</b>
                  {told(e) && <span className="text-sm text-soft">{told(e)}</span>}
                </Command.Item>
              ))}
            </Command.Group>
          ))}
        </Command.List>
      </Command>
    </Dialog.Content>
  );
}

const valueOf = (e: Entry): string => `${e.group} ${e.to ?? ''} ${e.name}`;
const told = (e: Entry): string => [e.says, e.now].filter(Boolean).join(' · ');

/** What fits what was typed; with nothing typed, where one most likely goes. */
function useEntries(person: Person, onKeys: () => void, typed: string): { entries: Entry[]; waits: boolean } {
  const { pathname } = useLocation();
  const visitId = useMatch('/visits/:visitId/*')?.params.visitId;
  const { data: rows } = useBench();
  const { data: visit } = useQuery({ ...visitQuery(visitId ?? ''), enabled: visitId !== undefined });
  const workings = useWorkings();
  const inDemo = useInDemo();
  const q = useDeferredValue(typed.trim()); // the server is asked a little later; what is known here is there at once
  const { data: hits, isFetching } = useQuery({
    ...fetched(api.search.anything, { query: { q } }),
    enabled: q.length >= SHORTEST,
    placeholderData: keepPreviousData,
  });
  const bench = useMemo(() => benchEntries(rows ?? []), [rows]);
  const places = useMemo(() => placeEntries(person), [person]);
  const others = useMemo(
    () => [
      ...(visit ? visitEntries(visit, pathname) : []),
      ...places,
      ...(workings ?? []),
      ...ruleEntries(),
      ...deeds(onKeys, inDemo),
    ],
    [visit, pathname, places, workings, onKeys, inDemo],
  );
  if (typed.trim() === '') return { entries: [...bench.slice(0, MOST), ...places], waits: false };
  // The first row is what Enter takes: nothing may come before it a moment later.
  if (!workings) return { entries: [], waits: true };
  const known = matching([...bench, ...others], typed);
  const found = q.length >= SHORTEST ? hitEntries(hits ?? [], known) : [];
  return { entries: [...known, ...found], waits: isFetching };
}

/** Loaded when something is looked for: what they reckon with is large. */
function useWorkings(): Entry[] | undefined {
  const [found, setFound] = useState<Entry[]>();
  useEffect(() => {
    let gone = false;
    void import('@eclat/core/workings').then(
      ({ WORKINGS }) => {
        if (!gone)
          setFound(
            WORKINGS.map((w) => ({
              group: 'Workings',
              name: w.title,
              says: w.subject,
              words: `${w.asks} ${w.alias ?? ''}`,
              to: `/workings/${w.id}`,
            })),
          );
      },
      () => setFound([]), // the server is away, and they were never loaded: all else is found
    );
    return () => void (gone = true);
  }, []);
  return found;
}
