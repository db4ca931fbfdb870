import type { PrintedState } from '../../contract/sheets.ts';
import { KIND_WORDS } from '../../core/library/index.ts';
import { SHEET_WORDS } from '../../core/sheets/index.ts';
import { CriterionDifference, SheetDifference } from '../library/index.ts';
import { fullDay } from '../ui/index.ts';

/** Whether a scanned sheet still holds, and what has changed, in the sheet's own words. */
export function Verdict({ state: s }: { state: PrintedState }) {
  const same = s.differs.length + s.criteria.length === 0;
  return (
    <section aria-label="Is this paper current?">
      <p className="label">
        {SHEET_WORDS[s.item.kind]}, {s.title}
      </p>
      <h1>{s.verdict === 'current' ? '✓ This paper is current.' : '! This paper is outdated.'}</h1>
      <p className="mt-1">
        {s.verdict === 'current'
          ? 'Nothing that it draws on has changed since it was printed.'
          : same
            ? 'Something that it draws on has changed, yet every line on it reads as it did.'
            : 'What has changed:'}
      </p>
      {s.criteria.length > 0 && (
        <ul className="mt-2">
          {s.criteria.map((c) => (
            <li key={`${c.level} ${c.criterion}`} className="border-t border-rule py-1.5">
              <CriterionDifference effect={c} />
            </li>
          ))}
        </ul>
      )}
      <ul className="mt-2">
        {s.differs.map((e) => (
          <li key={`${e.variation} ${e.stage}`} className="border-t border-rule py-1.5">
            {s.differs.length > 1 && (
              <p className="font-semibold">
                {e.name}
                {e.stage && `, at the stage “${e.stage}”`}
              </p>
            )}
            <SheetDifference effect={e} />
          </li>
        ))}
      </ul>
      {s.changed.length > 0 && (
        <>
          <h2 className="mt-4">Documents changed since</h2>
          <ul>
            {s.changed.map((c) => (
              <li key={`${c.kind}/${c.slug}`} className="border-t border-rule py-1.5">
                <b>{c.title}</b> <span className="text-soft">({KIND_WORDS[c.kind]})</span>: revision{' '}
                {c.from || 'none'} → {c.to}, {fullDay(c.at.slice(0, 10))}, {c.author}
                {c.reason && `: ${c.reason}`}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
