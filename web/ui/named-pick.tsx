import { Command } from 'cmdk';
import { ChevronDown } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { wordsIn } from '../../core/library/index.ts';

/** Something with a name, and the other names that it goes by. */
export interface Named {
  value: string;
  name: string;
  also: readonly string[];
}

/** Whether every word that was typed begins a word of the name or of another name in use. */
const begins = (_value: string, typed: string, keywords: string[] = []): number =>
  keywords.some((name) => {
    const words = wordsIn(name);
    return wordsIn(typed).every((t) => words.some((w) => w.startsWith(t)));
  })
    ? 1
    : 0;

/** One of many things, found by any name in use. */
export function NamedPick({
  options,
  value,
  none,
  onChange,
  ...rest
}: {
  options: readonly Named[];
  value: string;
  /** What choosing nothing is called; absent: something has to be chosen. */
  none?: string | undefined;
  onChange: (value: string) => void;
  id?: string;
  'aria-label'?: string;
  'aria-describedby'?: string | undefined;
  'aria-invalid'?: boolean | undefined;
}) {
  const [open, setOpen] = useState(false);
  const chosen = options.find((o) => o.value === value);
  const pick = (to: string) => {
    setOpen(false);
    onChange(to);
  };
  const shown = chosen?.name ?? (value ? `${value} (not in the library)` : (none ?? 'choose …'));
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        {...rest}
        aria-label={rest['aria-label'] && `${rest['aria-label']}: ${shown}`}
        className="field flex items-center justify-between gap-2 text-left"
      >
        {shown}
        <ChevronDown aria-hidden="true" size={16} className="shrink-0" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          aria-label="Find by any name"
          className="z-50 w-80 max-w-[90vw] border border-ink bg-paper p-2 text-ink"
        >
          <Command label="Find by any name" filter={begins} className="grid gap-2">
            <Command.Input className="field" placeholder="Any name in use" autoFocus />
            <Command.List className="max-h-[40vh] overflow-y-auto">
              <Command.Empty className="p-2 text-soft">
                Nothing goes by that name. Try fewer letters.
              </Command.Empty>
              {none !== undefined && (
                <Choice value="" keywords={[none]} onSelect={() => pick('')}>
                  {none}
                </Choice>
              )}
              {options.map((o) => (
                <Choice
                  key={o.value}
                  value={o.value}
                  keywords={[o.name, ...o.also]}
                  onSelect={() => pick(o.value)}
                >
                  {o.name}
                </Choice>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Choice(props: { value: string; keywords: string[]; onSelect: () => void; children: string }) {
  return (
    <Command.Item
      {...props}
      className="px-2 py-1.5 data-[selected=true]:bg-tape data-[selected=true]:text-on-tape"
    />
  );
}
