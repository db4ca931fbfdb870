import { settingWords } from '../../core/terms/index.ts';
import type { SettingUsed } from '../../core/terms/index.ts';
import type { FitForPerson } from '../../contract/fit.ts';
import { settingsOf } from '../../core/kit/index.ts';
import type { FitRow } from '../../core/kit/index.ts';
import { sameSettings } from '../../core/log/index.ts';
import { useUnits } from '../shell/index.ts';
import { Button, day, length, mass } from '../ui/index.ts';
import { detailWords, measureShort, misfitWords, setWords, wouldDoWords } from './words.ts';

/** What is proposed for a set: what is theirs by now before what was computed. */
export function proposedBy(fit: FitForPerson): SettingUsed[] {
  const computed = settingsOf(fit.card).map((s) => ({ ...s, as: 'computed' as const }));
  const own = fit.own.filter((s) => computed.some((c) => c.name === s.name));
  return [...own, ...computed.filter((c) => !own.some((s) => s.name === c.name))];
}

const tone = (row: FitRow) =>
  row.fitting === 'does not fit'
    ? 'text-warn font-semibold'
    : row.fitting === 'with a note'
      ? 'font-semibold'
      : '';

/** How everything is set to somebody, row by row: the number first, then the thing, then what is not as computed. */
export function FitRows({ rows }: { rows: readonly FitRow[] }) {
  const units = useUnits();
  return (
    <dl className="grid gap-x-4 sm:grid-cols-[minmax(9rem,auto)_1fr]" aria-label="How it is set">
      {rows.map((row) => (
        <div key={row.measure} className="contents">
          <dt className="label pt-2 sm:border-t sm:border-rule">{measureShort(row)}</dt>
          <dd className="pb-2 sm:border-t sm:border-rule sm:pt-1">
            <span className={`font-head text-lg ${tone(row)}`}>
              {row.fitting === 'does not fit' && !row.own ? 'Not with what we have' : setWords(row, units)}
            </span>
            <span className="block text-sm text-soft">{detailWords(row, units)}</span>
            {row.misfit && row.fitting !== 'fits' && (
              <span className="block text-sm">
                {row.fitting === 'does not fit' && 'Does not fit: '}
                {misfitWords(row.misfit, units)}.
              </span>
            )}
            {row.misfit && row.fitting === 'fits' && (
              <span className="block text-sm text-soft">{misfitWords(row.misfit, units)}</span>
            )}
            {row.wouldDo && <span className="block text-sm">{wouldDoWords(row, units)}</span>}
            {row.note && <span className="block text-sm">{row.note}</span>}
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** Last used beside computed; one tap takes either. */
export function SettingsLine({
  fit,
  value,
  onTake,
}: {
  fit: FitForPerson;
  /** As they stand for the set at hand. */
  value: readonly SettingUsed[] | null;
  onTake?: ((settings: SettingUsed[]) => void) | undefined;
}) {
  const units = useUnits();
  const words = (of: readonly SettingUsed[]) =>
    settingWords(
      of,
      (m) => length(m, units.length),
      (kg) => mass(kg, units.mass),
    );
  const computed = settingsOf(fit.card);
  const proposed = proposedBy(fit);
  const own = !sameSettings(computed, proposed);
  const lastOf = fit.last?.settings.filter((s) => proposed.some((p) => p.name === s.name)) ?? [];
  const same = lastOf.length > 0 && sameSettings(lastOf, proposed);
  const taken =
    value !== null &&
    proposed.every((p) => value.some((v) => v.name === p.name && v.side === p.side && v.value === p.value));
  if (proposed.length === 0 && lastOf.length === 0) return null;
  const take = (settings: SettingUsed[]) => {
    const names = new Set(settings.map((s) => s.name));
    onTake?.([...(value ?? []).filter((s) => !names.has(s.name)), ...settings]);
  };
  return (
    <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span>
        <span className="text-soft">{own ? 'Theirs' : 'Computed'}:</span> <strong>{words(proposed)}</strong>
        {own && <span className="text-soft"> · computed: {words(computed)}</span>}
        {fit.last && lastOf.length > 0 && (
          <span className="text-soft">
            {' '}
            · last used ({day(fit.last.date)}): {same ? 'the same' : words(lastOf)}
          </span>
        )}
      </span>
      {onTake && !taken && proposed.length > 0 && (
        <Button floor onClick={() => take(proposed)}>
          Set so
        </Button>
      )}
    </p>
  );
}

/** The whole card for one person: what was assumed stands beneath. */
export function FitCardView({ fit, name }: { fit: FitForPerson; name: string }) {
  const { card, assumed } = fit;
  const units = useUnits();
  if (!card)
    return (
      <p className="text-soft">
        Nobody has measured how tall {name} is: with that everything here is computed.
      </p>
    );
  if (card.rows.length === 0) return <p className="text-soft">Nothing is set to the person here.</p>;
  const sole = card.soleM > 0 ? `shoes with a sole of ${length(card.soleM, units.length)}` : 'barefoot';
  return (
    <>
      <FitRows rows={card.rows} />
      <p className="mt-1 text-sm text-soft">
        From {card.measured.length > 0 ? `measured ${card.measured.join(', ')}` : 'stature'}; {sole}
        {assumed.filter((a) => !a.startsWith('proportions')).length > 0 &&
          `; not measured: ${assumed.filter((a) => !a.startsWith('proportions')).join(', ')}`}
        .
      </p>
    </>
  );
}
