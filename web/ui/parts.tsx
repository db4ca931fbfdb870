import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';

/** A page in parts, one at a time; which one is the caller’s to keep, in the address. */
export function Parts<T extends string>({
  label,
  parts,
  value,
  onPick,
  children,
}: {
  label: string;
  parts: readonly (readonly [T, string])[];
  value: T;
  onPick: (value: T) => void;
  children: ReactNode;
}) {
  return (
    <Tabs.Root value={value} onValueChange={(to) => onPick(to as T)} className="mt-2 print:mt-0">
      <Tabs.List aria-label={label} className="no-print flex gap-1 overflow-x-auto border-b border-ink">
        {parts.map(([part, name]) => (
          <Tabs.Trigger
            key={part}
            value={part}
            className="min-h-11 shrink-0 px-4 font-head text-soft data-[state=active]:bg-paper data-[state=active]:font-semibold data-[state=active]:text-ink data-[state=active]:shadow-[inset_0_-5px_0_var(--tape)]"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value={value} className="py-5 print:py-0">
        {children}
      </Tabs.Content>
    </Tabs.Root>
  );
}
