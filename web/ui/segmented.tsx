import type { Key, ReactNode } from 'react';

interface Props<T> {
  /** What is chosen, for those who do not see it stand together. */
  label: string;
  options: readonly T[];
  value: T | null;
  onPick: (value: T) => void;
  /** What stands on a button; absent: the value itself. */
  children?: (value: T) => ReactNode;
  keyOf?: (value: T) => Key;
  disabled?: (value: T) => boolean;
  /** To be hit on the floor, at arm's length. */
  floor?: boolean;
  /** Taped: one of several views; filled: an answer. */
  look?: 'taped' | 'filled';
  /** The buttons share the width. */
  wide?: boolean;
  /** The label stands before the buttons. */
  named?: boolean;
  className?: string;
}

const LOOKS = {
  taped: { on: 'taped bg-paper font-semibold', off: 'text-soft', gap: '' },
  filled: {
    on: 'border border-tape bg-tape font-bold text-on-tape',
    off: 'border border-soft bg-paper',
    gap: 'gap-1',
  },
};

/** One of a few, all in sight: buttons side by side, the chosen one pressed. */
export function Segmented<T>({
  label,
  options,
  value,
  onPick,
  children,
  keyOf = String,
  disabled,
  floor = false,
  look = 'taped',
  wide = false,
  named = false,
  className = '',
}: Props<T>) {
  const { on, off, gap } = LOOKS[look];
  return (
    <div role="group" aria-label={label} className={`flex flex-wrap items-center ${gap} ${className}`}>
      {named && <span className="label pr-1">{label}</span>}
      {options.map((o) => (
        <button
          key={keyOf(o)}
          type="button"
          aria-pressed={o === value}
          disabled={disabled?.(o) ?? false}
          onClick={() => onPick(o)}
          className={`${floor ? 'min-h-14 px-4 text-base' : 'min-h-9 px-3'} ${wide ? 'grow' : ''} ${o === value ? on : off}`}
        >
          {children ? children(o) : String(o)}
        </button>
      ))}
    </div>
  );
}
