import { useState } from 'react';
import { Link } from 'react-router';
import type { Effects } from '../../../core/review/index.ts';
import type { SettledMechanics } from '../../../core/posture/index.ts';
import type { SheetEffect } from '../../../core/sheets/index.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { MovementIcon, PATTERN_OF_POSTURE } from '../../figure/index.ts';
import { Button } from '../../ui/index.ts';
import { memberWords } from '../read/words.ts';

const FIRST = 8;

/** What a change does, sheet by sheet and criterion by criterion, before it is made. */
export function EffectsView({ effects: e }: { effects: Effects }) {
  const [all, setAll] = useState(false);
  if (e.sheets.length + e.criteria.length === 0) {
    return (
      <p className="text-soft">
        {e.looked === 0
          ? 'No sheet draws on this.'
          : `No line, figure or criterion changes on the ${e.looked === 1 ? 'sheet that draws' : `${e.looked} sheets that draw`} on this.`}
      </p>
    );
  }
  const sheets = new Set(e.sheets.map((s) => s.variation)).size;
  return (
    <div>
      <p className="font-semibold">
        {sheets === 1 ? 'One sheet changes' : `${sheets} sheets change`}
        {e.criteria.length > 0 &&
          `, ${e.criteria.length === 1 ? 'one criterion' : `${e.criteria.length} criteria`} with ${sheets === 1 ? 'it' : 'them'}`}
        .
      </p>
      {e.criteria.length > 0 && (
        <ul className="mt-1">
          {e.criteria.map((c) => (
            <li key={`${c.ladder} ${c.level} ${c.criterion}`} className="border-t border-rule py-1">
              <Link to={`/ladders/${c.ladder}`}>{c.ladderName}</Link>, <CriterionDifference effect={c} />
            </li>
          ))}
        </ul>
      )}
      <ul className="mt-1">
        {(all ? e.sheets : e.sheets.slice(0, FIRST)).map((s) => (
          <Sheet key={`${s.variation} ${s.stage}`} effect={s} />
        ))}
      </ul>
      {e.sheets.length > FIRST && !all && (
        <Button onClick={() => setAll(true)}>Show all {e.sheets.length}</Button>
      )}
    </div>
  );
}

/** A criterion as it was and as it is. */
export const CriterionDifference = ({ effect: c }: { effect: Effects['criteria'][number] }) => (
  <>
    {c.level}, {c.criterion === 'advance' ? 'to move up' : 'to step back'}:{' '}
    <del className="text-warn">{c.before}</del> <ins className="font-semibold">{c.after}</ins>
  </>
);

const degrees = (n: number | null) => (n === null ? 'not said' : `${n}°`);
const of = (lines: SheetEffect['dropped'], section: string) =>
  lines.filter((l) => l.section === section).map((l) => l.text);

function Sheet({ effect: s }: { effect: SheetEffect }) {
  return (
    <li className="border-t border-rule py-1.5">
      <Link to={`/library/variation/${s.variation}`}>{s.name}</Link>
      {s.stage && <span className="text-soft"> (for those at the stage “{s.stage}”)</span>}
      <SheetDifference effect={s} />
    </li>
  );
}

/** What reads or is drawn differently on one sheet: figure, faults, order, toes, lines by section. */
export function SheetDifference({ effect: s }: { effect: SheetEffect }) {
  const sections = [...new Set([...s.dropped, ...s.takenUp].map((l) => l.section))];
  return (
    <>
      {s.figure && <FigureChange before={s.figure.before} after={s.figure.after} />}
      {s.faultsGone.length > 0 && (
        <p className="text-sm">
          No longer {s.faultsGone.length === 1 ? 'a fault' : 'faults'}: {s.faultsGone.join(', ')}.
        </p>
      )}
      {s.faultsNew.length > 0 && <p className="text-sm">Now a fault: {s.faultsNew.join(', ')}.</p>}
      {s.reordered.length > 0 && <p className="text-sm">In another order: {s.reordered.join(', ')}.</p>}
      {s.toeOutDeg && (
        <p className="text-sm">
          Toes out: {degrees(s.toeOutDeg.before)} → {degrees(s.toeOutDeg.after)}
        </p>
      )}
      <dl className="text-sm">
        {sections.map((section) => (
          <div key={section} className="grid grid-cols-[7rem_1fr] gap-2">
            <dt className="text-soft">{section}</dt>
            <dd>
              {of(s.dropped, section).map((text, i) => (
                <p key={i}>
                  <del className="text-warn">{text}</del>
                </p>
              ))}
              {of(s.takenUp, section).map((text, i) => (
                <p key={i}>
                  <ins className="font-semibold">{text}</ins>
                </p>
              ))}
            </dd>
          </div>
        ))}
      </dl>
    </>
  );
}

/** Both figures small, and the numbers that differ. */
function FigureChange({ before, after }: { before: SettledMechanics; after: SettledMechanics }) {
  const [a, b] = [memberWords(before), memberWords(after)];
  const changed = [...new Set([...a.keys(), ...b.keys()])].filter((k) => a.get(k) !== b.get(k));
  const icon = (m: SettledMechanics) => (
    <MovementIcon mechanics={m} pattern={PATTERN_OF_POSTURE[m.type]} build={REFERENCE_BUILD} size={56} />
  );
  return (
    <p className="flex items-center gap-3 text-sm">
      {icon(before)} <span aria-hidden="true">→</span> {icon(after)}
      <span>
        Figure: {changed.map((k) => `${k} ${a.get(k) ?? 'none'} → ${b.get(k) ?? 'none'}`).join('; ')}
      </span>
    </p>
  );
}
