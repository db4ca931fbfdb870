import type { Proposal } from '../../../contract/library.ts';
import type { Body } from '../../../core/library/index.ts';
import { EffectsView } from '../health/effects-view.tsx';
import { sectionId } from './fields/edit.tsx';
import { FORMS } from './fields/index.ts';
import { OwnFindings } from '../health/findings.tsx';
import { useCheck } from './use-check.ts';

const MOST_ERRORS = 6;

/** Beside the form: its sections, what the library would find wanting, and what the change would do. */
export function WritingAside({ body, also }: { body: Body; also: readonly Proposal[] }) {
  const check = useCheck([body, ...also.map((a) => a.body)]);
  const sections = FORMS[body.kind].filter((f) => f.type === 'heading');
  const result = check.data;
  const form = FORMS[body.kind];
  const label = (field: string) =>
    form.find((f) => field === f.key || field.startsWith(`${f.key}.`) || field.startsWith(`${f.key}[`))
      ?.label ?? field;
  return (
    <aside
      className="grid gap-5 lg:sticky lg:top-24 lg:max-h-[calc(100vh-7rem)] lg:overflow-y-auto"
      aria-label="Beside the form"
    >
      {sections.length > 1 && (
        <nav aria-label="Sections of the form">
          <h2 className="text-base">Sections</h2>
          <ul className="columns-2 text-sm">
            {sections.map((f) => (
              <li key={f.key}>
                <a href={`#${sectionId(f.label)}`} className="inline-block py-0.5">
                  {f.label}
                </a>
              </li>
            ))}
          </ul>
        </nav>
      )}
      <section aria-live="polite">
        <h2 className="text-base">Health</h2>
        {check.error && <p className="text-sm text-warn">{check.error.message}</p>}
        {!result && !check.error && <p className="text-sm text-soft">Looking …</p>}
        {result && result.errors.length > 0 && (
          <ul className="text-sm">
            {result.errors.slice(0, MOST_ERRORS).map((e, i) => (
              <li key={i} className="border-t border-rule py-1">
                <b>{label(e.field)}:</b> {e.detail}
              </li>
            ))}
            {result.errors.length > MOST_ERRORS && <li>and {result.errors.length - MOST_ERRORS} more.</li>}
          </ul>
        )}
        {result?.breaches.map((b, i) => (
          <p key={i} className="border-t border-rule py-1 text-sm font-semibold text-warn">
            {label(b.path)}: {b.problem}
          </p>
        ))}
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
