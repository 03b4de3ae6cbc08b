import { lazy, useState } from 'react';
import { removeUnsent, retryUnsent } from '../data/outbox.ts';
import { useAppState } from '../data/app-state.ts';
import { Button } from '../ui/Button.tsx';
import { KeptFile } from '../ui/KeptFile.tsx';
import { Late } from '../ui/Late.tsx';

const Sheet = lazy(() => import('../ui/Sheet.tsx').then((m) => ({ default: m.Sheet })));

/** What was entered, field by field. */
const Entered = ({ body }: { body: unknown }) => (
  <dl className="my-2 grid grid-cols-[auto_1fr] gap-x-3 text-sm">
    {Object.entries((body ?? {}) as Record<string, unknown>)
      .filter(([k]) => k !== 'version')
      .map(([k, v]) => (
        <div key={k} className="contents">
          <dt className="text-soft">{k}</dt>
          <dd className="break-words">{typeof v === 'string' ? v : JSON.stringify(v)}</dd>
        </div>
      ))}
  </dl>
);

/** Changes that are kept on this device: waiting for the server, or refused by it and still here. */
export function UnsentBar({ personId }: { personId: string }) {
  const unsent = useAppState((s) => s.unsent);
  const [open, setOpen] = useState(false);
  const mine = unsent.filter((u) => u.personId === personId);
  if (mine.length === 0) return null;
  const refused = mine.filter((u) => u.refused).length;
  return (
    <div role="status" className="flex flex-wrap items-center gap-3 border-t border-line bg-brass-wash px-4 py-2">
      <span className="font-semibold">
        {mine.length === 1 ? 'One change is' : `${mine.length} changes are`} kept on this device
        {refused > 0 ? `; the server refused ${refused}` : ' and will be sent when the server is back'}.
      </span>
      <Button onClick={() => setOpen(true)}>Look</Button>
      {open && (
        <Late>
          <Sheet open onClose={() => setOpen(false)} title="Kept on this device">
            <ul className="flex flex-col gap-3">
              {mine.map((u) => (
                <li key={u.key} className="rounded-lg border border-line p-3">
                  <p className="font-semibold">{u.what}</p>
                  {u.refused && <p className="text-danger">{u.refused}</p>}
                  {u.body instanceof Blob ? (
                    <KeptFile file={u.body} name={u.what} className="my-2 max-h-48 rounded-lg" />
                  ) : (
                    <Entered body={u.body} />
                  )}
                  <div className="flex gap-2">
                    {u.refused && <Button onClick={() => retryUnsent(u.key)}>Try again</Button>}
                    <Button variant="plain" onClick={() => removeUnsent(u.key)}>
                      Throw it away
                    </Button>
                  </div>
                </li>
              ))}
            </ul>
          </Sheet>
        </Late>
      )}
    </div>
  );
}
