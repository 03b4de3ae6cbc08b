import { TriangleAlert } from 'lucide-react';

/** A caution at its step, before it. */
export function Warned({ text, before }: { text: string; before?: string }) {
  return (
    <p className="flex items-start gap-3 rounded-lg border-l-8 border-brass-fill bg-brass-wash px-4 py-2">
      <TriangleAlert className="mt-0.5 size-5 shrink-0 text-brass" aria-hidden />
      <span>
        {before && <b>Before “{before}”: </b>}
        {text}
      </span>
    </p>
  );
}
