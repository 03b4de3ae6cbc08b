import type { ServiceRecord } from '@eclat/core/history';
import { tellRecord } from '@eclat/core/record';

/** A signed visit as it stands in the book. */
export function RecordOf({ record }: { record: ServiceRecord }) {
  return (
    <dl className="mt-2 grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-4 gap-y-1.5 text-lg">
      {tellRecord(record).map(({ name, lines }) => (
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
