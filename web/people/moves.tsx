import type { OnLadder } from '../../core/floor/index.ts';
import type { MoveRow } from '../../contract/log.ts';
import { takenWaySentence } from '../../core/ladder/index.ts';
import { Said, useSigned } from '../shell/index.ts';
import { day, OUTCOME_WORDS } from '../ui/index.ts';
import { Evidence } from './evidence.tsx';

/** What was confirmed, by whom, with the evidence as it was. */
export function Moves({ moves, ladders }: { moves: MoveRow[]; ladders: OnLadder[] }) {
  const { hall } = useSigned();
  const level = (m: MoveRow, id: string | null) =>
    ladders.find((l) => l.ladder.slug === m.ladder)?.ladder.levels.find((x) => x.id === id)?.name ?? id;
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Moves</h2>
      {moves.length === 0 && <p className="py-2 text-soft">None yet.</p>}
      <ol>
        {moves.map((m) => (
          <li key={m.id} className="border-b border-rule py-2">
            <span className="font-semibold">
              {day(m.date, hall.today)}:{' '}
              {m.kind === 'placed'
                ? 'Placed'
                : m.kind === 'form'
                  ? `Now in ${m.form}`
                  : OUTCOME_WORDS[m.kind]}
              {m.fromLevel !== m.toLevel && ` to ${level(m, m.toLevel)}`}
              {m.taken && <Said of={` (${takenWaySentence(m.taken)})`} />}
            </span>{' '}
            by {m.by}.{' '}
            {m.proposed && m.proposed !== m.kind && (
              <span className="font-semibold">
                The tool proposed: {OUTCOME_WORDS[m.proposed].toLowerCase()}.{' '}
              </span>
            )}
            {m.reason}
            {m.evidence && (
              <details>
                <summary className="text-sm text-soft">
                  Evidence as it was (library state {m.stateNumber})
                </summary>
                <ul className="list-disc pl-5 text-sm">
                  {m.evidence.reasons.map((r, i) => (
                    <li key={i}>
                      <Said of={r.text} />
                    </li>
                  ))}
                </ul>
                <div className="overflow-x-auto">
                  <Evidence judged={m.evidence.advance} today={hall.today} wanted />
                </div>
              </details>
            )}
            {m.flags.map((f) => (
              <p key={`${f.setId}${f.at}`} className="font-semibold text-warn">
                A set that this stood on was {f.what} afterwards: look again.
              </p>
            ))}
          </li>
        ))}
      </ol>
    </section>
  );
}
