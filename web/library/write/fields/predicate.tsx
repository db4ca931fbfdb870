import { X } from 'lucide-react';
import type { EntrySummary } from '../../../../contract/library.ts';
import {
  LATERALITIES,
  LOAD_KINDS,
  LOAD_PLACES,
  PATTERNS,
  RANGE_TARGETS,
  ROLES,
  SUPPORTS,
} from '../../../../core/terms/index.ts';
import type { Predicate } from '../../../../core/library/index.ts';
import { Button } from '../../../ui/index.ts';

type ListTest = Extract<Predicate, { is: unknown }>['test'];
const OPTIONS: Record<Exclude<ListTest, 'equipment'>, readonly string[]> = {
  pattern: PATTERNS,
  laterality: LATERALITIES,
  'load kind': LOAD_KINDS,
  'load place': LOAD_PLACES,
  support: SUPPORTS,
  range: RANGE_TARGETS,
  role: ROLES,
};
const TESTS: Predicate['test'][] = [
  'every variation',
  ...(Object.keys(OPTIONS) as ListTest[]),
  'equipment',
  'impact',
  'all',
  'any',
  'not',
];
const WORDS: Partial<Record<Predicate['test'], string>> = {
  all: 'all of …',
  any: 'any of …',
  not: 'not …',
  impact: 'has a jump or a landing',
};

function freshTest(test: Predicate['test']): Predicate {
  if (test === 'all' || test === 'any') return { test, of: [{ test: 'every variation' }] };
  if (test === 'not') return { test, of: { test: 'impact' } };
  if (test === 'every variation' || test === 'impact') return { test };
  return { test, is: [] };
}

interface Props {
  value: Predicate;
  equipment: EntrySummary[];
  onChange: (value: Predicate) => void;
  onRemove?: () => void;
}

/** Which variations: a test over their structured fields, built by controls. */
export function PredicateEditor({ value: p, equipment, onChange, onRemove }: Props) {
  return (
    <div className="border-l-2 border-rule pl-3">
      <div className="flex items-center gap-2">
        <select
          aria-label="Test"
          className="field max-w-56"
          value={p.test}
          onChange={(e) => onChange(freshTest(e.target.value as Predicate['test']))}
        >
          {TESTS.map((t) => (
            <option key={t} value={t}>
              {WORDS[t] ?? t}
            </option>
          ))}
        </select>
        {onRemove && (
          <Button tone="quiet" aria-label="Remove this test" onClick={onRemove}>
            <X aria-hidden="true" size={16} />
          </Button>
        )}
      </div>
      {'is' in p && (
        <div className="mt-1 flex flex-wrap gap-x-4">
          {(p.test === 'equipment' ? equipment.map((e) => e.slug) : OPTIONS[p.test]).map((o) => {
            const chosen = p.is as string[];
            return (
              <label key={o} className="flex min-h-8 items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={chosen.includes(o)}
                  onChange={(e) =>
                    onChange({
                      ...p,
                      is: e.target.checked ? [...chosen, o] : chosen.filter((x) => x !== o),
                    } as Predicate)
                  }
                />
                {p.test === 'equipment' ? (equipment.find((e) => e.slug === o)?.title ?? o) : o}
              </label>
            );
          })}
        </div>
      )}
      {(p.test === 'all' || p.test === 'any') && (
        <div className="mt-1 grid gap-2">
          {p.of.map((q, i) => (
            <PredicateEditor
              key={i}
              value={q}
              equipment={equipment}
              onChange={(v) => onChange({ ...p, of: p.of.map((x, j) => (j === i ? v : x)) })}
              onRemove={() => onChange({ ...p, of: p.of.filter((_, j) => j !== i) })}
            />
          ))}
          <div>
            <Button onClick={() => onChange({ ...p, of: [...p.of, { test: 'every variation' }] })}>
              Add a test
            </Button>
          </div>
        </div>
      )}
      {p.test === 'not' && (
        <PredicateEditor value={p.of} equipment={equipment} onChange={(of) => onChange({ ...p, of })} />
      )}
    </div>
  );
}
