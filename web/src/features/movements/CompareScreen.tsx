import type { Book } from '@eclat/contract';
import { familyById, sourceOf, trainName } from '@eclat/core/movement';
import { counted } from '@eclat/core/units';
import type { Spot } from '@eclat/core/photo';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useBook } from '../../data/queries.ts';
import { Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { day } from '../../ui/dates.ts';
import { SelectField } from '../../ui/Field.tsx';
import { LaidOver } from './LaidOver.tsx';

/**
 * Two photos side by side or over each other, or two movements of one kind: a known-good one is the best manual. The
 * address says which.
 */
export function CompareScreen() {
  const movementId = useParams()['movementId']!;
  const [search, setSearch] = useSearchParams();
  const withId = search.get('with') ?? movementId;
  const over = search.get('as') === 'over';
  const type = useQuery(fetched(api.assessment.knownOfType, { params: { movementId } }));
  const set = (name: string, value: string) =>
    setSearch(
      (s) => {
        s.set(name, value);
        // Other photos have other spots.
        if (name !== 'spots' && name !== 'as') s.delete('spots');
        return s;
      },
      { replace: true },
    );
  return (
    <div className="mx-auto flex max-w-[96rem] flex-col gap-5 px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <h1 className="text-3xl">Compare</h1>
          <Choice
            hideLabel
            label="How they are seen"
            value={over ? 'over' : 'side'}
            onChange={(next) => set('as', next)}
            options={[
              ['side', 'Side by side'],
              ['over', 'Over each other'],
            ]}
          />
        </div>
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
      {over && <Over movementId={movementId} withId={withId} search={search} set={set} />}
      <div className={over ? 'hidden' : 'grid gap-5 md:grid-cols-2'}>
        <Side
          movementId={movementId}
          shown={search.get('left')}
          onShow={(id) => set('left', id)}
          label="Left"
          {...(withId === movementId ? { first: 1 } : {})}
        />
        <Side movementId={withId} shown={search.get('right')} onShow={(id) => set('right', id)} label="Right" />
      </div>
    </div>
  );
}

function Over({
  movementId,
  withId,
  search,
  set,
}: {
  movementId: string;
  withId: string;
  search: URLSearchParams;
  set: (name: string, value: string) => void;
}) {
  const mine = usePhotosOf(movementId);
  const other = usePhotosOf(withId);
  if (mine.error ?? other.error) return <Failed error={(mine.error ?? other.error)!} />;
  if (!mine.data || !other.data) return <Loading what="the photos" />;
  // The latest on the right, what came before it on the left.
  const first = shownOf(mine.data, search.get('left'), withId === movementId ? 1 : 0);
  const second = shownOf(other.data, search.get('right'), 0);
  if (!first || !second || first === second) return <Empty>Choose two photos side by side first.</Empty>;
  return (
    <LaidOver
      first={first}
      second={second}
      spots={spotsIn(search.get('spots'))}
      onSpots={(next) => set('spots', next.map((s) => `${s.x.toFixed(4)},${s.y.toFixed(4)}`).join(';'))}
    />
  );
}

/** `0.1,0.2;0.3,0.4` of the address; what is no such thing is none. */
function spotsIn(said: string | null): Spot[] {
  const spots = (said ?? '')
    .split(';')
    .filter(Boolean)
    .map((pair) => pair.split(',').map(Number));
  return spots.every(([x, y]) => isShare(x) && isShare(y)) && spots.length <= 4
    ? spots.map(([x, y]) => ({ x: x!, y: y! }))
    : [];
}
const isShare = (v: number | undefined): boolean => v !== undefined && v >= 0 && v <= 1;

const usePhotosOf = (movementId: string) =>
  useQuery(fetched(api.assessment.photosOfMovement, { params: { movementId } }));

/** The photo that the address names, or else the one that comes first here. */
const shownOf = <T extends { id: string }>(photos: readonly T[], id: string | null, first: number): T | undefined =>
  photos.find((p) => p.id === id) ?? photos[first] ?? photos[0];

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
  const photos = usePhotosOf(movementId);
  if (book.error && !book.data) return <Failed error={book.error} />;
  if (!book.data || !photos.data) return <Loading what="the photos" />;
  const { movement } = book.data;
  const large = shownOf(photos.data, shown, first);
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
