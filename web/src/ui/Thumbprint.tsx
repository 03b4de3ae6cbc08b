/** The thumbprint of a key, in groups that two people read to each other. */
export function Thumbprint({ of }: { of: string }) {
  const groups = of.match(/.{1,4}/g) ?? [];
  return (
    <p
      className="flex flex-wrap gap-x-4 gap-y-1 rounded-lg bg-sunk p-3 text-xl font-semibold tracking-wide"
      aria-label={`Key ${groups.join(' ')}`}
    >
      {groups.map((g, i) => (
        <span key={`${i} ${g}`}>{g}</span>
      ))}
    </p>
  );
}
