import { Pencil } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import type { KeyboardEvent, MouseEvent } from 'react';
import { sectionAt, sectionsOf } from '../../../core/library/index.ts';
import type { Body, Section, Variation } from '../../../core/library/index.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { settledAlone } from '../../../core/posture/index.ts';
import { SetToBody } from '../../kit/index.ts';
import { Button } from '../../ui/index.ts';
import { hasWords, Reading } from '../read/reading.tsx';
import type { EditContext, Value } from './fields/context.ts';
import { EditFields } from './fields/edit.tsx';

interface Props {
  body: Body;
  context: EditContext;
  /** The title of the section that is open; null: all are read. */
  open: string | null;
  onOpen: (title: string | null) => void;
  onChange: (body: Body) => void;
}

/** A document as it reads; one section at a time opens its fields where it stands. */
export function InPlace({ body, context, open, onOpen, onChange }: Props) {
  const sections = sectionsOf(body.kind);
  const wrong = new Map<string, number>();
  for (const path of context.errors.keys()) {
    const title = sectionAt(body.kind, path)?.title;
    if (title) wrong.set(title, (wrong.get(title) ?? 0) + 1);
  }
  return (
    <>
      {sections.map((s, i) => (
        <OneSection
          key={s.title}
          section={s}
          next={sections[i + 1]?.title ?? null}
          body={body}
          wrong={wrong.get(s.title) ?? 0}
          context={context}
          open={open === s.title}
          onOpen={onOpen}
          onChange={onChange}
        />
      ))}
    </>
  );
}

/** What the measures are for the reference body, as they are written: numbers follow from the body and are never typed. */
function AsMeasured({ variation: v }: { variation: Variation }) {
  const on = useMemo(
    () => ({
      measures: v.measures ?? [],
      mechanics: settledAlone(v.mechanics),
      place: v.loadPlace,
      direction: v.direction,
      needed: [...v.equipmentAll, ...v.equipmentAny.flat()].map((n) => n.equipment),
    }),
    [v],
  );
  if (on.measures.length === 0) return null;
  return (
    <div className="mt-3 border-t border-rule pt-2">
      <p className="label">For a body of 1.75 m, with what the hall has</p>
      <SetToBody on={on} build={REFERENCE_BUILD} />
    </div>
  );
}

function OneSection({
  section: s,
  next,
  body,
  wrong,
  context,
  open,
  onOpen,
  onChange,
}: Omit<Props, 'open'> & { section: Section; next: string | null; wrong: number; open: boolean }) {
  const heading = useRef<HTMLButtonElement>(null);
  const fields = useRef<HTMLDivElement>(null);
  const wasOpen = useRef(false);
  useEffect(() => {
    // The first field has the focus as it opens; closed by a key, the heading has it back.
    if (open && !wasOpen.current)
      fields.current?.querySelector<HTMLElement>('input, select, textarea, button')?.focus();
    wasOpen.current = open;
  }, [open]);
  const close = () => {
    onOpen(null);
    heading.current?.focus();
  };
  const onKeyDown = (e: KeyboardEvent) => {
    // Escape ends what is being dragged or picked first.
    const busy = (e.target as HTMLElement).closest('[aria-pressed="true"], [aria-expanded="true"]');
    if (e.key === 'Escape' && !e.defaultPrevented && !busy) close();
  };
  const onClick = (e: MouseEvent) => {
    if (!(e.target as HTMLElement).closest('a, button, input, select, summary')) onOpen(s.title);
  };
  const value = body as unknown as Value;
  return (
    <section
      className={`grid gap-x-6 border-t border-rule py-2 md:grid-cols-[10rem_minmax(0,1fr)] ${open ? 'border-l-[6px] border-l-tape bg-paper pl-3' : ''}`}
    >
      <h2 className="text-base">
        <button
          ref={heading}
          type="button"
          aria-expanded={open}
          className="min-h-9 scroll-mt-24 py-1 text-left font-semibold hover:underline"
          onClick={() => onOpen(open ? null : s.title)}
        >
          {s.title} <Pencil aria-hidden="true" size={14} className="ml-1 inline text-soft" />
        </button>
        {wrong > 0 && (
          <span className="text-sm text-warn">
            {wrong} {wrong === 1 ? 'thing' : 'things'} to mend
          </span>
        )}
      </h2>
      {open ? (
        <div ref={fields} onKeyDown={onKeyDown} className="min-w-0 pr-1">
          <EditFields
            fields={s.fields}
            value={value}
            path=""
            context={{ ...context, of: body }}
            onChange={(v) => onChange(v as unknown as Body)}
          />
          {body.kind === 'variation' && 'measures' in s.fields && <AsMeasured variation={body} />}
          <p className="mt-3 flex flex-wrap items-center gap-2">
            <Button onClick={close}>Done with this section</Button>
            {next && (
              <Button tone="quiet" onClick={() => onOpen(next)}>
                Next: {next}
              </Button>
            )}
            <span className="text-sm text-soft">Esc closes it; nothing is lost.</span>
          </p>
        </div>
      ) : (
        // The heading is the way in by keyboard; a press on the text saves the way there.
        <div onClick={onClick} className="min-w-0 cursor-text self-center">
          {hasWords(s.fields, value) ? (
            <Reading fields={s.fields} value={body} title={s.title} of={body} entries={context.entries} />
          ) : (
            <p className="text-soft">Nothing yet.</p>
          )}
        </div>
      )}
    </section>
  );
}
