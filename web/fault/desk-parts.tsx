import { Link } from 'react-router';
import type { Checked, EasierChoice } from '../../core/fault/index.ts';
import { Button, TextField, tidy } from '../ui/index.ts';
import type { OpenCase } from './case-store.ts';

/** "Shin from upright 38° before, 31° with it (± 3.5)". */
export const measuredWords = ({ angle, before, after, band }: NonNullable<Checked['measured']>): string =>
  `${angle} ${tidy(before, 0)}° before, ${tidy(after, 0)}° with it (± ${tidy(band, 1)})`;

/** The case without its last step. */
export function undone(k: OpenCase): Partial<OpenCase> {
  if (k.tried.length > 0) return { tried: k.tried.slice(0, -1), end: null };
  return { checks: k.checks.slice(0, -1) };
}

/** What was checked and tried so far, the last of it to be taken back. */
export function Done({
  kase,
  onUndo,
  onNote,
}: {
  kase: OpenCase;
  onUndo: () => void;
  /** null: nothing is kept, so no word of it either. */
  onNote: ((note: string) => void) | null;
}) {
  if (kase.checks.length + kase.tried.length === 0) return null;
  return (
    <section aria-label="So far">
      <h2>So far</h2>
      <ul className="mt-1">
        {kase.checks.map((c) => (
          <li key={c.check} className="border-b border-rule py-1">
            {c.check} <b>{c.result ?? 'not known'}</b>
            {c.measured && <span className="block text-soft">{measuredWords(c.measured)}</span>}
          </li>
        ))}
        {kase.tried.map((t) => (
          <li key={t.answer} className="border-b border-rule py-1">
            {t.answer} <b>{t.outcome}</b>
          </li>
        ))}
      </ul>
      <Button floor tone="quiet" onClick={onUndo}>
        Take the last back
      </Button>
      {onNote && (
        <TextField
          label="A word on it, if any"
          defaultValue={kase.note}
          maxLength={600}
          onBlur={(e) => e.target.value !== kase.note && onNote(e.target.value)}
        />
      )}
    </section>
  );
}

export function Easier({
  choices,
  why,
  variation,
  onGiven,
}: {
  choices: readonly EasierChoice[];
  why: string;
  variation: string;
  onGiven: (variation: string) => void;
}) {
  return (
    <div className="taped-left bg-paper py-3 pr-4 pl-5">
      <p className="label">Go easier. {why}</p>
      {choices.length === 0 && (
        <p>
          No easier variation is named for it.{' '}
          <Link to={`/library/variation/${variation}?instead=yes`}>What can be given instead?</Link>
        </p>
      )}
      {choices.map((c, i) => (
        <div key={c.variation} className="mt-1">
          <p className="font-head text-2xl leading-tight font-bold">{c.name}</p>
          <p className="text-soft">{c.why}</p>
          <Button floor tone={i === 0 ? 'main' : 'plain'} onClick={() => onGiven(c.variation)}>
            Give this today
          </Button>
        </div>
      ))}
    </div>
  );
}
