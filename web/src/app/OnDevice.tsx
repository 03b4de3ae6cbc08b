import { counted } from '@eclat/core/units';
import { useQueryClient } from '@tanstack/react-query';
import { Download, LogOut, MonitorDown, RefreshCw } from 'lucide-react';
import { useEffect, useState } from 'react';
import { say, useAppState, type Unsent } from '../data/app-state.ts';
import { visitsCopied } from '../data/copies.ts';
import { signOut } from '../data/leave.ts';
import { askToKeep, keepMine, removeUnsent, retryUnsent } from '../data/outbox.ts';
import { photosOnDevice } from '../data/photo-on-device.ts';
import { chooseOne } from '../data/two-states.ts';
import { Button } from '../ui/Button.tsx';
import { dayTime } from '../ui/dates.ts';
import { KeptFile } from '../ui/KeptFile.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { beginNewer, install } from './offline.ts';

/** What is on this device: changes that wait for the server, and what can be read while it is away. */
export default function OnDevice({ personId, onClose }: { personId: string; onClose: () => void }) {
  const unsent = useAppState((s) => s.unsent);
  const newer = useAppState((s) => s.newer);
  const installable = useAppState((s) => s.installable);
  const mine = unsent.filter((u) => u.personId === personId);
  const others = new Set(unsent.filter((u) => u.personId !== personId).map((u) => u.by ?? 'somebody else'));
  return (
    <Sheet open onClose={onClose} title="On this device">
      <div className="flex flex-col gap-5">
        <section className="flex flex-col gap-3">
          <h3 className="text-lg">
            {mine.length === 0 ? 'No change waits here.' : `${counted(mine.length, 'change')} not sent yet`}
          </h3>
          {others.size > 0 && (
            <p className="text-soft">
              Changes of {[...others].join(', ')} wait here too. They are sent when that person signs in.
            </p>
          )}
          {unsent.length > 0 && <Promised />}
          {mine.length > 0 && <SaveAsFile mine={mine} />}
          {mine.length > 0 && (
            <ul className="flex flex-col gap-3">
              {mine.map((u) => (
                <Waits key={u.key} item={u} />
              ))}
            </ul>
          )}
        </section>
        <Readable />
        <div className="flex flex-wrap gap-3">
          {newer && (
            <Button variant="main" onClick={beginNewer}>
              <RefreshCw className="size-5" aria-hidden />
              Load the new version
            </Button>
          )}
          {installable && (
            <Button onClick={() => void install()}>
              <MonitorDown className="size-5" aria-hidden />
              Install Eclat
            </Button>
          )}
          <SignOut waits={mine.length > 0} />
        </div>
      </div>
    </Sheet>
  );
}

function Waits({ item: u }: { item: Unsent }) {
  const choose = () =>
    chooseOne(
      {
        what: u.what,
        mine: u.body as Record<string, unknown>,
        theirs: u.current as Record<string, unknown>,
        labels: u.labels ?? {},
      },
      { mine: () => keepMine(u.key), theirs: () => removeUnsent(u.key) },
    );
  return (
    <li className="border-t border-line pt-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <b>{u.what}</b>
        <span className="text-sm text-soft">{dayTime(u.at ?? new Date(u.madeAt).toISOString())}</span>
      </p>
      {u.refused && <p className="font-semibold text-danger">{u.refused}</p>}
      {u.body instanceof Blob ? (
        <KeptFile file={u.body} name={u.what} className="my-2 max-h-32 rounded-lg" />
      ) : (
        <Entered body={u.body} labels={u.labels ?? {}} />
      )}
      <div className="flex flex-wrap gap-2">
        {u.current !== undefined && (
          <Button variant="main" onClick={choose}>
            Choose
          </Button>
        )}
        {u.refused && u.current === undefined && <Button onClick={() => retryUnsent(u.key)}>Try again</Button>}
        <Button variant="plain" onClick={() => removeUnsent(u.key)}>
          Throw it away
        </Button>
      </div>
    </li>
  );
}

/** Not what was left empty, nor the id of another thing: nobody reads that. */
const saysSomething = (v: unknown): boolean =>
  v !== null && v !== '' && !(Array.isArray(v) && v.length === 0) && !(typeof v === 'string' && ID.test(v));
const ID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** What was entered, field by field. */
const Entered = ({ body, labels }: { body: unknown; labels: Readonly<Record<string, string>> }) => (
  <dl className="my-1 grid grid-cols-[auto_1fr] gap-x-3 text-sm">
    {Object.entries((body ?? {}) as Record<string, unknown>)
      .filter(([k, v]) => k !== 'version' && saysSomething(v))
      .map(([k, v]) => (
        <div key={k} className="contents">
          <dt className="text-soft">{labels[k] ?? k}</dt>
          <dd className="break-words">{typeof v === 'string' ? v : JSON.stringify(v)}</dd>
        </div>
      ))}
  </dl>
);

/** A browser may clear what it did not promise to keep. */
function Promised() {
  const promised = useAppState((s) => s.promised);
  if (promised === null)
    return (
      <Button className="self-start" onClick={() => void askToKeep()}>
        Ask the browser to keep them
      </Button>
    );
  return promised ? (
    <p className="text-soft">They stay through a closed page, a restart, an update and signing out.</p>
  ) : (
    <p>
      They stay through a closed page, a restart, an update and signing out.{' '}
      <b>This browser does not promise more: it may clear them when the disk is full.</b> Save them as a file to be
      sure.
    </p>
  );
}

function SaveAsFile({ mine }: { mine: readonly Unsent[] }) {
  const save = async () => {
    const { fileOf } = await import('../data/unsent-file.ts');
    const link = document.createElement('a');
    link.href = URL.createObjectURL(await fileOf(mine));
    link.download = `eclat-changes-${new Date().toISOString().slice(0, 10)}.zip`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <Button
      className="self-start"
      onClick={() => void save().catch((error: Error) => say(`No file: ${error.message}`, 'danger'))}
    >
      <Download className="size-5" aria-hidden />
      Save them as a file
    </Button>
  );
}

/** What there is to read while the server is away; over plain HTTP, why the page cannot be opened then. */
function Readable() {
  const [kept, setKept] = useState<{ visits: number; photos: number } | null>(null);
  const secure = 'serviceWorker' in navigator;
  useEffect(() => {
    if (secure)
      void Promise.all([visitsCopied(), photosOnDevice()]).then(
        ([visits, photos]) => setKept({ visits, photos }),
        () => undefined,
      );
  }, [secure]);
  return (
    <section>
      <h3 className="mb-1 text-lg">While the server is away</h3>
      {secure ? (
        <p>
          Eclat opens here and goes on.
          {kept && ` ${counted(kept.visits, 'clock')} and ${counted(kept.photos, 'photo')} can be looked at.`}
        </p>
      ) : (
        <p>
          This page came over plain HTTP, where a browser keeps no page. Leave it open: what you enter is kept here and
          sent. To open it without the server, reach Eclat over HTTPS.
        </p>
      )}
    </section>
  );
}

/** What waits stays, and is sent when its person signs in here again: that is said before. */
function SignOut({ waits }: { waits: boolean }) {
  const queries = useQueryClient();
  const asked = useAppState((s) => s.onDevice === 'sign out');
  if (!asked) return null;
  return (
    <div className="flex w-full flex-wrap items-center gap-3 border-t border-line pt-4">
      <Button variant="danger" onClick={() => void signOut(queries)}>
        <LogOut className="size-5" aria-hidden />
        Sign out
      </Button>
      {waits && <p>What waits stays here, and is sent when you sign in again on this device.</p>}
    </div>
  );
}
