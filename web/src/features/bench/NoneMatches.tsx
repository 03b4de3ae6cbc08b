export const NoneMatches = ({ onAll }: { onAll: () => void }) => (
  <p className="py-10 text-center text-lg text-soft">
    No clock on the bench matches.{' '}
    <button type="button" className="min-h-11 font-semibold text-steel underline" onClick={onAll}>
      Show all
    </button>
  </p>
);
