import { evaluate, plain } from '../criterion/index.ts';
import type { Reason } from '../criterion/index.ts';
import { sideTests, weakerSide } from '../log/index.ts';
import type { SideDifference } from '../log/index.ts';
import { daysBetween } from '../terms/index.ts';
import { sideLimitOf, withoutSides } from './asks.ts';
import { ownLoadOf } from './counts.ts';
import { aStepLower, asksLess, lastDone } from './plan.ts';
import type { Plan } from './plan.ts';
import type { Target } from './target.ts';
import { isHere } from './weighed.ts';
import type { Weighed } from './weighed.ts';

/** A side test is due when the last is older than so many days (common practice, no source). */
const SIDE_TEST_DUE_DAYS = 21;
/** One that showed a difference is done again after so many days (judgement). */
const SIDE_TEST_AGAIN_DAYS = 7;

/** What is done today: the target, raised to what was last met, or lowered with the reason. */
export function planOf(w: Weighed): Plan {
  const { input, facts, standing, today, level, main, asked, sets, counted } = w;
  const { hurting, referral, away, target, working } = w;
  const why: Reason[] = [];
  let asks = working;
  let lighter = false;
  const sideLimit = sideLimitOf(asked.advance);
  const showed = sideTests(counted.sideTests, facts);
  const apart = (d: SideDifference) => !d.withinTolerance && d.percent > (sideLimit ?? 0);
  const lastTwo = showed.slice(-2);
  const weaker = weakerSide(
    counted.ofPattern.filter((s) => isHere(s, level)),
    facts,
    today,
  );
  const extraSide =
    sideLimit !== null && lastTwo.length === 2 && lastTwo.every(apart) && weaker ? weaker.side : null;
  if (referral) {
    asks = main ? aStepLower(target, main, input.loads) : target;
    lighter = true;
    why.push({
      text: 'Less than planned: pain that comes back is for a doctor or physiotherapist first.',
      health: true,
    });
  } else if (hurting) {
    why.push({ text: `No more than planned after the pain of ${hurting.date}.`, health: true });
  } else if (away !== null) {
    asks = main ? aStepLower(working, main, input.loads) : working;
    lighter = true;
    why.push(plain(`A step lower for once: ${away} days away.`));
  } else if (asksLess(target, working)) {
    why.push(plain('No less than what was clean the last time.'));
  }
  // The exact share beside the weight that there is, as long as that is what is lifted.
  if (w.firstLoad && asks.loadKg === w.firstLoad.kg && !standing.taken.some((t) => t.way === 'load')) {
    why.push(plain(w.firstLoad.words));
  }
  const sideTest = sideTestDue(w, sideLimit, showed, apart);
  if (sideTest) why.push(plain('A side test is due: each side to the first repetition that is not clean.'));
  if (extraSide)
    why.push(plain(`The ${extraSide} was behind in two side tests: one extra set on the ${extraSide}.`));
  const doing = w.choice.variation ?? level.main;
  return {
    target: loadedFor(w, asks, doing),
    last: lastDone(sets, doing, today),
    why,
    lighter,
    sideTest,
    extraSide,
    weaker,
  };
}

/** An equal with another kind of load is done with its own figure, never with the main movement's. */
function loadedFor({ level, main, facts }: Weighed, target: Target, doing: string): Target {
  if (doing === level.main || !target.loadKg || facts.get(doing)?.loadKind === main?.loadKind) return target;
  const { loadKg: _not, ...rest } = target;
  const own = ownLoadOf(level, doing);
  return own === undefined ? rest : { ...rest, loadKg: own };
}

function sideTestDue(
  w: Weighed,
  sideLimit: number | null,
  showed: readonly SideDifference[],
  apart: (d: SideDifference) => boolean,
): boolean {
  const { standing, today, asked, counted, up, hurting, referral, away } = w;
  if (sideLimit === null || hurting || referral || away !== null) return false;
  const newest = showed.at(-1);
  const age = daysBetween(newest?.date ?? standing.since, today);
  if (age > SIDE_TEST_DUE_DAYS) return true;
  if (newest && (!apart(newest) || age < SIDE_TEST_AGAIN_DAYS)) return false;
  const rest = withoutSides(asked.advance);
  return evaluate(rest, counted.forAdvance, up).judgement === 'met';
}
