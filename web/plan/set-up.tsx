import { useState } from 'react';
import type { HourNeeds } from '../../contract/plan.ts';
import type { WorkPiece } from '../../core/plan/index.ts';
import { Button, Field } from '../ui/index.ts';
import { usePeople } from '../shell/index.ts';
import type { HourSaid, Said } from './said.ts';

const PRIORITIES: Record<WorkPiece['priority'], string> = {
  1: 'usual',
  2: 'the day’s main work',
  3: 'a criterion or a level is tried',
};

/** A whole number within bounds; what is typed beyond them is put right when the field is left. */
function NumberField({
  label,
  value,
  from,
  to,
  onChange,
}: {
  label: string;
  value: number;
  from: number;
  to: number;
  onChange: (n: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const read = (typed: string) => {
    const n = Math.round(Number(typed));
    return Number.isFinite(n) ? Math.min(to, Math.max(from, n)) : value;
  };
  return (
    <Field label={label} hint={`${from} to ${to}`}>
      {(props) => (
        <input
          {...props}
          className="field w-24"
          inputMode="numeric"
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            onChange(read(e.target.value));
          }}
          onBlur={() => setText(String(read(text)))}
        />
      )}
    </Field>
  );
}

/** Minutes, free kit, coaches, who comes when, and what counts: the hour is planned anew from it. */
export function SetUpHour({
  needs,
  people,
  said,
  onSaid,
}: {
  needs: HourNeeds;
  people: readonly string[];
  said: HourSaid;
  onSaid: (said: HourSaid) => void;
}) {
  const [now, setNow] = useState(said);
  const { nameOf } = usePeople(true);
  const change = (part: Partial<HourSaid>) => setNow((s) => ({ ...s, ...part }));
  const ofPiece = (id: string, part: Said) =>
    setNow((s) => ({ ...s, pieces: { ...s.pieces, [id]: { ...s.pieces[id], ...part } } }));
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap gap-4">
        <NumberField
          label="Minutes in all"
          value={now.totalMin}
          from={20}
          to={180}
          onChange={(totalMin) => change({ totalMin })}
        />
        <NumberField
          label="Warm-up, minutes"
          value={now.warmUpMin}
          from={0}
          to={60}
          onChange={(warmUpMin) => change({ warmUpMin })}
        />
        <NumberField
          label="Change, minutes"
          value={now.changeMin}
          from={0}
          to={5}
          onChange={(changeMin) => change({ changeMin })}
        />
      </div>
      <section aria-label="Kit that is free">
        <h3>Kit that is free</h3>
        <div className="flex flex-wrap gap-4">
          {needs.places.map((p) => (
            <NumberField
              key={p.id}
              label={p.name}
              value={now.free[p.id] ?? p.count}
              from={0}
              to={p.count}
              onChange={(n) => change({ free: { ...now.free, [p.id]: n } })}
            />
          ))}
        </div>
      </section>
      <section aria-label="Coaches">
        <h3>Coaches, and how many places each watches at once</h3>
        {now.watchers.map((w, i) => (
          <div key={i} className="mt-2 flex flex-wrap items-end gap-4">
            <Field label={`Coach ${i + 1}`}>
              {(props) => (
                <input
                  {...props}
                  className="field"
                  value={w.name}
                  maxLength={120}
                  onChange={(e) =>
                    change({
                      watchers: now.watchers.map((x, n) =>
                        n === i ? { ...x, name: e.target.value || 'Coach' } : x,
                      ),
                    })
                  }
                />
              )}
            </Field>
            <NumberField
              label="Places at once"
              value={w.atOnce}
              from={0}
              to={6}
              onChange={(atOnce) =>
                change({ watchers: now.watchers.map((x, n) => (n === i ? { ...x, atOnce } : x)) })
              }
            />
            {now.watchers.length > 1 && (
              <Button
                tone="quiet"
                onClick={() => change({ watchers: now.watchers.filter((_, n) => n !== i) })}
              >
                Not here
              </Button>
            )}
          </div>
        ))}
        {now.watchers.length < 6 && (
          <Button
            className="mt-2"
            onClick={() =>
              change({ watchers: [...now.watchers, { name: `Coach ${now.watchers.length + 1}`, atOnce: 3 }] })
            }
          >
            Another coach
          </Button>
        )}
      </section>
      <section aria-label="Who, and what counts">
        <h3>Who, and what counts</h3>
        <ul>
          {people.map((id) => (
            <li key={id} className="border-b border-rule py-2">
              <div className="flex flex-wrap items-center gap-3">
                <b className="grow">{nameOf(id)}</b>
                <label>
                  Here from{' '}
                  <select
                    className="field w-auto"
                    value={now.from[id] ?? 0}
                    onChange={(e) => change({ from: { ...now.from, [id]: Number(e.target.value) } })}
                  >
                    {[0, 1, 2, 3].map((r) => (
                      <option key={r} value={r}>
                        {r === 0 ? 'the beginning' : `round ${r + 1}`}
                      </option>
                    ))}
                  </select>
                </label>
              </div>
              {needs.pieces
                .filter((p) => p.person === id)
                .map((p) => {
                  const own = now.pieces[p.id] ?? {};
                  return (
                    <div key={p.id} className="flex flex-wrap items-center gap-3 pl-4">
                      <span className="grow">{p.name}</span>
                      <select
                        aria-label={`${p.name}: what it counts`}
                        className="field w-auto"
                        value={own.out ? 'out' : String(own.priority ?? p.priority)}
                        onChange={(e) =>
                          e.target.value === 'out'
                            ? ofPiece(p.id, { out: true })
                            : ofPiece(p.id, {
                                out: false,
                                priority: Number(e.target.value) as WorkPiece['priority'],
                              })
                        }
                      >
                        {([1, 2, 3] as const).map((n) => (
                          <option key={n} value={n}>
                            {PRIORITIES[n]}
                          </option>
                        ))}
                        <option value="out">not today</option>
                      </select>
                      <label className="flex min-h-9 items-center gap-2">
                        <input
                          type="checkbox"
                          checked={own.mustWatch ?? p.mustWatch}
                          onChange={(e) => ofPiece(p.id, { mustWatch: e.target.checked })}
                        />
                        only with a coach’s eyes on every set
                      </label>
                    </div>
                  );
                })}
            </li>
          ))}
        </ul>
        <p className="mt-2 text-sm text-soft">
          Minors, and whoever is new under a bar: tick the eyes. Local rules on supervision come first.
        </p>
      </section>
      <Button tone="main" onClick={() => onSaid(now)}>
        Plan it with this
      </Button>
    </div>
  );
}
