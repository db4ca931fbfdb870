import { useState } from 'react';
import type { FitForPerson } from '../../contract/fit.ts';
import { rankBands } from '../../core/kit/index.ts';
import type { NotRanked } from '../../core/kit/index.ts';
import { aboutSetting, notThere, notedName } from '../../core/terms/index.ts';
import type { SettingUsed } from '../../core/terms/index.ts';
import { useAsk, useSigned, useUnits } from '../shell/index.ts';
import { Button, day, fromLength, length, mass, tidy, toLength } from '../ui/index.ts';

const WHY: Record<NotRanked, string> = {
  'out of use': 'out of use',
  'never read': 'never read on a scale',
  'read too long ago': 'read more than half a year ago: read it again',
  'not stretched': 'not stretched at this length',
  'beyond the readings': 'not measured so far out',
};

/** The bands of the hall by what they pull where this movement stretches them; the one in use, and its neighbours. */
export function BandPanel({
  equipment,
  fit,
  value,
  onTake,
}: {
  /** Kinds of equipment that the movement needs. */
  equipment: readonly string[];
  fit: FitForPerson | undefined;
  value: readonly SettingUsed[] | null;
  onTake: (settings: SettingUsed[]) => void;
}) {
  const { hall } = useSigned();
  const units = useUnits();
  const { data: pieces } = useAsk('kit');
  const [own, setOwn] = useState<number | null>(null);
  const valueOf = (name: SettingUsed['name']) =>
    (value ?? fit?.last?.settings)?.find((s) => s.name === name)?.value ?? null;
  const bands = pieces?.filter((p) => p.form === 'band' && equipment.includes(p.equipment)) ?? [];
  if (bands.length === 0) return null;
  const width = fit?.card?.rows.find((r) => r.measure === 'band pull')?.asked?.m ?? null;
  const anchor = aboutSetting('anchor distance');
  const distance = Number(valueOf('anchor distance') ?? (anchor.is === 'number' ? anchor.blank : 0));
  const atM = own ?? width ?? distance;
  const { ranked, left, crossed } = rankBands(bands, atM, hall.today);
  const inUse = valueOf('band');
  const now = ranked.findIndex((b) => notedName(b.name) === inUse);
  const take = (band: (typeof ranked)[number]) => {
    const mine: SettingUsed[] = [
      { name: 'band', value: notedName(band.name), side: null },
      { name: 'band pull', value: Math.round(10 * band.kg) / 10, side: null },
    ];
    onTake([...(value ?? []).filter((s) => s.name !== 'band' && s.name !== 'band pull'), ...mine]);
  };
  const wordOf = (i: number) =>
    now === -1
      ? null
      : i === now
        ? 'in use'
        : i === now - 1
          ? 'next lighter'
          : i === now + 1
            ? 'next heavier'
            : null;
  const soon = bands.filter((b) => b.retireOn && notThere(b, hall.today) === null);
  return (
    <section aria-label="Bands" className="border-y border-rule py-2">
      <p className="flex flex-wrap items-center gap-x-2">
        <label>
          Drawn to{' '}
          <input
            aria-label={`Length at which the band is used, ${units.length}`}
            className="field inline-block w-20!"
            inputMode="decimal"
            value={tidy(toLength(atM, units.length), 0)}
            onChange={(e) => {
              const n = Number(e.target.value.replace(',', '.'));
              setOwn(e.target.value.trim() !== '' && n > 0 ? fromLength(n, units.length) : null);
            }}
          />{' '}
          {units.length}
        </label>
        <span className="text-soft">
          {own !== null
            ? 'as you measured it'
            : width !== null
              ? 'shoulder width of this person'
              : 'to the anchor, as set'}
        </span>
      </p>
      {ranked.length === 0 && <p className="text-soft">No band has been read on a scale up to here.</p>}
      <ol className="mt-1 flex flex-wrap gap-2">
        {ranked.map((b, i) => (
          <li key={b.id}>
            <Button floor className="px-3!" aria-pressed={i === now} onClick={() => take(b)}>
              <span>
                {b.name} <strong>{mass(b.kg, units.mass)}</strong>
                {wordOf(i) && <span className="block text-sm font-normal">{wordOf(i)}</span>}
              </span>
            </Button>
          </li>
        ))}
      </ol>
      {crossed.map((c) => (
        <p key={c.lighter} className="text-sm">
          {c.lighter} and {c.heavier} cross over: with less stretch {c.heavier} is the lighter one.
        </p>
      ))}
      {left.length > 0 && (
        <p className="text-sm text-soft">
          Not in the order: {left.map((b) => `${b.name} (${WHY[b.why]})`).join(', ')}.
        </p>
      )}
      {soon.length > 0 && now !== -1 && (
        <p className="text-sm text-soft">
          {soon
            .filter((b) => b.name === inUse)
            .map((b) => `${b.name} is to be retired on ${day(b.retireOn!)}.`)
            .join(' ')}
        </p>
      )}
      <p className="text-sm text-soft">
        Look the band over before each use: a crack or a white edge ends it. Rest lengths:{' '}
        {bands
          .filter((b) => b.sizes.restM)
          .map((b) => `${b.name} ${length(b.sizes.restM!, units.length)}`)
          .join(', ')}
        .
      </p>
    </section>
  );
}
