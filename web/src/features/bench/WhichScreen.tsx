import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { placeOfCode } from '../../devices/code.ts';
import { useBench } from '../../data/queries.ts';
import { useFew } from '../../ui/Few.tsx';
import { Scan } from '../../ui/Scan.tsx';
import { matches } from './bench-rows.ts';

const AT_ONCE = 12;

/** Which clock is this? By the code on its label, or by what is written there. */
export function WhichScreen() {
  const go = useNavigate();
  const [foreign, setForeign] = useState('');
  const found = (text: string | null) => {
    if (text === null) return;
    const place = placeOfCode(text);
    if (place) void go(place);
    else setForeign(text);
  };
  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-4 px-4 py-4">
      <h1 className="text-2xl">Which clock is this?</h1>
      <Scan of="label" onCode={found} />
      {foreign && (
        <p role="status" className="rounded-lg bg-brass-wash px-4 py-2 break-words">
          <b>No clock here has this code.</b> It says: {foreign.slice(0, 200)}
        </p>
      )}
      <ByWords />
    </div>
  );
}

function ByWords() {
  const { data = [] } = useBench();
  const [typed, setTyped] = useState('');
  const [shown, rest] = useFew(
    data.filter((r) => matches(r, typed)),
    AT_ONCE,
    'clocks',
  );
  return (
    <section aria-label="By what is written on it" className="flex flex-col gap-2">
      <label className="font-semibold">
        Claim, owner, clock or code
        <input
          className="mt-1 min-h-12 w-full rounded-lg border border-line bg-enamel px-3 text-lg font-normal"
          value={typed}
          inputMode="search"
          onChange={(e) => setTyped(e.target.value)}
        />
      </label>
      <ul className="divide-y divide-line rounded-xl border border-line bg-enamel empty:hidden">
        {shown.map((r) => (
          <li key={r.visitId}>
            <Link to={`/visits/${r.visitId}`} className="flex min-h-14 items-center gap-3 px-4 hover:bg-steel-wash">
              <b className="w-20 shrink-0 tabular-nums">{r.claim}</b>
              <span className="min-w-0 flex-1 truncate">{r.clock}</span>
              <span className="truncate text-soft max-sm:hidden">{r.owner}</span>
            </Link>
          </li>
        ))}
      </ul>
      {rest}
    </section>
  );
}
