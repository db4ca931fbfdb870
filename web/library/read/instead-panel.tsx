import { useState } from 'react';
import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import type { Build } from '../../../core/body/index.ts';
import type { InsteadEntry, InsteadGroup } from '../../../core/demand/index.ts';
import type { ResolvedVariation } from '../../../core/library/index.ts';
import { isComputed } from '../../../core/posture/index.ts';
import type { SettledMechanics } from '../../../core/posture/index.ts';
import { BuildSelect, EqualLoadPanel } from '../../body/index.ts';
import { buildFor, useAddress, useAsk, useBuilds, useUnits } from '../../shell/index.ts';
import { Button, Loaded } from '../../ui/index.ts';
import { EntryIcon } from '../find/entry-icon.tsx';

const GROUP_WORDS: Record<InsteadGroup, string> = {
  easier: 'Easier',
  equal: 'As hard',
  harder: 'Harder',
  'without the equipment': 'Without that kit',
  'at home': 'At home',
  'kinder to the knee': 'Kinder to the knee',
  'kinder to the back': 'Kinder to the low back',
};

/** What can be given instead, ranked, each with its computed reasons; what is asked lives in the address. */
export function InsteadPanel({
  resolved: r,
  entries,
}: {
  resolved: ResolvedVariation;
  entries: readonly EntrySummary[];
}) {
  const { params, set } = useAddress();
  const builds = useBuilds();
  const open = params.has('instead');
  const without = (params.get('without') ?? '').split(',').filter(Boolean);
  const personId = params.get('for');
  const build = buildFor(builds, personId);
  const asked = {
    slug: r.source.slug,
    without: without.length > 0 ? without : undefined,
    person: personId ?? undefined,
  };
  const answer = useAsk('instead', open ? asked : null);
  const pieces = [...r.equipmentAll, ...r.equipmentAny.flat()].map((n) => n.equipment);
  if (!open) {
    return (
      <p className="my-3">
        <Button onClick={() => set({ instead: 'yes' })}>What can I give instead?</Button>
      </p>
    );
  }
  return (
    <section aria-label="What can be given instead" className="my-3 border-y border-ink py-3">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2>What can I give instead?</h2>
        <Button tone="quiet" onClick={() => set({ instead: null, without: null, for: null })}>
          Close
        </Button>
      </div>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <BuildSelect label="For" builds={builds} personId={personId} onChange={(id) => set({ for: id })} />
        {pieces.length > 0 && (
          <fieldset className="flex flex-wrap gap-x-4">
            <legend className="label">In use at the moment</legend>
            {pieces.map((e) => (
              <label key={e.slug} className="flex min-h-9 items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={without.includes(e.slug)}
                  onChange={(x) =>
                    set({
                      without: (x.target.checked
                        ? [...without, e.slug]
                        : without.filter((s) => s !== e.slug)
                      ).join(','),
                    })
                  }
                />
                {e.name}
              </label>
            ))}
          </fieldset>
        )}
      </div>
      <Loaded query={answer} what="what else there is">
        {({ groups, leftOut }) => (
          <>
            <div className="mt-2 grid gap-x-8 gap-y-3 md:grid-cols-2">
              {groups
                .filter((g) => g.group !== 'without the equipment' || without.length > 0)
                // What was just asked for stands first.
                .sort(
                  (a, b) =>
                    Number(b.group === 'without the equipment') - Number(a.group === 'without the equipment'),
                )
                .map((g) => (
                  <div key={g.group}>
                    <h3 className="border-b border-ink">{GROUP_WORDS[g.group]}</h3>
                    {g.entries.length === 0 && (
                      <p className="py-1 text-sm text-soft">Nothing in the library.</p>
                    )}
                    <ol>
                      {g.entries.map((e) => (
                        <Line
                          key={e.slug}
                          entry={e}
                          entries={entries}
                          from={{ name: r.source.name, mechanics: r.mechanics }}
                          build={build}
                        />
                      ))}
                    </ol>
                  </div>
                ))}
            </div>
            {leftOut.length > 0 && (
              <p className="mt-2 text-sm">
                <b>Left out:</b> {leftOut.map((l) => `${l.name} (${l.why})`).join('; ')}.
              </p>
            )}
            <p className="mt-1 text-sm text-soft">
              Points are of about 100 and compare set-ups of a still body; they are no measure of injury risk.
              Pain, or a restriction that is not written down here, decides before any list.
            </p>
          </>
        )}
      </Loaded>
    </section>
  );
}

function Line({
  entry: e,
  entries,
  from,
  build,
}: {
  entry: InsteadEntry;
  entries: readonly EntrySummary[];
  from: { name: string; mechanics: SettledMechanics };
  build: Build;
}) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const to = entries.find((x) => x.kind === 'variation' && x.slug === e.slug);
  const carried = to?.mechanics && isComputed(to.mechanics) && 'referenceLoad' in to.mechanics;
  const points = e.points === null ? null : Math.round(e.points);
  return (
    <li className="flex gap-2 border-b border-rule py-1">
      <EntryIcon entry={to} size={36} />
      <div className="min-w-0">
        <Link to={`/library/variation/${e.slug}`} className="font-semibold">
          {e.name}
        </Link>{' '}
        {points !== null && points !== 0 && (
          <span className="text-sm whitespace-nowrap">
            {points > 0 ? '+' : '−'}
            {Math.abs(points)} points
          </span>
        )}
        <p className="text-sm text-soft">{e.reasons.join('; ')}</p>
        {carried && (
          <details className="text-sm" onToggle={(x) => setOpen(x.currentTarget.open)}>
            <summary className="min-h-8 content-center">Load that asks the same</summary>
            {open && (
              <EqualLoadPanel
                build={build}
                a={from}
                b={{ name: e.name, mechanics: to.mechanics! }}
                unit={units.mass}
              />
            )}
          </details>
        )}
      </div>
    </li>
  );
}
