import { FAMILIES } from '@eclat/core/movement';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

export interface Known {
  id: string;
  code: string;
  name: string;
}

export const MOST_SHOWN = 4;

export function WhichMovement({
  text,
  known,
  data,
  setKnown,
  setText,
}: {
  text: string;
  known: Known | null;
  data:
    | {
        items: {
          id: string;
          name: string;
          code: string;
          version: number;
          familyId: string;
          maker: string;
          marks: {
            place: 'barrel' | 'balance' | 'case' | 'dial' | 'back plate' | 'front plate' | 'label' | 'pendulum';
            text: string;
          }[];
          entries: number;
          lastDate: string | null;
        }[];
        next: string | null;
      }
    | undefined;
  setKnown: (next: Known | null) => void;
  setText: (next: string) => void;
}) {
  const visit = useThisVisit();
  const found = text.trim().length > 1 && !known ? (data?.items ?? []).filter((m) => m.id !== visit.movement.id) : [];
  return (
    <div className="sm:col-span-2">
      <TextField
        label="The movement that goes in"
        placeholder="What it is called, or the code of one that has a book"
        value={known ? `${known.code}, ${known.name}` : text}
        onChange={(e) => {
          setKnown(null);
          setText(e.target.value);
        }}
        hint={known ? 'It has a book: its history goes on.' : 'A new book is begun for it.'}
      />
      {found.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2">
          {found.slice(0, MOST_SHOWN).map((m) => (
            <Button
              key={m.id}
              onClick={() => {
                setKnown(m);
                setText(m.name);
              }}
            >
              <b>{m.code}</b> {m.name}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}

export function NewOne({
  family,
  setFamily,
  maker,
  setMaker,
  mark,
  setMark,
}: {
  family: string;
  setFamily: (next: string) => void;
  maker: string;
  setMaker: (next: string) => void;
  mark: string;
  setMark: (next: string) => void;
}) {
  return (
    <>
      <SelectField label="Family" value={family} onChange={(e) => setFamily(e.target.value)}>
        {FAMILIES.map((f) => (
          <option key={f.id} value={f.id}>
            {f.name}
          </option>
        ))}
      </SelectField>
      <TextField label="Maker" value={maker} maxLength={120} onChange={(e) => setMaker(e.target.value)} />
      <TextField
        label="Type and number on its back plate"
        value={mark}
        maxLength={80}
        onChange={(e) => setMark(e.target.value)}
      />
    </>
  );
}
