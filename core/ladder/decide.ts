import type { SettledLadder, SettledLevel } from '../library/index.ts';
import { sessionsLookedAt } from './criteria.ts';
import { atomsOf, evaluate } from './evaluate.ts';
import type { Judged } from './evaluate.ts';
import { cleanReps, levelEvidence } from './evidence.ts';
import type { EvidenceSession, FactsBySlug, IsoDate, LoggedSet } from './evidence.ts';
import { barring, barSentence, inForce } from './restriction.ts';
import type { Restriction } from './restriction.ts';
import { sentenceOf } from './sentence.ts';
import { kitAtHand, nextStep, targetAt, takenWaySentence } from './target.ts';
import type { TakenWay, Target } from './target.ts';

export const OUTCOMES = ['stop and refer', 'step back', 'move up', 'grow', 'hold'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export interface Standing {
  level: string;
  /** Date of the last confirmed arrival. */
  since: IsoDate;
  /** Ways on confirmed since then, in order. */
  taken: TakenWay[];
}

export interface DecisionInput {
  ladder: SettledLadder;
  facts: FactsBySlug;
  /** Lowering time in seconds of each variation's tempo. */
  loweringS: ReadonlyMap<string, number>;
  standing: Standing;
  /** The person's sets, in any order; those of other variations are ignored. */
  sets: readonly LoggedSet[];
  restrictions: readonly Restriction[];
  /** Slugs of the equipment at hand. */
  kit: ReadonlySet<string>;
  /** Levels held on other ladders, as `ladder/level`. */
  heldElsewhere: ReadonlySet<string>;
  today: IsoDate;
}

export interface GrowFinding {
  rule: 'two-for-two' | 'easy effort' | null;
  account: string;
  next: TakenWay | null;
  setIds: string[];
}

/** A reason in words; `health` marks what only staff of the squad may read. */
export interface Reason {
  text: string;
  health: boolean;
}

export interface Decision {
  outcome: Outcome;
  ladder: string;
  fromLevel: string;
  /** Level to go to; null when the outcome changes no level or there is none to go to. */
  toLevel: string | null;
  reasons: Reason[];
  advance: Judged;
  stepBack: Judged;
  grow: GrowFinding;
  /** What stands between the person and the next level, in words. */
  missing: Reason[];
  target: Target;
  /** Variation to do now: the main one, or the nearest permitted equal that the kit allows. */
  variation: string | null;
  /** Why it is not the main one, in words. */
  variationNote: string | null;
  restrictions: { id: string; text: string }[];
  sessionDates: IsoDate[];
  setIds: string[];
}

/**
 * The decision for one person on one ladder. Pure: the same input gives the same output.
 * First that applies: stop and refer, step back, move up, grow inside the level, hold.
 * @throws Error when the standing names a level that the ladder does not have.
 */
export function decide(input: DecisionInput): Decision {
  const { ladder, facts, standing, today } = input;
  const index = ladder.levels.findIndex((l) => l.id === standing.level);
  const level = ladder.levels[index];
  if (!level) throw new Error(`Ladder ${ladder.slug} has no level ${standing.level}.`);

  const sessions = levelEvidence(input.sets, [level.main, ...level.equals], standing.since);
  const ctx = { facts, today };
  const advance = evaluate(level.advance, sessions, ctx);
  const stepBack = evaluate(level.stepBack, sessions, ctx);
  const target = targetAt(level.dose, standing.taken);
  const grow = growFinding(input, level, target, sessions);
  const restrictions = input.restrictions.filter((r) => inForce(r, today));
  const choice = chooseVariation(level, input, restrictions);

  const result = (outcome: Outcome, toLevel: SettledLevel | null, reasons: Reason[]): Decision => ({
    outcome,
    ladder: ladder.slug,
    fromLevel: level.id,
    toLevel: toLevel?.id ?? null,
    reasons,
    advance,
    stepBack,
    grow,
    missing: missingFrom(advance),
    target,
    variation: choice.variation,
    variationNote: choice.note,
    restrictions: restrictions.map((r) => ({ id: r.id, text: restrictionSentence(r) })),
    sessionDates: sessions.map((s) => s.date),
    setIds: [...new Set([...advance.setIds, ...stepBack.setIds, ...grow.setIds])],
  });

  const everything = restrictions.find((r) => r.bars.some((b) => b.bars === 'all'));
  if (everything) {
    return result('stop and refer', null, [plain(`Barred: ${restrictionSentence(everything)}.`)]);
  }

  const permitted = (l: SettledLevel) =>
    [l.main, ...l.equals].some((v) => {
      const f = facts.get(v);
      return f !== undefined && barring(restrictions, f).length === 0;
    });
  const lower = ladder.levels.slice(0, index).reverse().find(permitted) ?? null;

  if (!permitted(level)) {
    const why = restrictions.map(restrictionSentence).join('; ');
    return lower
      ? result('step back', lower, [plain(`Everything at this level is barred (${why}).`)])
      : result('stop and refer', null, [plain(`No permitted level here or below (${why}).`)]);
  }

  if (stepBack.judgement === 'met') {
    const because = reasonsFor(stepBack);
    if (lower) return result('step back', lower, because);
    if (because.some((r) => r.health)) {
      return result('stop and refer', null, [...because, plain('There is no easier level to go back to.')]);
    }
    return result('step back', null, [
      ...because,
      plain('This is the lowest level: do less of it, or use an equal.'),
    ]);
  }

  const blockers: Reason[] = [];
  const painDate = painInWindow(input.sets, sessions, level);
  if (painDate) blockers.push({ text: `Pain was reported on ${painDate}; settle that first.`, health: true });

  if (advance.judgement === 'met') {
    const next = ladder.levels[index + 1];
    if (!next) blockers.push(plain('This is the top of the ladder.'));
    else {
      if (!permitted(next)) {
        blockers.push(
          plain(`The next level is barred (${restrictions.map(restrictionSentence).join('; ')}).`),
        );
      }
      for (const need of next.entryNeeds) {
        if (!input.heldElsewhere.has(`${need.ladder}/${need.level}`)) {
          blockers.push(plain(`The next level needs ${need.level} on the ladder ${need.ladder} first.`));
        }
      }
      if (blockers.length === 0) {
        return result('move up', next, [plain(`All that ${level.name} asks has been met.`)]);
      }
    }
  }

  if (advance.judgement !== 'met' && grow.rule && grow.next && !painDate) {
    return result('grow', null, [
      plain(`${grow.account}. Next here: ${takenWaySentence(grow.next)}.`),
      ...blockers,
    ]);
  }
  const missing = sessions.length ? missingFrom(advance) : [plain('Nothing logged at this level yet.')];
  return result('hold', null, [...blockers, ...missing]);
}

const plain = (text: string): Reason => ({ text, health: false });

/** The restriction as a phrase, e.g. "every bridge until 2026-12-01, said by the physiotherapist". */
export function restrictionSentence(r: Restriction): string {
  const until = r.until ? ` until ${r.until}` : ' until lifted';
  return `${r.bars.map(barSentence).join(', ')}${until}, said by ${r.saidBy}`;
}

function chooseVariation(level: SettledLevel, input: DecisionInput, restrictions: readonly Restriction[]) {
  const options = [level.main, ...level.equals];
  const fit = options.map((slug) => {
    const f = input.facts.get(slug);
    return {
      slug,
      name: f?.name ?? slug,
      barred: !f || barring(restrictions, f).length > 0,
      kit: f !== undefined && kitAtHand(f, input.kit),
    };
  });
  const allowed = fit.filter((o) => !o.barred);
  const chosen = allowed.find((o) => o.kit) ?? allowed[0];
  if (!chosen) return { variation: null, note: 'Everything at this level is barred.' };
  if (!chosen.kit) return { variation: chosen.slug, note: `The kit for ${chosen.name} is not at hand.` };
  if (chosen.slug === level.main) return { variation: chosen.slug, note: null };
  const main = fit[0]!;
  return {
    variation: chosen.slug,
    note: `${chosen.name} instead of ${main.name}: ${main.barred ? 'that is barred' : 'its kit is not at hand'}.`,
  };
}

/** Date of the newest pain report on the days the advance would rest on; warm-up sets count here too. */
function painInWindow(
  sets: readonly LoggedSet[],
  sessions: readonly EvidenceSession[],
  level: SettledLevel,
): IsoDate | null {
  const first = sessions.at(-Math.min(sessions.length, sessionsLookedAt(level.advance)))?.date;
  if (!first) return null;
  const painful = sets.filter((s) => s.date >= first && (s.pain ?? 0) > 0).map((s) => s.date);
  return painful.sort().at(-1) ?? null;
}

function reasonsFor(met: Judged): Reason[] {
  const c = met.criterion;
  if (c.kind === 'any' || c.kind === 'all') {
    return met.parts.filter((p) => p.judgement === 'met').flatMap(reasonsFor);
  }
  const when = c.kind === 'sessionsRunning' ? met.parts.map((p) => p.date).join(' and ') : met.date;
  return [{ text: `${capital(met.sentence)} (${when}: ${accountOf(met)}).`, health: met.health }];
}

const accountOf = (j: Judged): string =>
  j.parts.length ? j.parts.map(accountOf).filter(Boolean).join(' / ') : j.account;

const capital = (s: string) => `${s[0]?.toUpperCase() ?? ''}${s.slice(1)}`;

/** What the advance still lacks, part by part; a run of sessions says how many are left. */
function missingFrom(judged: Judged): Reason[] {
  if (judged.judgement === 'met') return [];
  const c = judged.criterion;
  if (c.kind === 'all') return judged.parts.flatMap(missingFrom);
  if (c.kind === 'any') {
    return [
      {
        text: `One of: ${judged.parts
          .flatMap(missingFrom)
          .map((r) => r.text)
          .join(' ')}`,
        health: judged.health,
      },
    ];
  }
  if (c.kind === 'sessionsRunning') {
    const newest = judged.parts[0];
    if (!newest || newest.judgement === 'met') {
      const left = c.sessions - (judged.seen ?? 0);
      const older = judged.parts.find((p) => p.judgement === 'unknown');
      return [
        {
          text: older
            ? `${capital(sentenceLeft(judged, left))}; on ${older.date} it is not known: ${accountOf(older)}.`
            : `${capital(sentenceLeft(judged, left))}.`,
          health: judged.health,
        },
      ];
    }
    return atomsOf(newest)
      .filter((a) => a.judgement !== 'met')
      .map((a) => ({
        text: `${missingAtom(a).replace(/\.$/, '')}, in ${c.sessions} sessions running.`,
        health: a.health,
      }));
  }
  return [{ text: missingAtom(judged), health: judged.health }];
}

const sentenceLeft = (judged: Judged, left: number) => {
  const inner = judged.criterion.kind === 'sessionsRunning' ? judged.criterion.of : judged.criterion;
  return `${left} more ${left === 1 ? 'session' : 'sessions'} running with ${sentenceOf(inner)}`;
};

function missingAtom(j: Judged): string {
  const seen = j.judgement === 'unknown' ? `${j.account}: ask or watch` : `seen ${j.account}`;
  return `Needs ${j.sentence} (${j.date ? `${j.date}: ` : ''}${seen}).`;
}

/**
 * Two-for-two: two or more repetitions over the target in the last set, two sessions running
 * (the "2-for-2 rule", Baechle & Earle, Essentials of Strength Training and Conditioning; from memory).
 * Easy effort: at most 5 of 10 in two sessions running (common practice, no source).
 */
function growFinding(
  input: DecisionInput,
  level: SettledLevel,
  target: Target,
  sessions: readonly EvidenceSession[],
): GrowFinding {
  const kit = input.kit;
  const lowering = input.loweringS.get(level.main) ?? 0;
  const next =
    level.waysOn.map((w) => nextStep(w, target, lowering, kit)).find((step) => step !== null) ?? null;
  const lastTwo = sessions.slice(-2);
  const setIds = lastTwo.flatMap((s) => s.sets.map((x) => x.id));
  if (lastTwo.length < 2) {
    return { rule: null, account: 'Fewer than two sessions at this level', next, setIds: [] };
  }

  const over = (s: EvidenceSession) =>
    target.reps !== undefined && lastSets(s, input.facts).every((x) => (x ?? -1) >= target.reps! + 2);
  if (lastTwo.every(over)) {
    return {
      rule: 'two-for-two',
      account: 'Two or more clean repetitions over the target in the last set, two sessions running',
      next,
      setIds,
    };
  }
  const easy = evaluate(
    { kind: 'sessionsRunning', sessions: 2, of: { kind: 'effortAtMost', effort: 5 } },
    sessions,
    { facts: input.facts, today: input.today },
  );
  if (easy.judgement === 'met') {
    return {
      rule: 'easy effort',
      account: 'Effort was at most 5 of 10 in two sessions running',
      next,
      setIds,
    };
  }
  return { rule: null, account: 'Neither two-for-two nor two easy sessions running', next, setIds: [] };
}

/** Clean repetitions of the last set, of each side where sides are logged apart; null where unknown. */
function lastSets(session: EvidenceSession, facts: FactsBySlug): (number | null)[] {
  const oneSided = session.sets.some((s) => facts.get(s.variation)?.oneSided);
  if (!oneSided) return [cleanReps(session.sets.at(-1)!, facts)];
  return (['left', 'right'] as const).map((side) => {
    const last = session.sets.filter((s) => s.side === side).at(-1);
    return last ? cleanReps(last, facts) : null;
  });
}
