import type { Book, Movement } from '@eclat/contract';
import { ExternalLink, Globe, Unlink } from 'lucide-react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { SecretAddress } from '../../ui/SecretAddress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

interface Props {
  movement: Movement;
  page: Book['publicPage'];
  onClose: () => void;
}

/** The book for whoever has its address: made, given out, and ended. */
export function PublicSheet({ movement, page, onClose }: Props) {
  const command = { params: { movementId: movement.id } };
  const publish = useCommand(api.movements.publish, { what: 'Public page', atOnce: true });
  const end = useCommand(api.movements.unpublish, {
    what: 'Public page',
    atOnce: true,
    onDone: () => say('The address no longer works.'),
  });
  const address = page && `${window.location.origin}/api/books/${page.token}/`;
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Public page of ${movement.code}`}
      description="Whoever has the address reads this book: entries, photos, signatures. No owner, no prices."
    >
      {page && address ? (
        <>
          <SecretAddress label="Address of the public page" address={address}>
            Made by {page.by}, {dayTime(page.at)}. Slips printed from now on carry it in their code.
          </SecretAddress>
          <div className="mt-4 flex flex-wrap gap-2">
            <a className={buttonClass('quiet')} href={address} target="_blank" rel="noreferrer">
              <ExternalLink className="size-5" aria-hidden />
              Look at it
            </a>
            <Button busy={end.isPending} onClick={() => end.mutate(command)}>
              <Unlink className="size-5" aria-hidden />
              End it
            </Button>
          </div>
        </>
      ) : (
        <>
          <p className="mb-4 text-soft">
            Nobody can guess the address. It lasts until it is ended; a new one is another address. It opens only where
            this shop can be reached.
          </p>
          <Button autoFocus variant="main" busy={publish.isPending} onClick={() => publish.mutate(command)}>
            <Globe className="size-5" aria-hidden />
            Create the page
          </Button>
        </>
      )}
    </Sheet>
  );
}
