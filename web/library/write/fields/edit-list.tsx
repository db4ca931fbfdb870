import { Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button, moved, SortableList, SortableRow } from '../../../ui/index.ts';

interface OrderedProps<T> {
  items: T[];
  what: string;
  onChange: (items: T[]) => void;
  render: (item: T, index: number, set: (item: T) => void) => ReactNode;
  errorAt?: (index: number) => string | undefined;
}

/** Items in order: dragged by their handle, by keyboard on the handle or with the arrows beside each; each can be removed. */
export function OrderedList<T>({ items, what, onChange, render, errorAt }: OrderedProps<T>) {
  const move = (from: number, to: number) => onChange(moved(items, from, to));
  return (
    <SortableList
      items={items}
      // An item has no id of its own, and none is needed: its place is told anew after each move.
      idOf={(_, i) => String(i + 1)}
      nameOf={(_, i) => `${what} ${i + 1}`}
      onMove={move}
    >
      {(item, i) => {
        const error = errorAt?.(i);
        return (
          <SortableRow
            key={i + 1}
            id={String(i + 1)}
            what={`${what} ${i + 1}`}
            first={i === 0}
            last={i === items.length - 1}
            className="mb-1.5 border-l-2 pl-1"
            onMove={(by) => move(i, i + by)}
            more={
              <Button
                tone="quiet"
                aria-label={`Remove ${what} ${i + 1}`}
                onClick={() => onChange(items.filter((_, j) => j !== i))}
              >
                <X aria-hidden="true" size={16} />
              </Button>
            }
          >
            {render(item, i, (v) => onChange(items.map((x, j) => (j === i ? v : x))))}
            {error && <p className="text-sm font-semibold text-warn">{error}</p>}
          </SortableRow>
        );
      }}
    </SortableList>
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
