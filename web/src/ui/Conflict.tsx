import { useAppState } from '../data/app-state.ts';
import { Button } from './Button.tsx';
import { Sheet } from './Sheet.tsx';

/** Two people changed one thing: both states side by side, and a choice. */
export function ConflictSheet() {
  const conflict = useAppState((s) => s.conflict);
  if (!conflict) return null;
  return (
    <Sheet
      open
      mustChoose
      onClose={() => undefined}
      title="Somebody changed this while you were typing"
      description={`${conflict.what}: nothing of yours was written yet. Choose which to keep.`}
    >
      <div className="flex flex-col gap-4">
        {conflict.fields.map((f) => (
          <div key={f.name}>
            <h3 className="mb-1 font-semibold">{f.label}</h3>
            <div className="grid gap-3 sm:grid-cols-2">
              <p className="rounded-lg border-2 border-steel bg-steel-wash p-3 whitespace-pre-wrap">
                <span className="block text-sm text-soft">Yours</span>
                {f.mine}
              </p>
              <p className="rounded-lg border-2 border-line p-3 whitespace-pre-wrap">
                <span className="block text-sm text-soft">Theirs</span>
                {f.theirs}
              </p>
            </div>
          </div>
        ))}
        <div className="flex flex-wrap gap-3">
          <Button variant="main" onClick={conflict.keepMine}>
            Keep mine
          </Button>
          <Button onClick={conflict.takeTheirs}>Take theirs</Button>
        </div>
      </div>
    </Sheet>
  );
}
