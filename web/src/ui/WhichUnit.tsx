/** Millimetres or thousandths: the one question that is never answered for the person. */
export function WhichUnit({
  typed,
  asThousandths,
  onAnswer,
}: {
  typed: string;
  asThousandths: number;
  onAnswer: (text: string) => void;
}) {
  return (
    <div
      className={
        'mt-1 flex flex-wrap items-center gap-2 rounded-lg border border-brass-fill bg-brass-wash p-2 ' + 'text-sm'
      }
    >
      <span>Which is meant?</span>
      <button
        type="button"
        className="min-h-11 rounded border border-line bg-enamel px-3 font-semibold"
        onClick={() => onAnswer(`${typed.trim()} thou`)}
      >
        {typed.trim()} thousandths ({asThousandths.toFixed(3)} mm)
      </button>
      <span className="text-soft">anything larger would not fit here</span>
    </div>
  );
}
