import { everyDoing, ownPoints, refusedByRound, roundPoints } from './fits.ts';
import type { Prepared } from './fits.ts';
import { ABOUT_FORM } from './hour.ts';
import type { Doing, HourPlan, Refused, Round } from './hour.ts';
import { cheapest, spotsIn } from './search.ts';

/** Where something is done, and why not where it would have been cheaper. */
export interface Why {
  /** In the order of rounds; one each, the first test that failed. */
  refused: { round: number; option: number; refused: Refused }[];
  /** Nothing would have been cheaper. */
  cheapest: boolean;
}

const without = (round: Round, piece: number): Round => ({
  shared: round.shared
    .map((s) => ({ ...s, doing: s.doing.filter((d) => d.piece !== piece) }))
    .filter((s) => s.doing.length > 0),
  floor: round.floor.filter((d) => d.piece !== piece),
});

/** Why a piece is where it is, or is left out: for every cheaper place the first test that fails there. */
export function whyHere(p: Prepared, plan: HourPlan, piece: number): Why {
  const at = plan.rounds.findIndex((r) => everyDoing(r).some((d) => d.piece === piece));
  const rounds = plan.rounds.map((r) => without(r, piece));
  const now = at < 0 ? Infinity : roundPoints(p, plan.rounds[at]!, at) - roundPoints(p, rounds[at]!, at);
  const found = new Map<string, Why['refused'][number]>();
  cheapest(p, rounds, piece, {
    refused: (refused, { round, option }) => {
      const d = { piece, option };
      const least = ownPoints(p, d, round) + (refused.why === 'taken' ? setUp(p, d) : 0);
      const key = `${round} ${option} ${refused.why}`;
      if (least < now && !found.has(key)) found.set(key, { round, option, refused });
    },
  });
  const all = [...found.values()];
  // That all are taken says less than why nobody can join at one of them.
  const refused = all
    .filter(
      (r) =>
        r.refused.why !== 'taken' ||
        !all.some((x) => x !== r && x.round === r.round && x.option === r.option),
    )
    .sort((a, b) => a.option - b.option || a.round - b.round);
  return { refused, cheapest: refused.length === 0 };
}

const setUp = (p: Prepared, d: Doing) => {
  const kind = p.kindOf[d.piece]![d.option] ?? -1;
  return kind < 0 ? 0 : ABOUT_FORM[p.hour.places[kind]!.form].points;
};

/** What forbids that a piece is done in a round in this way; null: nothing does. */
export function breaks(p: Prepared, plan: HourPlan, d: Doing, round: number): Refused | null {
  const rest = without(plan.rounds[round]!, d.piece);
  const no = refusedByRound(p, round, rest, d);
  if (no) return no;
  let first: Refused | null = null;
  const spots = spotsIn(p, rest, d, (r) => (first ??= r));
  return spots.length > 0 ? null : first;
}
