import { Panel } from '../../ui/Answer.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { knownOfTyped } from './known.ts';
import { useWishes } from './wishes.ts';

export function KnownOfIt({ wrong }: { wrong: ReturnType<typeof knownOfTyped>['wrong'] }) {
  const wishes = useWishes();
  return (
    <Panel title="What is known of it">
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label="Beats an hour"
          hint="Found by itself if left empty."
          inputMode="decimal"
          value={wishes.beats}
          error={wrong.beats}
          onChange={(e) => wishes.set({ beats: e.target.value })}
        />
        <TextField
          label="Lift angle, degrees"
          hint="For the amplitude of a lever."
          inputMode="decimal"
          value={wishes.lift}
          error={wrong.lift}
          onChange={(e) => wishes.set({ lift: e.target.value })}
        />
        <TextField
          label="Escape teeth"
          hint="For patterns of its turn."
          inputMode="numeric"
          value={wishes.teeth}
          error={wrong.teeth}
          onChange={(e) => wishes.set({ teeth: e.target.value })}
        />
      </div>
      <div className="mt-4">
        <Choice
          label="The louder sound falls when it is on the"
          value={wishes.tickSide ?? 'not said'}
          onChange={(v) => wishes.set({ tickSide: v === 'not said' ? null : v })}
          options={
            [
              ['left', 'left'],
              ['right', 'right'],
              ['not said', 'not said'],
            ] as const
          }
        />
      </div>
    </Panel>
  );
}
