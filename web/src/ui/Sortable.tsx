import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import type { DragEndEvent, Over } from '@dnd-kit/core';
import {
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import clsx from 'clsx';
import { useEffect, useState, type ReactNode } from 'react';

interface Props<T extends { id: string }> {
  /** In their order. */
  rows: readonly T[];
  nameOf: (row: T) => string;
  /** Put in the place where another stood. */
  onMove: (row: T, where: T) => void;
  /** It is being sent. */
  busy: boolean;
  /** Rows under each other, or pictures side by side. */
  grid?: boolean;
  children: (rows: readonly T[]) => ReactNode;
}

/** So long a dropped row stays where it was put while nobody says that it stands there, ms. */
const UNTIL_SAID = 3000;
/** A press becomes a drag when it moved this far, px. */
const FAR = 6;

/**
 * Rows that are put in another order: by their grip with finger or mouse, or with the keyboard (Space or Enter lifts
 * and puts down, the arrows move, Escape puts back).
 */
export function Sortable<T extends { id: string }>({ rows, nameOf, onMove, busy, grid = false, children }: Props<T>) {
  const stood = rows.map((r) => r.id).join();
  const [put, setPut] = useState<{ stood: string; rows: readonly T[] } | null>(null);
  const shown = put?.stood === stood ? put.rows : rows;
  useEffect(() => {
    if (!put || busy) return;
    const timer = setTimeout(() => setPut(null), UNTIL_SAID);
    return () => clearTimeout(timer);
  }, [put, busy]);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: FAR } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const name = (id: unknown): string => {
    const row = rows.find((r) => r.id === id);
    return row ? nameOf(row) : '';
  };
  const place = (over: Over | null): string =>
    over ? `${shown.findIndex((r) => r.id === over.id) + 1} of ${shown.length}` : 'no place';
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const from = shown.findIndex((r) => r.id === active.id);
    const to = shown.findIndex((r) => r.id === over?.id);
    if (from < 0 || to < 0 || from === to) return;
    const row = shown[from]!;
    setPut({ stood, rows: shown.toSpliced(from, 1).toSpliced(to, 0, row) });
    onMove(row, shown[to]!);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Space lifts it, the arrow keys move it, Space puts it down, Escape puts it back.',
        },
        announcements: {
          onDragStart: ({ active }) => `${name(active.id)}: lifted.`,
          onDragOver: ({ active, over }) => `${name(active.id)}: ${place(over)}.`,
          onDragEnd: ({ active, over }) => `${name(active.id)}: put at ${place(over)}.`,
          onDragCancel: ({ active }) => `${name(active.id)}: back where it was.`,
        },
      }}
    >
      <SortableContext
        items={shown.map((r) => r.id)}
        strategy={grid ? rectSortingStrategy : verticalListSortingStrategy}
      >
        {children(shown)}
      </SortableContext>
    </DndContext>
  );
}

interface RowProps {
  id: string;
  /** Of the grip: “Move hands”. */
  name: string;
  /** What is seen of the grip. */
  grip: ReactNode;
  gripClass: string;
  className?: string;
  disabled?: boolean;
  children: (grip: ReactNode) => ReactNode;
}

/** One row of them. Its grip stands where the row puts it. */
export function SortableRow({ id, name, grip, gripClass, className, disabled = false, children }: RowProps) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id,
    disabled,
  });
  return (
    <li
      ref={setNodeRef}
      // Only ever shifted, never stretched to the size of another row.
      style={transform ? { transform: `translate3d(${transform.x}px, ${transform.y}px, 0)`, transition } : {}}
      className={clsx(className, isDragging && 'relative z-10 rounded-lg bg-enamel shadow-xl')}
    >
      {children(
        disabled ? (
          <span className={gripClass}>{grip}</span>
        ) : (
          <button
            ref={setActivatorNodeRef}
            type="button"
            {...attributes}
            {...listeners}
            aria-label={name}
            data-half={isDragging ? '' : undefined}
            className={clsx(gripClass, 'touch-none', isDragging ? 'cursor-grabbing' : 'cursor-grab')}
          >
            {grip}
          </button>
        ),
      )}
    </li>
  );
}
