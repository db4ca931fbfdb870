import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { BLOCKING } from '../../../core/review/index.ts';
import { KIND_WORDS } from '../../../core/library/index.ts';
import type { Finding, HealthKind } from '../../../core/review/index.ts';
import { Said } from '../../shell/index.ts';

export const HEALTH_WORDS: Record<HealthKind, string> = {
  'missing field': 'Something is not said',
  'no fault or answer': 'No fault named, or no answer to it',
  'fault without a check': 'Causes that nothing tells apart',
  contradiction: 'Against the house rules',
  'caution not shown': 'A caution that no sheet shows',
  'equipment lacking': 'Kit the hall has not, and no equal',
  'no measurable way up': 'No measurable way up',
  'no easier variation': 'Nothing easier to give',
  'near-duplicate cues': 'One cue in two wordings',
  'unused cue': 'A cue that stands nowhere',
  'branch never opens': 'A branch that never opens',
  'cue without its fault': 'A cue whose fault is not looked for on the sheet',
  'cue without plain words': 'A cue that is not said in plain words',
  'overdue review': 'To be read again',
  'drawn only': 'Too many figures only drawn',
};

/** Where a finding is mended. */
export function mendPath(f: Finding): string {
  if (!f.document) return '/library?kind=variation';
  if (f.kind === 'near-duplicate cues' && f.other) {
    return `/library/cue/${f.other.slug}/merge?keep=${f.document.slug}`;
  }
  return `/library/${f.document.kind}/${f.document.slug}/edit`;
}

export function FindingLine({ finding: f, entries }: { finding: Finding; entries: readonly EntrySummary[] }) {
  const entry = f.document && entries.find((e) => e.kind === f.document!.kind && e.slug === f.document!.slug);
  return (
    <li className="grid grid-cols-[1fr_auto] gap-4 border-b border-rule py-1.5">
      <div>
        {f.document && (
          <>
            <Link to={`/library/${f.document.kind}/${f.document.slug}`} className="font-semibold">
              {entry?.title ?? f.document.slug}
            </Link>{' '}
            <span className="text-sm text-soft">{KIND_WORDS[f.document.kind]}</span>
          </>
        )}
        <p className="[overflow-wrap:anywhere]">
          <Said of={f.proof} />
        </p>
      </div>
      <Link to={mendPath(f)} className="self-center text-sm whitespace-nowrap">
        {f.kind === 'near-duplicate cues' ? 'Merge them' : 'Mend it'}
      </Link>
    </li>
  );
}

/** The findings about the document being written, beside its form. */
export function OwnFindings({ findings }: { findings: readonly Finding[] }) {
  if (findings.length === 0) return <p className="text-sm text-soft">Nothing found wanting.</p>;
  return (
    <ul className="text-sm">
      {findings.map((f, i) => (
        <li key={i} className="border-t border-rule py-1">
          <span className={BLOCKING.has(f.kind) ? 'font-semibold text-warn' : 'font-semibold'}>
            {HEALTH_WORDS[f.kind]}.
          </span>{' '}
          <Said of={f.proof} />
        </li>
      ))}
    </ul>
  );
}
