import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { EntrySummary, Sheet } from '../../../contract/library.ts';
import { lineWords, sheetBlocks } from '../../../core/sheets/index.ts';
import type { Block, BlockLine } from '../../../core/sheets/index.ts';
import { PHASES, VIEW_WORDS } from '../../../core/terms/index.ts';
import type { ResolvedCaution, ResolvedFault, ResolvedNeed } from '../../../core/library/index.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { DemandPanel } from '../../body/index.ts';
import { Movement } from '../../figure/index.ts';
import { FitFor } from '../../kit/index.ts';
import { InsteadPanel } from './instead-panel.tsx';
import { EntryIcon } from '../find/entry-icon.tsx';
import { AlsoCalled } from './also-called.tsx';
import { keptTogether, PatternWord } from '../../ui/index.ts';

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-t border-rule py-2">
      <h3>{title}</h3>
      <div>{children}</div>
    </section>
  );
}

function Lines({ lines }: { lines: readonly BlockLine[] }) {
  return (
    <ul>
      {lines.map((l) => (
        <li key={`${l.section} ${lineWords(l)}`} dir="auto" className="[overflow-wrap:anywhere]">
          {l.lead !== null && <b>{l.lead}: </b>}
          {keptTogether(l.text)}
        </li>
      ))}
    </ul>
  );
}

