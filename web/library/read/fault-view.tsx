import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { SEVERITY_WORDS, VIEW_WORDS } from '../../../core/terms/index.ts';
import type { Fault } from '../../../core/library/index.ts';
import { tellsOf } from '../../../core/fault/index.ts';
import type { CheckTells } from '../../../core/fault/index.ts';
import { capital, tidy } from '../../ui/index.ts';
import { SignPicture } from '../../fault/index.ts';
import { LineReading } from './reading.tsx';
import { EntryLinks } from '../find/entry-links.tsx';

const letter = (i: number) => String.fromCharCode(65 + i);

/** How often each cause shows each result, the causes by their letters. */
function Tells({ of, causes }: { of: CheckTells; causes: readonly string[] }) {
  return (
    <table className="mt-1 w-full text-sm">
      <thead>
        <tr className="text-soft">
          <th className="text-left font-normal">of 100 cases with the cause</th>
          {causes.map((c, i) => (
            <th key={c} className="w-9 text-right" title={c}>
              {letter(i)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {of.rows.map((r) => {
          const most = Math.max(...r.given);
          return (
            <tr key={r.result} className="border-t border-rule">
              <td className="py-0.5 pr-2">{r.result}</td>
              {r.given.map((p, i) => (
                <td key={i} className={`text-right ${p === most ? 'font-bold' : 'text-soft'}`}>
                  {tidy(100 * p, 0)}
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** A fault as it is worked on: the sign, what tells its causes apart, and the answers, cheapest first. */
export function FaultView({ fault: f, entries }: { fault: Fault; entries: EntrySummary[] }) {
  const title = (kind: EntrySummary['kind'], slug: string) =>
    entries.find((e) => e.kind === kind && e.slug === slug)?.title ?? slug;
  const tells = tellsOf(f);
  const sheets = entries.filter(
    (e) => e.kind === 'variation' && !e.retired && e.uses.includes(`fault/${f.slug}`),
  );
  const shown = sheets.find((e) => e.mechanics);
  const cues = entries.filter((e) => e.kind === 'cue' && !e.retired && e.uses.includes(`fault/${f.slug}`));
  return (
    <div className="max-w-4xl">
      <p className="mt-3 text-xl font-semibold">
        <LineReading line={f.sign} />
      </p>
      <p className="text-soft">
        {capital(f.phase)}; seen {f.views.map((v) => VIEW_WORDS[v]).join(', ')}.{' '}
        <b className={f.severity === 3 ? 'text-warn' : 'text-ink'}>
          {capital(SEVERITY_WORDS[f.severity])}
          {
            {
              1: ': noted, worked on over weeks',
              2: ': the repetition does not count as clean',
              3: ': ends the set',
            }[f.severity]
          }
        </b>
        .
      </p>
      {f.felt && f.felt.length > 0 && (
        <p>Athletes say: {f.felt.map((x) => `${x.kind}, ${x.region}`).join('; ')}.</p>
      )}
      {shown?.mechanics && f.shows && (
        <figure className="mt-2 inline-block">
          <SignPicture
            mechanics={shown.mechanics}
            pattern={shown.pattern ?? 'squat'}
            shows={f.shows}
            size={150}
          />
          <figcaption className="text-sm text-soft">Here on: {shown.title}</figcaption>
        </figure>
      )}
      <div className="mt-4 grid gap-x-8 gap-y-4 md:grid-cols-2">
        <section>
          <h2>Likely causes</h2>
          <ul className="mt-1">
            {f.causes.map((c, i) => (
              <li key={c.id} className="border-b border-rule py-1">
                <b>{letter(i)}</b> <LineReading line={c.line} />
                {c.weight !== undefined && <span className="text-sm text-soft"> weight {c.weight}</span>}
                {c.alike && <span className="text-sm text-soft"> (also behind other faults)</span>}
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2>What tells them apart</h2>
          {f.checks.length === 0 && <p className="text-soft">No check is written yet.</p>}
          {f.checks.map((c, i) => (
            <div key={i} className="border-b border-rule py-1">
              <p className="font-semibold">
                <LineReading line={c.line} />
              </p>
              {c.equipment && c.equipment.length > 0 && (
                <p className="text-sm text-soft">
                  Needs: {c.equipment.map((e) => title('equipment', e)).join(', ')}.
                </p>
              )}
              <Tells of={tells[i]!} causes={f.causes.map((x) => x.line.text)} />
            </div>
          ))}
        </section>
      </div>
      <section className="mt-5">
        <h2>Answers, cheapest first</h2>
        <ol className="mt-1">
          {f.answers.map((a, i) => (
            <li key={i} className="grid grid-cols-[1.5rem_1fr] border-b border-rule py-1.5">
              <span className="font-head font-bold">{i + 1}</span>
              <span>
                <LineReading line={a.line} /> <span className="text-sm text-soft">{a.answerKind}</span>
                {a.causes && (
                  <span className="text-sm text-soft">
                    , for {a.causes.map((id) => letter(f.causes.findIndex((c) => c.id === id))).join(' and ')}
                  </span>
                )}
                {a.needsSecondPerson && <span className="text-sm text-soft">, needs a second person</span>}
                {a.equipment.length > 0 && (
                  <span className="text-sm text-soft">
                    , needs {a.equipment.map((e) => title('equipment', e).toLowerCase()).join(', ')}
                  </span>
                )}
                {a.cue && (
                  <>
                    {' '}
                    <Link to={`/library/cue/${a.cue}`}>“{title('cue', a.cue)}”</Link>
                  </>
                )}
                {a.variation && (
                  <>
                    {' '}
                    <Link to={`/library/variation/${a.variation}`}>{title('variation', a.variation)}</Link>
                  </>
                )}
              </span>
            </li>
          ))}
        </ol>
        <p className="mt-2 border-l-[6px] border-warn bg-paper px-3 py-1">
          <b>Stop:</b> <LineReading line={f.whenToStop} />
        </p>
      </section>
      {f.chain.length > 0 && (
        <section className="mt-5">
          <h2>Over weeks</h2>
          <ol className="mt-1 list-decimal pl-5">
            {f.chain.map((c, i) => (
              <li key={i}>
                <LineReading line={c.line} />{' '}
                {c.variation && (
                  <Link to={`/library/variation/${c.variation}`}>{title('variation', c.variation)}</Link>
                )}{' '}
                <span className="text-soft">
                  until: <LineReading line={c.gate} />
                </span>
              </li>
            ))}
          </ol>
        </section>
      )}
      <section className="mt-5">
        <h2>Looked for on {sheets.length === 1 ? 'one sheet' : `${sheets.length} sheets`}</h2>
        <EntryLinks entries={sheets} />
        {cues.length > 0 && (
          <p className="mt-2">
            Cues that answer it:{' '}
            {cues.map((e, i) => (
              <span key={e.slug}>
                {i > 0 && ' / '}
                <Link to={`/library/cue/${e.slug}`}>{e.title}</Link>
              </span>
            ))}
          </p>
        )}
      </section>
    </div>
  );
}
