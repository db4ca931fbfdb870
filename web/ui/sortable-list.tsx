import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { DragEndEvent } from '@dnd-kit/core';
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from './controls.tsx';

interface ListProps<T> {
  items: readonly T[];
  /** An id for each, the same as long as it is the same item. */
  idOf: (item: T, index: number) => string;
  /** What each is called where it is told: "step 3, Goblet". */
  nameOf: (item: T, index: number) => string;
  onMove: (from: number, to: number) => void;
  /** Something else than an item was dropped on the item of that id: true where it was taken. */
  onDrop?: (dropped: string, on: string) => boolean;
  label?: string;
  children: (item: T, index: number) => ReactNode;
}

/** Items in order: dragged by their handle, by pointer or by keyboard. Each of its children is a `SortableRow`. */
export function SortableList<T>({ items, idOf, nameOf, onMove, onDrop, label, children }: ListProps<T>) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = items.map(idOf);
  const place = (id: string | number) => ids.indexOf(String(id));
  const name = (id: string | number) => {
    const at = place(id);
    return at === -1 ? 'it' : nameOf(items[at]!, at);
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id || onDrop?.(String(active.id), String(over.id))) return;
    const [from, to] = [place(active.id), place(over.id)];
    if (from !== -1 && to !== -1) onMove(from, to);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Space takes it up, the arrow keys move it, space again puts it down, Escape leaves it.',
        },
        announcements: {
          onDragStart: ({ active }) => `Took up ${name(active.id)}.`,
          onDragOver: ({ over }) =>
            over ? `Over place ${place(over.id) + 1} of ${items.length}.` : undefined,
          onDragEnd: ({ over }) => (over ? `Put down at place ${place(over.id) + 1}.` : 'Put back.'),
          onDragCancel: () => 'Left where it was.',
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label={label}>{items.map(children)}</ol>
      </SortableContext>
    </DndContext>
  );
}

interface RowProps {
  id: string;
  /** "step 3": its buttons are named after it. */
  what: string;
  /** More of its name for the handle. */
  named?: string;
  first: boolean;
  last: boolean;
  onMove: (by: number) => void;
  /** Which way the arrows are said to lead. */
  up?: string;
  down?: string;
  /** The one that is looked at. */
  chosen?: boolean;
  className?: string;
  children: ReactNode;
  /** Buttons after the arrows. */
  more?: ReactNode;
}

export function SortableRow({
  id,
  what,
  named = '',
  first,
  last,
  onMove,
  up = 'up',
  down = 'down',
  chosen = false,
  className = '',
  children,
  more,
}: RowProps) {
  const {
    attributes,
    listeners,
    setNodeRef,
    setActivatorNodeRef,
    transform,
    transition,
    isDragging,
    isOver,
  } = useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-start gap-1 ${chosen ? 'border-tape bg-paper' : 'border-rule'} ${isDragging ? 'relative z-10 border-tape bg-paper' : ''} ${isOver ? 'outline-2 outline-tape' : ''} ${className}`}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Drag ${what}${named && `, ${named}`}`}
        className="flex min-h-9 w-7 shrink-0 cursor-grab touch-none items-center justify-center text-soft"
      >
        <GripVertical aria-hidden="true" size={16} />
      </button>
      <div className="min-w-0 grow">{children}</div>
      <Button tone="quiet" aria-label={`Move ${what} ${up}`} disabled={first} onClick={() => onMove(-1)}>
        <ArrowUp aria-hidden="true" size={16} />
      </Button>
      <Button tone="quiet" aria-label={`Move ${what} ${down}`} disabled={last} onClick={() => onMove(1)}>
        <ArrowDown aria-hidden="true" size={16} />
      </Button>
      {more}
    </li>
  );
}

/** The list with one of its items put elsewhere. */
export const moved = <T,>(items: readonly T[], from: number, to: number): T[] =>
  arrayMove([...items], from, to);