/** The sheet of a variation in the order of the work. */
export function SheetView({
  sheet,
  entries,
  tools,
}: {
  sheet: Sheet;
  entries: readonly EntrySummary[];
  tools: ReactNode;
}) {
  const { resolved: r, ladders } = sheet;
  const v = r.source;
  const on = new Map(sheetBlocks('screen', r).map((b) => [b.id, b]));
  const caution = (c: ResolvedCaution) => (
    <li key={c.slug}>
      <b>{c.name}.</b>{' '}
      {on
        .get('cautions')
        ?.lines.flatMap((l) => (l.of === `caution/${c.slug}` ? [l.text] : []))
        .join(' ')}
    </li>
  );
  return (
    <article>
      <header>
        <p className="text-sm">
          <PatternWord pattern={v.pattern} />, {v.laterality},{' '}
          {v.dominance === 'balanced' ? 'knee and hip in balance' : `mostly ${v.dominance}`}; to{' '}
          {v.roles.join(', ')}
        </p>
        <h1>{v.name}</h1>
        <AlsoCalled names={v.alsoCalled} />
        {tools}
        {ladders.length > 0 && (
          <p className="text-sm text-soft">
            {ladders.map((l) => (
              <span key={l.ladder + l.level}>
                On <Link to={`/ladders/${l.ladder}`}>the {l.ladderName} ladder</Link>, level {l.levelNumber}:{' '}
                {l.level}.{' '}
              </span>
            ))}
          </p>
        )}
      </header>

      {on.has('cautions') && (
        <section aria-label="Cautions" className="my-3 border-l-[6px] border-warn bg-paper px-4 py-2">
          <h2 className="text-base">Cautions</h2>
          <ul className="text-[0.95rem]">{r.cautions.filter((c) => !c.everywhere).map(caution)}</ul>
          {r.cautions.some((c) => c.everywhere) && (
            <details className="text-[0.95rem]">
              <summary className="min-h-9 content-center">
                <b>As on every sheet:</b>{' '}
                {r.cautions
                  .filter((c) => c.everywhere)
                  .map((c) => c.name)
                  .join(' · ')}
              </summary>
              <ul>{r.cautions.filter((c) => c.everywhere).map(caution)}</ul>
            </details>
          )}
        </section>
      )}

      <div className="my-3 flex flex-wrap items-start gap-x-10 gap-y-4 border-y border-rule bg-paper px-4 py-3">
        <Movement
          key={v.slug}
          mechanics={r.mechanics}
          pattern={v.pattern}
          build={REFERENCE_BUILD}
          tempo={v.tempo}
          scale={1.15}
        />
        <DemandPanel
          slug={v.slug}
          mechanics={r.mechanics}
          build={REFERENCE_BUILD}
          forWhom="the reference build"
          adjustment={v.demandAdjustment?.points ?? 0}
        />
      </div>

      <InsteadPanel resolved={r} entries={entries} />

      <div className="grid gap-x-8 xl:grid-cols-2">
        <div>
          <Plain block={on.get('purpose')} />
          <Section title="Before it">
            {r.drills.length === 0 ? (
              'Nothing of its own.'
            ) : (
              <ul className="flex flex-wrap gap-x-4">
                {r.drills.map((d) => (
                  <li key={d.slug} className="flex items-center gap-2">
                    <EntryIcon entry={entries.find((e) => e.kind === 'variation' && e.slug === d.slug)} />
                    <Link to={`/library/variation/${d.slug}`}>{d.name}</Link>
                  </li>
                ))}
              </ul>
            )}
          </Section>
          <Kit block={on.get('equipment')} needs={[...r.equipmentAll, ...r.equipmentAny.flat()]}>
            {(v.measures?.length ?? 0) > 0 && (
              <FitFor variation={v.slug} mechanics={r.mechanics} pattern={v.pattern} />
            )}
          </Kit>
          {BEFORE_CUES.map((id) => (
            <Plain key={id} block={on.get(id)} />
          ))}
        </div>
        <div>
          <section className="border-t border-rule py-2">
            <h3>Cues, by rank and phase</h3>
            <table className="w-full text-left">
              <thead className="sr-only">
                <tr>
                  <th>Rank</th>
                  <th>Phase</th>
                  <th>Cue</th>
                  <th>Seen from</th>
                </tr>
              </thead>
              <tbody>
                {[...r.cues.entries()]
                  .sort(([i, a], [j, b]) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase) || i - j)
                  .map(([i, c]) => (
                    <tr key={c.slug} className="border-b border-rule align-baseline">
                      <td
                        className={`w-7 text-right font-head ${i < 3 ? 'text-lg font-bold text-tape' : 'text-soft'}`}
                      >
                        {i + 1}
                      </td>
                      <td className="px-3 text-sm text-soft">{c.phase}</td>
                      <td
                        dir="auto"
                        className={`[overflow-wrap:anywhere] ${i < 3 ? 'text-lg font-semibold' : ''}`}
                      >
                        <Link className="no-underline hover:underline" to={`/library/cue/${c.slug}`}>
                          {c.text}
                        </Link>
                        {c.plain && <span className="block text-sm font-normal text-soft">{c.plain}</span>}
                      </td>
                      <td className="pl-2 text-right text-sm whitespace-nowrap text-soft">
                        {VIEW_WORDS[c.view]}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </section>
          {on.has('runThrough') && (
            <Section title="Run-through, each repetition">
              <ol className="flex flex-wrap items-center gap-x-1">
                {on.get('runThrough')?.lines.map((l, i) => (
                  <li key={l.text} className="flex items-center gap-1 font-semibold">
                    {i > 0 && <ChevronRight aria-hidden="true" size={16} className="text-soft" />}
                    {l.text}
                  </li>
                ))}
              </ol>
            </Section>
          )}
          <Section title="Faults and what answers them">
            <ul>
              {r.faults.map((f) => (
                <Fault key={f.slug} fault={f} lines={on.get('faults')?.lines ?? []} />
              ))}
            </ul>
          </Section>
          <Plain block={on.get('felt')} />
        </div>
      </div>
    </article>
  );
}

const BEFORE_CUES = ['gettingIn', 'stance', 'hands', 'range', 'breathing', 'gettingOut', 'dose'] as const;

function Plain({ block }: { block: Block | undefined }) {
  return block ? (
    <Section title={block.title}>
      <Lines lines={block.lines} />
    </Section>
  ) : null;
}

/** The kit, each piece with where it stands and how it is set up. */
function Kit({
  block,
  needs,
  children,
}: {
  block: Block | undefined;
  needs: readonly ResolvedNeed[];
  children?: ReactNode;
}) {
  const own = block?.lines.filter((l) => l.of === null) ?? [];
  return (
    <Section title={block?.title ?? 'Equipment and set-up'}>
      {needs.length === 0 && 'None.'}
      <ul>
        {needs.map((need) => {
          const { slug } = need.equipment;
          const { count, place } = need.stock;
          const [name, ...setUp] = block?.lines.filter((l) => l.of === `equipment/${slug}`) ?? [];
          return (
            <li key={slug}>
              {name?.lead && `${name.lead}: `}
              <Link to={`/library/equipment/${slug}`}>{name?.text}</Link>
              {count === 0 && <span className="text-warn"> (the hall has none)</span>}
              {place && <span className="text-soft"> ({place})</span>}
              {setUp.length > 0 && `: ${setUp.map((l) => l.text).join(' ')}`}
            </li>
          );
        })}
      </ul>
      <Lines lines={own} />
      {children}
    </Section>
  );
}

function Fault({ fault: f, lines }: { fault: ResolvedFault; lines: readonly BlockLine[] }) {
  const [seen, ...rest] = lines.filter((l) => l.of === `fault/${f.slug}`);
  return (
    <li className="border-b border-rule py-1">
      <details>
        <summary>
          <span
            className={`mr-2 text-sm font-semibold ${f.severity === 3 ? 'text-warn' : f.severity === 2 ? '' : 'text-soft'}`}
          >
            {seen?.lead}
          </span>
          <b>{f.name}</b> <span className="text-soft">({seen?.text})</span>
        </summary>
        <div className="pb-2 pl-4">
          <Lines lines={rest} />
        </div>
      </details>
    </li>
  );
}
