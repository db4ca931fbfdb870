import { useMemo } from 'react';
import { Link } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { SimilarityIndex } from '../../../core/library/index.ts';
import { VIEW_WORDS } from '../../../core/terms/index.ts';
import type { Cue } from '../../../core/library/index.ts';
import { useSigned } from '../../shell/index.ts';
import { capital } from '../../ui/index.ts';
import { LineReading } from './reading.tsx';
import { EntryLinks } from '../find/entry-links.tsx';

/** Alike enough to be worth a look, well under what counts as the same cue. */
const WORTH_A_LOOK = 0.4;

/** One cue in its one wording, and everywhere it stands. */
export function CueView({ cue: c, entries }: { cue: Cue; entries: EntrySummary[] }) {
  const { me } = useSigned();
  const uses = (kind: EntrySummary['kind']) =>
    entries.filter((e) => e.kind === kind && !e.retired && e.uses.includes(`cue/${c.slug}`));
  const sheets = uses('variation');
  const faults = uses('fault');
  const alike = useMemo(
    () =>
      new SimilarityIndex(
        entries
          .filter((e) => e.kind === 'cue' && !e.retired && e.slug !== c.slug)
          .map((e) => ({ id: e.slug, text: e.title })),
      ).nearest(c.line.text, WORTH_A_LOOK, 5),
    [entries, c],
  );
  const answers = c.addresses && entries.find((e) => e.kind === 'fault' && e.slug === c.addresses);
  return (
    <div>
      <p className="mt-3 text-2xl font-semibold" dir="auto">
        <LineReading line={c.line} />
      </p>
      {c.plain && <p className="text-lg">{c.plain}</p>}
      <p className="text-soft">
        Said at: {c.phase}. {capital(c.cueKind)}, checked {VIEW_WORDS[c.view]}. Suits: {c.stages.join(', ')}.{' '}
        {answers ? (
          <>
            Answers the fault <Link to={`/library/fault/${answers.slug}`}>{answers.title}</Link>.
          </>
        ) : (
          'Stands for good form.'
        )}
      </p>
      <section className="mt-5">
        <h2>Stands on {sheets.length === 1 ? 'one sheet' : `${sheets.length} sheets`}</h2>
        <EntryLinks entries={sheets} />
        {faults.length > 0 && (
          <p className="mt-2">
            Named as an answer to:{' '}
            {faults.map((e, i) => (
              <span key={e.slug}>
                {i > 0 && ', '}
                <Link to={`/library/fault/${e.slug}`}>{e.title}</Link>
              </span>
            ))}
            .
          </p>
        )}
        <p className="mt-2 text-soft">
          Changed once, it changes on all of them; what changes is shown before it is accepted.
        </p>
      </section>
      {alike.length > 0 && (
        <section className="mt-5">
          <h2>Said in much the same words</h2>
          <ul className="mt-1 max-w-2xl">
            {alike.map((a) => (
              <li key={a.id} className="flex items-baseline justify-between gap-4 border-b border-rule py-1">
                <span>
                  <Link to={`/library/cue/${a.id}`}>{a.text}</Link>{' '}
                  <span className="text-sm text-soft">{Math.round(100 * a.similarity)} % alike</span>
                </span>
                {me.role !== 'viewer' && (
                  <Link
                    to={`/library/cue/${c.slug}/merge?keep=${a.id}`}
                    className="text-sm whitespace-nowrap"
                  >
                    Use that wording instead
                  </Link>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
