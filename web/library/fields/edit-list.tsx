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
import { ArrowDown, ArrowUp, GripVertical, Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../../ui/index.ts';

interface OrderedProps<T> {
  items: T[];
  what: string;
  onChange: (items: T[]) => void;
  render: (item: T, index: number, set: (item: T) => void) => ReactNode;
  errorAt?: (index: number) => string | undefined;
}

/** Items in order: dragged by their handle, by keyboard on the handle or with the arrows beside each. */
export function OrderedList<T>({ items, what, onChange, render, errorAt }: OrderedProps<T>) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  // An item has no id of its own, and none is needed: its place is told anew after each move.
  const ids = items.map((_, i) => String(i + 1));
  const move = (from: number, to: number) => onChange(arrayMove(items, from, to));
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) move(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
  };
  const place = (id: string | number) => `${what} ${id}`;
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
          onDragStart: ({ active }) => `Took up ${place(active.id)}.`,
          onDragOver: ({ over }) => (over ? `Over place ${over.id} of ${items.length}.` : undefined),
          onDragEnd: ({ over }) => (over ? `Put down at place ${over.id}.` : 'Put back.'),
          onDragCancel: () => 'Left where it was.',
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol>
          {items.map((item, i) => (
            <Row
              key={ids[i]}
              id={ids[i]!}
              what={what}
              last={i === items.length - 1}
              error={errorAt?.(i)}
              onMove={(by) => move(i, i + by)}
              onRemove={() => onChange(items.filter((_, j) => j !== i))}
            >
              {render(item, i, (v) => onChange(items.map((x, j) => (j === i ? v : x))))}
            </Row>
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function Row({
  id,
  what,
  last,
  error,
  onMove,
  onRemove,
  children,
}: {
  id: string;
  what: string;
  last: boolean;
  error: string | undefined;
  onMove: (by: number) => void;
  onRemove: () => void;
  children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({
      id,
    });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`mb-1.5 flex items-start gap-1 border-l-2 pl-1 ${isDragging ? 'relative z-10 border-tape bg-paper' : 'border-rule'}`}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Drag ${what} ${id}`}
        className="flex min-h-9 w-7 shrink-0 cursor-grab touch-none items-center justify-center text-soft"
      >
        <GripVertical aria-hidden="true" size={16} />
      </button>
      <div className="min-w-0 grow">
        {children}
        {error && <p className="text-sm font-semibold text-warn">{error}</p>}
      </div>
      <Button
        tone="quiet"
        aria-label={`Move ${what} ${id} up`}
        disabled={id === '1'}
        onClick={() => onMove(-1)}
      >
        <ArrowUp aria-hidden="true" size={16} />
      </Button>
      <Button tone="quiet" aria-label={`Move ${what} ${id} down`} disabled={last} onClick={() => onMove(1)}>
        <ArrowDown aria-hidden="true" size={16} />
      </Button>
      <Button tone="quiet" aria-label={`Remove ${what} ${id}`} onClick={onRemove}>
        <X aria-hidden="true" size={16} />
      </Button>
    </li>
  );
}

interface ListProps<T> extends OrderedProps<T> {
  fresh: () => T;
}

/** The same with a button that adds a fresh item at the end. */
export function EditList<T>({ fresh, ...list }: ListProps<T>) {
  return (
    <div>
      <OrderedList {...list} />
      <Button onClick={() => list.onChange([...list.items, fresh()])}>
        <Plus aria-hidden="true" size={16} /> {list.what}
      </Button>
    </div>
  );
}
