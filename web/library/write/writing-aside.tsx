import type { Proposal } from '../../../contract/library.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { fieldsOf, sectionAt, sectionsOf } from '../../../core/library/index.ts';
import type { Body } from '../../../core/library/index.ts';
import { settledAlone } from '../../../core/posture/index.ts';
import { Movement } from '../../figure/index.ts';
import { TextField } from '../../ui/index.ts';
import { EffectsView } from '../health/effects-view.tsx';
import { OwnFindings } from '../health/findings.tsx';
import { useCheck } from './use-check.ts';

const MOST_ERRORS = 6;

interface Props {
  body: Body;
  also: readonly Proposal[];
  reason: string;
  onReason: (reason: string) => void;
  /** Opens the section in which something is to be mended. */
  onSection: (title: string) => void;
}

/** Beside the sheet: its figure, what the library would find wanting, and what the change would do. */
export function WritingAside({ body, also, reason, onReason, onSection }: Props) {
  const check = useCheck([body, ...also.map((a) => a.body)]);
  const result = check.data;
  const sections = sectionsOf(body.kind);
  const wanting = (path: string, detail: string, key: number) => {
    const member = /^\w+/.exec(path)?.[0] ?? '';
    const label = fieldsOf(body.kind)[member]?.label ?? path;
    const section = sectionAt(body.kind, path);
    return (
      <li key={key} className="border-t border-rule py-1">
        {section ? (
          <button
            type="button"
            className="font-semibold underline underline-offset-2"
            onClick={() => onSection(section.title)}
          >
            {label}
          </button>
        ) : (
          <b>{label}</b>
        )}
        : {detail}
      </li>
    );
  };
  return (
    <aside
      className="grid gap-5 lg:sticky lg:top-24 lg:max-h-[calc(100vh-7rem)] lg:overflow-y-auto"
      aria-label="Beside the sheet"
    >
      <TextField label="Why this change" value={reason} onChange={(e) => onReason(e.target.value)} />
      {sections.length > 3 && (
        <nav aria-label="Sections of the sheet">
          <h2 className="text-base">Sections</h2>
          <ul className="columns-2 text-sm">
            {sections.map((s) => (
              <li key={s.title}>
                <button
                  type="button"
                  className="min-h-7 text-left underline underline-offset-2"
                  onClick={() => onSection(s.title)}
                >
                  {s.title}
                </button>
              </li>
            ))}
          </ul>
        </nav>
      )}
      {body.kind === 'variation' && (
        <Movement
          mechanics={settledAlone(body.mechanics)}
          pattern={body.pattern}
          build={REFERENCE_BUILD}
          detail="plain"
          scale={0.6}
        />
      )}
      <section aria-live="polite">
        <h2 className="text-base">Health</h2>
        {check.error && <p className="text-sm text-warn">{check.error.message}</p>}
        {!result && !check.error && <p className="text-sm text-soft">Looking …</p>}
        {result && result.errors.length > 0 && (
          <ul className="text-sm">
            {result.errors.slice(0, MOST_ERRORS).map((e, i) => wanting(e.field, e.detail, i))}
            {result.errors.length > MOST_ERRORS && <li>and {result.errors.length - MOST_ERRORS} more.</li>}
          </ul>
        )}
        {result && result.breaches.length > 0 && (
          <ul className="text-sm text-warn">
            {result.breaches.map((b, i) => wanting(b.path, b.problem, i))}
          </ul>
        )}
        {result && result.errors.length + result.breaches.length === 0 && (
          <OwnFindings findings={result.findings} />
        )}
      </section>
      {result?.effects && (
        <section>
          <h2 className="text-base">What changes</h2>
          <div className="text-sm">
            <EffectsView effects={result.effects} />
          </div>
        </section>
      )}
    </aside>
  );
}
