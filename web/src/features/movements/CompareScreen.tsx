import type { Book } from '@eclat/contract';
import { familyById, sourceOf, trainName } from '@eclat/core/movement';
import { counted } from '@eclat/core/units';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useBook } from '../../data/queries.ts';
import { Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { day } from '../../ui/dates.ts';
import { SelectField } from '../../ui/Field.tsx';

/**
 * Two photos side by side, or two movements of one kind: a known-good one is the best manual. The address says which.
 */
export function CompareScreen() {
  const movementId = useParams()['movementId']!;
  const [search, setSearch] = useSearchParams();
  const withId = search.get('with') ?? movementId;
  const type = useQuery(fetched(api.assessment.knownOfType, { params: { movementId } }));
  const set = (name: string, value: string) =>
    setSearch(
      (s) => {
        s.set(name, value);
        return s;
      },
      { replace: true },
    );
  return (
    <div className="mx-auto flex max-w-[96rem] flex-col gap-5 px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-3xl">Side by side</h1>
        <SelectField
          className="w-full sm:w-96"
          label="Compare with"
          value={withId}
          onChange={(e) => set('with', e.target.value)}
        >
          <option value={movementId}>another photo of this movement</option>
          {type.data?.sisters.map((s) => (
            <option key={s.movementId} value={s.movementId}>
              {s.name}, {s.code}, {counted(s.photos, 'photo')}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="grid gap-5 md:grid-cols-2">
        <Side movementId={movementId} shown={search.get('left')} onShow={(id) => set('left', id)} label="Left" />
        <Side
          movementId={withId}
          shown={search.get('right')}
          onShow={(id) => set('right', id)}
          label="Right"
          {...(withId === movementId ? { first: 1 } : {})}
        />
      </div>
    </div>
  );
}

function Side({
  movementId,
  shown,
  onShow,
  label,
  first = 0,
}: {
  movementId: string;
  shown: string | null;
  onShow: (id: string) => void;
  label: string;
  first?: number;
}) {
  const book = useBook(movementId);
  const photos = useQuery(fetched(api.assessment.photosOfMovement, { params: { movementId } }));
  if (book.error && !book.data) return <Failed error={book.error} />;
  if (!book.data || !photos.data) return <Loading what="the photos" />;
  const { movement } = book.data;
  const large = photos.data.find((p) => p.id === shown) ?? photos.data[first] ?? photos.data[0];
  return (
    <Panel
      title={
        <Link className="underline" to={`/movements/${movement.id}`}>
          {movement.code}
        </Link>
      }
      aside={<span className="text-soft">{movement.name}</span>}
    >
      {large ? (
        <figure>
          <img
            src={`/api/photos/${large.id}/large`}
            alt={large.caption || 'Photo'}
            className="h-[52vh] w-full rounded-lg bg-sunk object-contain"
          />
          <figcaption className="mt-1">
            {large.caption}{' '}
            <span className="text-soft">
              {large.claim}, {day(large.at)}
            </span>
          </figcaption>
        </figure>
      ) : (
        <Empty>No photo of this movement yet.</Empty>
      )}
      <div
        className="mt-3 flex gap-2 overflow-x-auto"
        role="group"
        aria-label={`${label}: choose a photo`}
        tabIndex={0}
      >
        {photos.data.map((p) => (
          <button
            key={p.id}
            type="button"
            aria-pressed={p.id === large?.id}
            aria-label={p.caption || `Photo, ${day(p.at)}`}
            className="shrink-0 rounded-lg border-4 border-transparent aria-pressed:border-steel"
            onClick={() => onShow(p.id)}
          >
            <img src={`/api/photos/${p.id}/small`} alt="" className="size-20 rounded object-cover" loading="lazy" />
          </button>
        ))}
      </div>
      <MovementFacts book={book.data} />
    </Panel>
  );
}

function MovementFacts({ book }: { book: Book }) {
  const { movement } = book;
  const { traits } = movement;
  return (
    <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
      <dt className="text-soft">Family</dt>
      <dd>{familyById(movement.familyId).name}</dd>
      <dt className="text-soft">Marks</dt>
      <dd>{movement.marks.map((m) => `${m.text} (${m.place})`).join(', ') || 'none recorded'}</dd>
      <dt className="text-soft">Trains</dt>
      <dd>
        {traits.trains
          .map(
            (t) => `${trainName(t)}: ${t.arbors.length} arbors, ${sourceOf(traits, t)?.kind ?? 'no power of its own'}`,
          )
          .join('; ')}
      </dd>
      <dt className="text-soft">Fittings</dt>
      <dd>{traits.fittings.join(', ') || 'none'}</dd>
      <dt className="text-soft">In its book</dt>
      <dd>{counted(book.entries.length, 'entry', 'entries')}</dd>
    </dl>
  );
}
