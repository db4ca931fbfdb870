import { missingFrom, needsWatching, plain } from '../criterion/index.ts';
import type { Reason } from '../criterion/index.ts';
import type { SettledLevel } from '../library/index.ts';
import { wasWatched } from '../log/index.ts';
import { daysBetween } from '../terms/index.ts';
import { longestRun } from './asks.ts';
import { isLoaded } from './counts.ts';
import type { Decision } from './decision.ts';
import { resultOf } from './outcome.ts';
import { placeWords } from './pain.ts';
import { restrictionSentence } from './permits.ts';
import { takenWaySentence } from './target.ts';
import { above, nameAt, needsOf } from './weighed.ts';
import type { Weighed } from './weighed.ts';

/** Moving up stands on something newer than so many days (judgement). */
const FRESH_DAYS = 28;

/** In intervals where the level has no such form. */
export function trainedOnly(w: Weighed): Decision | null {
  if (!w.level.trainsOnly) return null;
  return resultOf(w, 'hold', null, [
    ...against(w),
    plain('Intervals train here and earn nothing: the level says nothing of them. Sets move on.'),
  ]);
}

export function movedUp(w: Weighed): Decision | null {
  const { ladder, standing, index, level, advance } = w;
  if (against(w).length > 0) return null;
  const offered = offeredAgain(w);
  if (offered) {
    return resultOf(w, 'move up', offered, [
      plain(
        `${nameAt(w, standing.left!.level)} was left because it was barred, and is free again: begin one step lower.`,
      ),
    ]);
  }
  if (advance.judgement !== 'met' || stale(w) !== null) return null;
  const next = above(w);
  if (!next || needsOf(w, next).length > 0) return null;
  const passesOver = ladder.levels.slice(index + 1, ladder.levels.indexOf(next)).map((l) => l.id);
  return resultOf(
    w,
    'move up',
    next,
    [
      plain(`All that ${level.name} asks has been met.`),
      ...(passesOver.length > 0
        ? [
            plain(
              `${passesOver.map((id) => nameAt(w, id)).join(', ')} ${passesOver.length === 1 ? 'is' : 'are'} barred and passed over: the head coach confirms.`,
            ),
          ]
        : []),
    ],
    { passesOver },
  );
}

export function grown(w: Weighed): Decision | null {
  const { grow } = w;
  if (against(w).length > 0 || !grow.rule || !grow.next) return null;
  return resultOf(w, 'grow', null, [
    plain(`${grow.account}. Next here: ${takenWaySentence(grow.next)}.`),
    ...blockers(w),
  ]);
}

export function held(w: Weighed): Decision {
  const { input, counted, advance, grow } = w;
  const { branches = [] } = input;
  const kept =
    advance.judgement === 'met' && !above(w) && grow.next === null && against(w).length === 0
      ? [
          plain('Keep it: the same work, once a week.'),
          ...(branches.length > 0
            ? [
                plain(
                  `${branches.length === 1 ? 'A branch is' : 'Branches are'} open: ${branches.join(', ')}.`,
                ),
              ]
            : []),
        ]
      : [];
  const missing =
    counted.sessions.length > 0
      ? missingFrom(advance, input.nameOf)
      : [plain('Nothing logged at this level yet.')];
  // What would open a way on, where nothing else is said to be lacking.
  const wayOn =
    grow.rule === null && grow.next !== null && advance.judgement !== 'met' && counted.sessions.length >= 2
      ? [plain(`No way on yet: ${grow.account[0]!.toLowerCase()}${grow.account.slice(1)}.`)]
      : [];
  return resultOf(w, 'hold', null, [...blockers(w), ...kept, ...missing, ...wayOn]);
}

/** What keeps from more of any kind, in words. */
function against(w: Weighed): Reason[] {
  const { hurting, referral, away } = w;
  if (referral) {
    return [
      {
        text: `Pain${placeWords(referral.region ? [referral.region] : [])} ${referral.account} (${referral.dates.join(', ')}): ask a doctor or physiotherapist. The next set asks less until it is cleared.`,
        health: true,
      },
    ];
  }
  if (hurting) {
    return [
      {
        text: `Pain${placeWords(hurting.regions)} was reported on ${hurting.date}; settle that first.`,
        health: true,
      },
    ];
  }
  return away === null ? [] : [plain(`Away for ${away} days: begin a step lower today, then go on.`)];
}

function offeredAgain(w: Weighed): SettledLevel | null {
  const { ladder, standing, index, permitted } = w;
  const left = ladder.levels.findIndex((l) => l.id === standing.left?.level);
  if (left <= index || !permitted(ladder.levels[left]!)) return null;
  const again = ladder.levels
    .slice(index + 1, left)
    .filter(permitted)
    .at(-1);
  return again && needsOf(w, again).length === 0 ? again : null;
}

/** Why what was met is too old to move up on; null where it is not. */
function stale(w: Weighed): string | null {
  const { today, level, asked, counted } = w;
  const sessions = needsWatching(asked.advance) ? counted.forAdvance.filter(wasWatched) : counted.forAdvance;
  const on = sessions.slice(-longestRun(asked.advance));
  const fresh = on.filter((s) => daysBetween(s.date, today) <= FRESH_DAYS);
  if (on.length === 0) return 'Nothing that counts has been logged at this level yet.';
  if (fresh.length === 0)
    return `The last of it was on ${on.at(-1)!.date}, more than ${FRESH_DAYS} days ago: show it once more.`;
  return isLoaded(level) && fresh.length < on.length
    ? `With a load all of it has to be of the last ${FRESH_DAYS} days: show it once more.`
    : null;
}

function blockers(w: Weighed): Reason[] {
  const { ladder, index, restrictions, advance } = w;
  const found = against(w);
  if (advance.judgement !== 'met') return found;
  const old = stale(w);
  if (old) return [...found, plain(old)];
  const next = above(w);
  if (next) return [...found, ...needsOf(w, next).map((n) => plain(`The next level needs ${n} first.`))];
  const rest = ladder.levels.slice(index + 1);
  return [
    ...found,
    plain(
      rest.length === 0
        ? 'This is the top of the ladder.'
        : `Every level above is barred (${restrictions.map(restrictionSentence).join('; ')}).`,
    ),
  ];
}
