import { prepared, whereIs, whyHere } from '../../core/plan/index.ts';
import { Button } from '../ui/index.ts';
import type { PlannedHour } from '../workers/index.ts';
import type { useNaming } from './naming.ts';
import type { NeededHour } from './said.ts';
import { refusedWords, whereWords } from './words.ts';

/** Reasons beyond these nobody reads. */
const MOST_REASONS = 8;

/** Where a piece of work is, why there and not elsewhere, and where else it could be put. */
export function AboutPiece({
  planned: { plan, job },
  piece,
  naming,
  onMove,
  onTakeBack,
}: {
  planned: PlannedHour & { job: { hour: NeededHour } };
  piece: number;
  naming: ReturnType<typeof useNaming>;
  onMove: (to: { round: number; at: string | null }) => void;
  onTakeBack: () => void;
}) {
  const { hour } = job;
  const one = hour.pieces[piece]!;
  const why = whyHere(prepared(hour, plan.times, plan.rounds.length), plan, piece);
  const at = whereIs(plan, piece);
  const kindName = (id: string | null) =>
    id === null ? 'the floor' : (hour.places.find((k) => k.id === id)?.name ?? id);
  return (
    <>
      <p>{at ? `Round ${at.round + 1}, ${whereWords(at.at, hour.places)}.` : 'Left out.'}</p>
      <h3 className="mt-3">{at ? 'Why here' : 'Why not'}</h3>
      {why.cheapest ? (
        <p>{at ? 'Nowhere would cost less.' : 'Something that counts more has its place.'}</p>
      ) : (
        <ul className="list-disc pl-6">
          {why.refused.slice(0, MOST_REASONS).map((r) => (
            <li key={`${r.round} ${r.option} ${r.refused.why}`}>
              Round {r.round + 1}, {kindName(one.options[r.option]!.at)}: {refusedWords(r.refused, naming)}
            </li>
          ))}
        </ul>
      )}
      <h3 className="mt-3">Move to</h3>
      <div className="flex flex-wrap gap-2">
        {plan.rounds.map((_, round) =>
          [...new Set(one.options.map((o) => o.at))].map((place) => (
            <Button
              key={`${round} ${place ?? ''}`}
              onClick={() => onMove({ round, at: place })}
              disabled={at?.round === round && (at.at ? hour.places[at.at.kind]?.id : null) === place}
            >
              Round {round + 1}, {kindName(place)}
            </Button>
          )),
        )}
      </div>
      {one.wish && (
        <p className="mt-2">
          There is a wish for it.{' '}
          <Button tone="quiet" onClick={onTakeBack}>
            Take it back
          </Button>
        </p>
      )}
    </>
  );
}
