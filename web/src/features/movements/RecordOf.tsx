import { tellRecord, type Told } from '@eclat/core/record';

/** A signed visit as it stands in the book. */
export function RecordOf(told: Told) {
  return (
    <dl className="mt-2 grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-4 gap-y-1.5 text-lg">
      {tellRecord(told).map(({ name, lines }) => (
        <div key={name} className="contents">
          <dt className="text-soft">{name}</dt>
          <dd>
            {lines.map((l, i) => (
              <span key={i} className="block">
                {l}
              </span>
            ))}
          </dd>
        </div>
      ))}
    </dl>
  );
}
