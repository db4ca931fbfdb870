import type { PrintedState } from '../../contract/sheets.ts';
import { KIND_WORDS } from '../../core/library/index.ts';
import type { SheetEffect } from '../../core/library/index.ts';
import { SHEET_WORDS } from '../../core/sheets/index.ts';
import { fullDay } from '../ui/index.ts';

/** Whether a scanned sheet still holds, and what has changed, in the sheet's own words. */
export function Verdict({ state: s }: { state: PrintedState }) {
  const same = s.differs.length + s.criteria.length === 0;
  return (
    <section aria-label="Is this paper current?">
      <p className="label">
        {SHEET_WORDS[s.kind]}, {s.title}
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
              {c.level}, {c.criterion === 'advance' ? 'to move up' : 'to step back'}:{' '}
              <del className="text-warn">{c.before}</del> <ins className="font-semibold">{c.after}</ins>
            </li>
          ))}
        </ul>
      )}
      <ul className="mt-2">
        {s.differs.map((e) => (
          <Difference key={e.variation} effect={e} named={s.differs.length > 1} />
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

function Difference({ effect: e, named }: { effect: SheetEffect; named: boolean }) {
  const sections = [...new Set([...e.dropped, ...e.takenUp].map((l) => l.section))];
  return (
    <li className="border-t border-rule py-1.5">
      {named && <p className="font-semibold">{e.name}</p>}
      {e.figure && <p>The figure is another.</p>}
      {e.faultsGone.length > 0 && <p>No longer a fault here: {e.faultsGone.join(', ')}.</p>}
      {e.faultsNew.length > 0 && <p>Now a fault here: {e.faultsNew.join(', ')}.</p>}
      {e.reordered.length > 0 && <p>In another order: {e.reordered.join(', ')}.</p>}
      {e.toeOutDeg && (
        <p>
          Toes out: {e.toeOutDeg.before ?? 'not said'} → {e.toeOutDeg.after ?? 'not said'}°
        </p>
      )}
      {sections.map((section) => (
        <div key={section} className="grid grid-cols-[8rem_1fr] gap-2">
          <p className="text-soft">{section}</p>
          <div>
            {e.dropped
              .filter((l) => l.section === section)
              .map((l) => (
                <p key={l.text}>
                  <del className="text-warn">{l.text}</del>
                </p>
              ))}
            {e.takenUp
              .filter((l) => l.section === section)
              .map((l) => (
                <p key={l.text}>
                  <ins className="font-semibold">{l.text}</ins>
                </p>
              ))}
          </div>
        </div>
      ))}
    </li>
  );
}
