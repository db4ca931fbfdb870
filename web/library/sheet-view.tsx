import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { EntrySummary, Sheet } from '../../contract/library.ts';
import { PHASES, SEVERITY_WORDS, VIEW_WORDS } from '../../core/terms/index.ts';
import type { ResolvedFault, ResolvedNeed } from '../../core/library/index.ts';
import { doseWords, tempoWords } from '../../core/dose/index.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { DemandPanel } from '../body/index.ts';
import { Movement } from '../figure/index.ts';
import { InsteadPanel } from './instead-panel.tsx';
import { EntryIcon } from './entry-icon.tsx';
import { PatternWord } from '../ui/index.ts';

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-t border-rule py-2">
      <h3>{title}</h3>
      <div>{children}</div>
    </section>
  );
}

function Lines({ lines }: { lines: string[] }) {
  return (
    <ul>
      {lines.map((l) => (
        <li key={l} dir="auto" className="[overflow-wrap:anywhere]">
          {l}
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
  return (
    <article>
      <header>
        <p className="text-sm">
          <PatternWord pattern={v.pattern} />, {v.laterality},{' '}
          {v.dominance === 'balanced' ? 'knee and hip in balance' : `mostly ${v.dominance}`}; to{' '}
          {v.roles.join(', ')}
        </p>
        <h1>{v.name}</h1>
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

      {r.cautions.length > 0 && (
        <section aria-label="Cautions" className="my-3 border-l-[6px] border-warn bg-paper px-4 py-2">
          <h2 className="text-base">Cautions</h2>
          <ul className="text-[0.95rem]">
            {r.cautions.map((c) => (
              <li key={c.slug}>
                <b>{c.name}.</b> {c.lines.join(' ')}
              </li>
            ))}
          </ul>
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
          <Section title="What for">
            <Lines lines={[...r.lines.purpose]} />
            {r.lines.reasonsToChoose.length > 0 && (
              <p className="text-soft">Choose it for: {r.lines.reasonsToChoose.join(' ')}</p>
            )}
            <p className="text-soft">Works: {v.muscles.join(', ')}.</p>
          </Section>
          <Section title="Prepare">
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
          <Section title="Equipment and set-up">
            {r.equipmentAll.length + r.equipmentAny.length === 0 && 'None.'}
            <ul>
              {r.equipmentAll.map((n) => (
                <Need key={n.equipment.slug} need={n} />
              ))}
              {r.equipmentAny.map((group, i) => (
                <li key={i}>
                  One of:
                  <ul className="pl-4">
                    {group.map((n) => (
                      <Need key={n.equipment.slug} need={n} />
                    ))}
                  </ul>
                </li>
              ))}
            </ul>
            <Lines lines={r.lines.setUpMeasures} />
          </Section>
          <Section title="Getting in">
            <Lines lines={r.lines.gettingIn} />
          </Section>
          <Section title={`Stance: ${v.stanceWidth}, weight on the ${v.footWeight}`}>
            <Lines lines={r.lines.stance} />
            {r.toeOutDeg !== null && <p>Toes out by {r.toeOutDeg}°.</p>}
          </Section>
          <Section title="Hands, eyes, contact">
            <Lines lines={[...r.lines.hands, ...r.lines.gaze, ...r.lines.contactPoints]} />
          </Section>
          <Section title={`Range: ${v.rangeTarget}`}>
            <Lines lines={r.lines.rangeNotes} />
          </Section>
          <Section title="Breathing and tempo">
            <Lines lines={r.lines.breathing} />
            <p>Tempo {tempoWords(v.tempo)} s: lowering, bottom, rising, top.</p>
          </Section>
          <Section title="Getting out, and if it goes wrong">
            <Lines lines={[...r.lines.gettingOut, ...r.lines.ifItGoesWrong]} />
          </Section>
          <Section title="Dose">
            <ul>
              {r.dose.map((d) => (
                <li key={d.role}>
                  To {d.role}: {doseWords(d, v.laterality !== 'two legs')}
                  {d.restS > 0 && `, rest ${d.restS} s`}.{' '}
                  <span className="text-soft">{d.notes.join(' ')}</span>
                </li>
              ))}
            </ul>
          </Section>
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
                      </td>
                      <td className="pl-2 text-right text-sm whitespace-nowrap text-soft">
                        {VIEW_WORDS[c.view]}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </section>
          {r.lines.runThrough.length > 0 && (
            <Section title="Run-through, each repetition">
              <ol className="flex flex-wrap items-center gap-x-1">
                {r.lines.runThrough.map((l, i) => (
                  <li key={l} className="flex items-center gap-1 font-semibold">
                    {i > 0 && <ChevronRight aria-hidden="true" size={16} className="text-soft" />}
                    {l}
                  </li>
                ))}
              </ol>
            </Section>
          )}
          <Section title="Faults and what answers them">
            <ul>
              {r.faults.map((f) => (
                <Fault key={f.slug} fault={f} />
              ))}
            </ul>
          </Section>
          <Section title="Where it is felt">
            <p>
              <b>Wanted:</b> {r.wanted.map((f) => `${f.kind}, ${f.region}`).join('; ') || 'nothing special'}.
            </p>
            {r.tolerated.length > 0 && (
              <p>
                <b>Tolerated:</b> {r.tolerated.map((f) => `${f.kind}, ${f.region}`).join('; ')}.
              </p>
            )}
            <p className="font-bold">Unwanted:</p>
            <ul>
              {r.unwanted.map((u) => (
                <li key={u.region + u.kind}>
                  {u.kind}, {u.region}
                  {u.suggests && <span className="text-soft">: {u.suggests}</span>}
                </li>
              ))}
            </ul>
          </Section>
        </div>
      </div>
    </article>
  );
}

function Need({ need: { equipment, count, setUp } }: { need: ResolvedNeed }) {
  return (
    <li>
      <Link to={`/library/equipment/${equipment.slug}`}>
        {count > 1 ? `${count} × ` : ''}
        {equipment.name}
      </Link>
      {equipment.inHall === 0 && <span className="text-warn"> (the hall has none)</span>}
      {equipment.where && <span className="text-soft"> ({equipment.where})</span>}
      {setUp.length > 0 && `: ${setUp.join(' ')}`}
    </li>
  );
}

function Fault({ fault: f }: { fault: ResolvedFault }) {
  const cause = (id: string) => f.causes.find((c) => c.id === id)?.text ?? id;
  return (
    <li className="border-b border-rule py-1">
      <details>
        <summary>
          <span
            className={`mr-2 text-sm font-semibold ${f.severity === 3 ? 'text-warn' : f.severity === 2 ? '' : 'text-soft'}`}
          >
            {SEVERITY_WORDS[f.severity]}
          </span>
          <b>{f.name}</b>{' '}
          <span className="text-soft">
            ({f.phase}; {f.views.map((x) => VIEW_WORDS[x]).join(', ')})
          </span>
        </summary>
        <div className="pb-2 pl-4">
          <p>{f.sign}</p>
          <p>
            <b>Likely:</b> {f.causes.map((c) => c.text).join(' ')}
          </p>
          {f.checks.map((c) => (
            <p key={c.text}>
              <b>Check:</b> {c.text}{' '}
              {c.results.map((x) => (
                <span key={x.result}>
                  {x.result}: {x.pointsTo.map(cause).join(' ').toLowerCase()}{' '}
                </span>
              ))}
            </p>
          ))}
          <ol className="list-decimal pl-5">
            {f.answers.map((a) => (
              <li key={a.text}>
                <span className="text-soft">{a.answerKind}:</span> {a.text}
                {a.needsSecondPerson && ' (second person)'}
                {a.equipment.length > 0 && ` (${a.equipment.map((e) => e.name).join(', ')})`}
              </li>
            ))}
          </ol>
          <p>
            <b>Stop:</b> {f.whenToStop}
          </p>
          {f.chain.length > 0 && (
            <p>
              <b>Over weeks:</b> {f.chain.map((c) => `${c.text} (until: ${c.gate})`).join(' → ')}
            </p>
          )}
        </div>
      </details>
    </li>
  );
}
