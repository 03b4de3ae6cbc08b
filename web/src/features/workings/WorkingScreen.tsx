import { fieldsOf, readTyped, typedOf, workingById, type Working, type Typed } from '@eclat/core/workings';
import { ArrowLeft, ClipboardCopy, Eraser, Printer, Wrench } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { say, useAppState } from '../../data/app-state.ts';
import { Answer } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { fromAddress, toAddress } from './address.ts';
import { CheckList } from './CheckList.tsx';
import { Desk } from './Desk.tsx';
import { UseInVisit } from './UseInVisit.tsx';
import { useReckoning, type Reckoning } from './useReckoning.ts';
import { useTyped } from './useTyped.ts';
import { copied } from '../../ui/copy.ts';
import { TitleOf } from '../../ui/TitleOf.tsx';

export function WorkingScreen() {
  const { working: id } = useParams();
  const working = workingById(id!);
  const units = useAppState((s) => s.units);
  if (!working)
    return (
      <div className="mx-auto max-w-3xl p-8">
        <Answer tone="danger" title="There is no such working">
          <Link className="font-semibold underline" to="/workings">
            To all workings
          </Link>
        </Answer>
      </div>
    );
  return <Page key={`${working.id} ${units}`} working={working} />; // in other units it is typed anew
}

function Page({ working }: { working: Working }) {
  const [search, setSearch] = useSearchParams();
  const fields = useMemo(() => fieldsOf(working.inputs), [working]);
  const units = useAppState((s) => s.units);
  const firstUnits = search.get('units') === 'inch' ? 'inch' : 'metric';
  // Read once, when the page opens: the address follows the form from then on.
  const [sent] = useState(() => {
    const given = fromAddress(search, fields);
    // An address says its units; somebody who reads in others gets it turned over.
    return given && firstUnits !== units
      ? { ...given, ...typedOf(fields, readTyped(fields, given, firstUnits).input, units) }
      : given;
  });
  const [typed, change] = useTyped(working, { sent, known: working.example });
  const reckoning = useReckoning(working, typed);
  const [using, setUsing] = useState(false);
  useEffect(() => {
    const next = toAddress(typed);
    if (units === 'inch') next.set('units', units);
    setSearch(next, { replace: true });
  }, [typed, units, setSearch]);

  const { outcome, form } = reckoning;
  return (
    <div className="mx-auto flex max-w-7xl flex-col gap-5 px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <Link to="/workings" className="no-print inline-flex min-h-11 items-center gap-2 font-semibold text-steel">
            <ArrowLeft className="size-5" aria-hidden />
            All workings
          </Link>
          <TitleOf screen={working.title} />
          <h1 className="text-3xl">{working.title}</h1>
          <p className="text-lg text-soft">{working.asks}</p>
        </div>
        <Tools working={working} onUse={() => setUsing(true)} typed={typed} change={change} reckoning={reckoning} />
      </div>
      <Desk working={working} typed={typed} onTyped={change} reckoning={reckoning} />
      <section className="rounded-xl border border-line bg-enamel p-5">
        <h2 className="text-xl">How it is calculated</h2>
        <p className="mt-2 rounded-lg bg-sunk px-4 py-3 text-lg">{working.formula}</p>
        <p className="mt-2 text-soft">{working.sources.join('. ')}.</p>
        <h3 className="mt-5 mb-2 text-lg">Checked against</h3>
        <CheckList working={working} />
      </section>
      {using && outcome?.ok && <UseInVisit working={working} input={form.input} onClose={() => setUsing(false)} />}
    </div>
  );
}

function Tools({
  working,
  onUse,
  typed,
  change,
  reckoning,
}: {
  working: Working;
  onUse: () => void;
  typed: Typed;
  change: (typed: Typed) => void;
  reckoning: Reckoning;
}) {
  const { outcome } = reckoning;
  const copy = async () => {
    if (!outcome?.ok) return;
    if (await copied(`${working.title}: ${outcome.says}\n${window.location.href}`))
      say('Copied: the answer and the address of these figures.');
    else say('This browser does not let Eclat copy. The address of this page holds the figures.', 'danger');
  };
  return (
    <div className="no-print flex flex-wrap gap-2">
      <Button disabled={!outcome?.ok} onClick={onUse}>
        <Wrench className="size-5" aria-hidden />
        Use in a visit
      </Button>
      <Button disabled={!outcome?.ok} onClick={() => void copy()}>
        <ClipboardCopy className="size-5" aria-hidden />
        Copy
      </Button>
      <Button onClick={() => window.print()}>
        <Printer className="size-5" aria-hidden />
        Print
      </Button>
      <Button
        onClick={() => {
          const before = typed;
          change({});
          say('Cleared.', 'good', () => change(before));
        }}
      >
        <Eraser className="size-5" aria-hidden />
        Clear
      </Button>
    </div>
  );
}
