import { readingOf } from '@eclat/core/record';

const LOOKS = {
  sure: '',
  doubtful: 'underline decoration-dotted decoration-2 underline-offset-4',
  gap: 'px-1 text-soft not-italic',
} as const;
const SAID = { sure: undefined, doubtful: 'Read with doubt', gap: 'Cannot be read' } as const;

/** A transcription as it stands on the clock, line by line; what is doubtful is dotted below. */
export const Reading = ({ text }: { text: string }) => (
  <span className="whitespace-pre-line">
    {readingOf(text).map(({ is, text: said }, i) => (
      <span key={i} className={LOOKS[is]} title={SAID[is]}>
        {is === 'gap' ? '[…]' : said}
      </span>
    ))}
  </span>
);
