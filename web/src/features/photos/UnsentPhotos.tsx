import type { Unsent } from '../../data/app-state.ts';
import { removeUnsent, retryUnsent } from '../../data/outbox.ts';
import { Button } from '../../ui/Button.tsx';
import { KeptFile } from '../../ui/KeptFile.tsx';

/** Photos that are on this device alone: they wait for the server, or it would not take them. */
export function UnsentPhotos({ unsent }: { unsent: readonly Unsent[] }) {
  return (
    <ul aria-label="On this device alone" className="mt-3 grid grid-cols-3 gap-3 sm:grid-cols-4 lg:grid-cols-6">
      {unsent.map((u) => (
        <li key={u.key} className={u.refused ? 'col-span-full flex flex-wrap items-center gap-3' : undefined}>
          <KeptFile
            file={u.body as Blob}
            name="Photo on this device alone"
            className={
              'aspect-square rounded-lg border-2 border-dashed border-brass object-cover ' +
              (u.refused ? 'w-24' : 'w-full')
            }
          />
          {u.refused ? (
            <>
              <span className="font-semibold text-danger">
                {u.body instanceof File && u.body.name !== '' && `${u.body.name}: `}
                {u.refused}
              </span>
              <Button onClick={() => retryUnsent(u.key)}>Try again</Button>
              <Button variant="plain" onClick={() => removeUnsent(u.key)}>
                Throw it away
              </Button>
            </>
          ) : (
            <span className="block text-sm text-soft">Waits for the server</span>
          )}
        </li>
      ))}
    </ul>
  );
}
