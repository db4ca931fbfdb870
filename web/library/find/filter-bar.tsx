import { ChevronDown, X } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useMemo, useState } from 'react';
import type { EntrySummary } from '../../../contract/library.ts';
import { Button } from '../../ui/index.ts';
import { entryId } from '../../workers/index.ts';
import { BARE, FACETS } from './filters.ts';
import type { Chosen, Facet, Narrowed } from './filters.ts';

/** Kinds whose documents are values to narrow by. */
const NAMED: ReadonlySet<string> = new Set(['equipment', 'caution', 'ladder']);

interface Props {
  chosen: Chosen;
  valuesOf: Narrowed['valuesOf'];
  entries: readonly EntrySummary[];
  onChoose: (facet: string, values: string[]) => void;
  onClear: () => void;
}

/** One small button a facet; each opens its values with how many each would leave. */
export function FilterBar({ chosen, valuesOf, entries, onChoose, onClear }: Props) {
  const titles = useMemo(
    () => new Map(entries.filter((e) => NAMED.has(e.kind)).map((e) => [entryId(e), e.title])),
    [entries],
  );
  const any = Object.keys(chosen).length > 0;
  return (
    <div role="group" aria-label="Narrow the list" className="mt-2 flex flex-wrap gap-1">
      {FACETS.map((f) => (
        <FacetButton
          key={f.key}
          facet={f}
          chosen={chosen[f.key] ?? []}
          valuesOf={valuesOf}
          word={(value) => wordOf(f, value, titles)}
          onChoose={(list) => onChoose(f.key, list)}
        />
      ))}
      {any && (
        <Button tone="quiet" onClick={onClear}>
          <X aria-hidden="true" size={15} /> Clear
        </Button>
      )}
    </div>
  );
}

/** A value as a coach says it: documents by their names, levels with their ladder. */
function wordOf(f: Facet, value: string, titles: ReadonlyMap<string, string>): string {
  const title = (kind: string, slug: string) => titles.get(`${kind}/${slug}`) ?? slug;
  if (f.key === 'kit') return value === BARE ? 'nothing at all' : title('equipment', value);
  if (f.key === 'avoid') return title('caution', value);
  if (f.key === 'level') {
    const [ladder, level] = value.split('/');
    return `${title('ladder', ladder ?? '')}, level ${level}`;
  }
  return value;
}

function FacetButton({
  facet: f,
  chosen,
  valuesOf,
  word,
  onChoose,
}: {
  facet: Facet;
  chosen: readonly string[];
  valuesOf: Narrowed['valuesOf'];
  word: (value: string) => string;
  onChoose: (values: string[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const on = chosen.length > 0;
  const values = open ? valuesOf(f) : [];
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className={`inline-flex min-h-8 max-w-full items-center gap-1 rounded-[2px] border px-2 text-sm ${on ? 'border-tape bg-paper font-semibold' : 'border-rule bg-transparent'}`}
      >
        <span className="truncate">
          {f.label}
          {on && `: ${chosen.map(word).join(', ')}`}
        </span>
        <ChevronDown aria-hidden="true" size={14} className="shrink-0" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          aria-label={f.label}
          className="z-40 max-h-[60vh] w-72 overflow-y-auto border border-ink bg-paper p-2 text-ink"
        >
          {f.how !== 'any' && (
            <p className="px-1 pb-1 text-sm text-soft">
              {f.how === 'within'
                ? 'Tick what is at hand: only what can be done with it is shown.'
                : 'Variations that carry a ticked caution are left out.'}
            </p>
          )}
          {values.length === 0 && <p className="px-1 text-sm text-soft">Nothing to narrow by.</p>}
          {values.map((v) => (
            <label
              key={v.value}
              className={`flex min-h-8 items-center gap-2 px-1 ${v.count === 0 && !v.chosen ? 'text-soft' : ''}`}
            >
              <input
                type="checkbox"
                checked={v.chosen}
                onChange={(e) =>
                  onChoose(e.target.checked ? [...chosen, v.value] : chosen.filter((x) => x !== v.value))
                }
              />
              <span className="grow">{word(v.value)}</span>
              <span className="text-sm text-soft">{v.count}</span>
            </label>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
