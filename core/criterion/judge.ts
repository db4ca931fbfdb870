import { weakerOf, cleanReps, faultyReps, sideDifference, SIDE_TEST_DAYS } from '../log/index.ts';
import { AIDS, daysBetween, aidWords } from '../terms/index.ts';
import type { Aid, Felt, IsoDate } from '../terms/index.ts';
import type { Atom, SetAtom } from './criteria.ts';
import type { EvidenceSession, FactsBySlug, LoggedSet } from '../log/index.ts';
import type { NameOfLevel } from './sentence.ts';
import { poolOf } from './pool.ts';
import type { Pool } from './pool.ts';
import { setsReaching, shareOfSets, tooShort, worstAnswer } from './reach.ts';
import type { Finding } from './reach.ts';

/** A coach's or the head coach's word that a level is done well. */
export interface SignOff {
  ladder: string;
  level: string;
  role: 'coach' | 'head coach';
  by: string;
  date: IsoDate;
}

/** What judging needs besides the sessions; what is left out is not known or has not happened. */
export interface EvaluationContext {
  facts: FactsBySlug;
  today: IsoDate;
  massKg?: number | null;
  /** The level stood on and the day of arrival there. */
  at?: { ladder: string; level: string; since: IsoDate };
  /** Sessions since arrival that are older than the evidence given. */
  earlierSessions?: number;
  /** Levels held on other ladders, as `ladder/level`. */
  held?: ReadonlySet<string>;
  signOffs?: readonly SignOff[];
  nameOf?: NameOfLevel;
}

export interface Found extends Finding {
  date: IsoDate | null;
}

const plural = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;
const listed = (unit: string) => (values: number[]) => `${values.join(', ')} ${unit}`;

/** Amount of an aid used in a set: nought where aids were noted and it is not among them, null where none were noted. */
export function aidUsed(set: Pick<LoggedSet, 'aids'>, aid: Aid): number | null {
  if (set.aids === null) return null;
  const used = set.aids.find((a) => a.name === aid);
  if (!used) return 0;
  const amount = Number(used.setting);
  return used.setting.trim() !== '' && Number.isFinite(amount) ? amount : null;
}

export const isAid = (name: string): name is Aid => (AIDS as readonly string[]).includes(name);

const sameFelt = (a: Felt, b: Felt) => a.region === b.region && a.kind === b.kind;

/** Judges an atom on the level's sessions (ascending), as seen from the last of them. */
export function judgeAtom(
  atom: Atom,
  sessions: readonly EvidenceSession[],
  ctx: EvaluationContext,
  asOf: IsoDate,
): Found {
  switch (atom.kind) {
    case 'sideDifferenceAtMost':
      return bySides(atom.percent, sessions, ctx.facts, asOf);
    case 'sessionsHere': {
      const seen = (ctx.earlierSessions ?? 0) + sessions.length;
      return counted(seen, atom.sessions, plural(seen, 'session'), sessions.at(-1)?.date ?? null);
    }
    case 'daysHere': {
      const since = ctx.at?.since;
      if (since === undefined) return unknownYet(atom.days, 'the day of arrival is not known', null);
      const seen = Math.max(0, daysBetween(since, asOf));
      return counted(seen, atom.days, `${plural(seen, 'day')} since ${since}`, since);
    }
    case 'levelHeld': {
      const name = ctx.nameOf?.(atom.ladder, atom.level) ?? `${atom.level} on ${atom.ladder}`;
      const held = ctx.held?.has(`${atom.ladder}/${atom.level}`) ?? false;
      return fact(held, held ? `${name} is held` : `${name} is not held yet`, null);
    }
    case 'signedOff': {
      const word = ctx.signOffs?.find(
        (s) =>
          s.ladder === ctx.at?.ladder &&
          s.level === ctx.at.level &&
          s.date >= ctx.at.since &&
          (atom.by === 'coach' || s.role === 'head coach'),
      );
      const by = atom.by === 'coach' ? 'a coach' : 'the head coach';
      return fact(
        word !== undefined,
        word ? `signed off by ${word.by}` : `not signed off by ${by} yet`,
        word?.date ?? null,
      );
    }
    default: {
      const pool = poolOf(atom.within, sessions, ctx.facts, asOf);
      if (pool.sessions.length === 0) {
        const days = atom.within?.over === 'days' ? atom.within.last : null;
        return unknownYet(
          neededOf(atom),
          days !== null && sessions.length > 0
            ? `nothing logged in the last ${plural(days, 'day')}`
            : 'nothing logged at this level yet',
          null,
        );
      }
      return { ...judgeSets(atom, pool, ctx), date: pool.sessions.at(-1)!.date };
    }
  }
}

function neededOf(a: SetAtom): number | null {
  switch (a.kind) {
    case 'cleanReps':
      return a.reps;
    case 'holdS':
      return a.seconds;
    case 'cleanRounds':
      return a.rounds;
    case 'load':
      return a.load;
    case 'effortAtMost':
      return a.effort;
    case 'tempoKept':
      return a.percent;
    case 'rangeReached':
      return a.degrees ?? a.sets;
    case 'faultsAtMost':
      return a.count;
    case 'felt':
      return a.sets;
    case 'notFelt':
      return null;
    case 'painAtMost':
      return a.pain;
    case 'aidsAtMost':
      return a.most;
    case 'easeAtLeast':
      return a.ease;
  }
}

function judgeSets(atom: SetAtom, pool: Pool, ctx: EvaluationContext): Finding {
  const { facts } = ctx;
  switch (atom.kind) {
    case 'cleanReps':
      return setsReaching(pool, facts, {
        setsNeeded: atom.sets,
        needed: atom.reps,
        list: listed('clean'),
        unknown: 'not watched',
        ask: 'Watch the sets',
        reach: (s) => ({
          sure: cleanReps(s, facts),
          possible: s.watched ? cleanReps(s, facts) : s.doneReps,
        }),
      });
    case 'holdS':
      // A hold with a fault to fix in it was not held in position.
      return setsReaching(pool, facts, {
        setsNeeded: atom.sets,
        needed: atom.seconds,
        // A hold left early by a fault counts nothing, but was not nothing.
        list: (values) => values.map((v) => (v === 0 ? 'one not clean' : `${v} s`)).join(', '),
        unknown: 'not watched',
        ask: 'Watch the holds',
        reach: (s) => {
          const broken = s.watched && faultyReps(s, facts, 2) > 0;
          return {
            sure: s.watched && s.holdS !== null ? (broken ? 0 : s.holdS) : null,
            possible: broken ? 0 : s.holdS,
          };
        },
      });
    case 'cleanRounds':
      return setsReaching(pool, facts, {
        setsNeeded: atom.sets,
        needed: atom.rounds,
        list: listed('clean rounds'),
        unknown: 'not watched',
        ask: 'Watch the rounds',
        reach: (s) => {
          // A fault spoils the round it was seen in; at most one round a repetition.
          const clean = s.rounds === null ? null : Math.max(0, s.rounds - faultyReps(s, facts, 2));
          return { sure: s.watched ? clean : null, possible: s.watched ? clean : s.rounds };
        },
      });
    case 'load':
      return byLoad(atom, pool, ctx);
    case 'effortAtMost':
      return worstAnswer(pool, {
        limit: atom.effort,
        is: 'most',
        answer: (s) => s.effort,
        account: (n) => `effort ${n} of 10`,
        unknown: 'effort was not asked after the last set',
        ask: 'Ask how hard the last set was',
      });
    case 'painAtMost':
      return worstAnswer(pool, {
        limit: atom.pain,
        is: 'most',
        answer: (s) => s.pain,
        account: (n) => `pain ${n} of 10`,
        unknown: 'pain was not asked after the last set',
        ask: 'Ask about pain after the last set',
      });
    case 'easeAtLeast':
      return worstAnswer(pool, {
        limit: atom.ease,
        is: 'least',
        answer: (s) => s.atEase,
        account: (n) => `at ease ${n} of 10`,
        unknown: 'being at ease was not asked after the last set',
        ask: 'Ask how much at ease they are',
      });
    case 'aidsAtMost':
      return worstAnswer(pool, {
        limit: atom.most,
        is: 'most',
        answer: (s) => aidUsed(s, atom.aid),
        account: (n) => aidWords(atom.aid, n),
        unknown: `${atom.aid} not noted in every set`,
        ask: `Note the ${atom.aid} in each set`,
        knownIn: 'every set',
      });
    case 'tempoKept':
      return shareOfSets(pool, atom.percent, (s) => s.tempoKept, {
        of: 'kept',
        unknown: 'whether the tempo was kept was not noted',
        ask: 'Note whether the tempo is kept',
      });
    case 'rangeReached': {
      const { degrees } = atom;
      return degrees === undefined
        ? setsReaching(pool, facts, {
            setsNeeded: atom.sets,
            needed: 1,
            yesOrNo: true,
            list: (values) => `reached in ${values.filter((v) => v === 1).length} of ${values.length} sets`,
            unknown: 'the range was not noted',
            ask: 'Note whether the full range is reached',
            reach: (s) => {
              const sure = s.rangeReached === null ? null : Number(s.rangeReached);
              return { sure, possible: sure ?? 1 };
            },
          })
        : setsReaching(pool, facts, {
            setsNeeded: atom.sets,
            needed: degrees,
            list: (values) => values.map((v) => `${v}°`).join(', '),
            unknown: 'the angle was not measured',
            ask: 'Measure the angle',
            reach: (s) => ({ sure: s.rangeDeg, possible: s.rangeDeg ?? Infinity }),
          });
    }
    case 'faultsAtMost': {
      const watched = pool.sessions.flatMap((s) => s.sets.filter((x) => x.watched));
      const seen = watched.reduce((n, s) => n + faultyReps(s, facts, atom.severity), 0);
      const unknown = pool.sessions.some((s) => s.sets.every((x) => !x.watched));
      const over = seen > atom.count;
      return tooShort(pool, {
        judgement: over ? 'not met' : unknown ? 'unknown' : 'met',
        needed: atom.count,
        seen: watched.length ? seen : null,
        margin: watched.length ? atom.count - seen : null,
        account: watched.length
          ? `${seen} in ${plural(watched.length, 'watched set')}`
          : 'not known: no set was watched',
        setIds: watched.map((s) => s.id),
        ask: unknown && !over ? 'Watch a set' : null,
        sides: [],
      });
    }
    case 'felt': {
      const as = (s: LoggedSet) =>
        s.sensations?.some((f) =>
          (atom.felt ? [atom.felt] : (facts.get(s.variation)?.wanted ?? [])).some((w) => sameFelt(f, w)),
        );
      // Where it is felt is asked of the person, not of each side: without facts nothing counts as one-sided.
      return setsReaching(pool, new Map(), {
        setsNeeded: atom.sets,
        needed: 1,
        yesOrNo: true,
        list: (values) =>
          `so in ${values.filter((v) => v === 1).length} of ${values.length} sets asked about`,
        unknown: 'where it is felt was not asked',
        ask: 'Ask where it is felt',
        reach: (s) => {
          const felt = as(s);
          return { sure: felt === undefined ? null : Number(felt), possible: felt === false ? 0 : 1 };
        },
      });
    }
    case 'notFelt': {
      const unwanted = (s: LoggedSet) =>
        s.sensations?.filter((f) =>
          (atom.felt ? [atom.felt] : (facts.get(s.variation)?.unwanted ?? [])).some((w) => sameFelt(f, w)),
        ) ?? null;
      const found = pool.sessions.flatMap((s) => s.sets).flatMap((s) => unwanted(s) ?? []);
      return {
        ...worstAnswer(pool, {
          limit: 0,
          is: 'most',
          answer: (s) => unwanted(s)?.length ?? null,
          account: (n) =>
            n === 0
              ? 'asked, none'
              : [...new Set(found.map((f) => `${f.kind} in the ${f.region}`))].join(', '),
          unknown: 'where it is felt was not asked after the last set',
          ask: 'Ask where it is felt after the last set',
        }),
        needed: null,
        seen: null,
        margin: null,
      };
    }
  }
}

function byLoad(atom: SetAtom & { kind: 'load' }, pool: Pool, ctx: EvaluationContext): Finding {
  const { facts, massKg } = ctx;
  const ofMass = atom.unit === '% of body mass';
  if (ofMass && !massKg) {
    return {
      judgement: 'unknown',
      needed: atom.load,
      seen: null,
      margin: null,
      account: 'not known: body mass is not on record',
      setIds: [],
      ask: 'Enter the body mass',
      sides: [],
    };
  }
  const amount = (kg: number) => (ofMass ? Math.round((1000 * kg) / massKg!) / 10 : kg);
  const counts = (s: LoggedSet) => {
    const kind = facts.get(s.variation)?.loadKind;
    return kind === undefined || s.loadKind === kind;
  };
  return setsReaching(pool, facts, {
    setsNeeded: atom.sets,
    needed: atom.load,
    list: (values) =>
      values.map((v) => (v === 0 ? 'one not clean enough' : `${v} ${ofMass ? '%' : 'kg'}`)).join(', '),
    unknown: 'not watched, or the load was not noted',
    ask: 'Note the load and watch the sets',
    reach: (s) => {
      if (!counts(s)) return { sure: null, possible: null };
      const clean = cleanReps(s, facts);
      const enough = clean === null ? null : clean >= atom.reps;
      const kg = s.loadKg === null ? null : amount(s.loadKg);
      // Too few clean repetitions count as no load at all; a load not noted might have been any.
      const sure = enough === false ? 0 : enough === null || kg === null ? null : kg;
      const couldBe = s.watched ? enough !== false : (s.doneReps ?? 0) >= atom.reps;
      return { sure, possible: couldBe ? (kg ?? Infinity) : 0 };
    },
  });
}

function bySides(
  percent: number,
  sessions: readonly EvidenceSession[],
  facts: FactsBySlug,
  asOf: IsoDate,
): Found {
  const diff = sideDifference(sessions, facts, asOf);
  if (!diff) {
    return {
      ...unknownYet(percent, `no side test of both sides in the last ${SIDE_TEST_DAYS} days`, null),
      ask: 'Make a side test of both sides',
    };
  }
  const unit = diff.unit === 's' ? ' s' : '';
  const met = diff.withinTolerance || diff.percent <= percent;
  return {
    judgement: met ? 'met' : 'not met',
    needed: percent,
    seen: diff.percent,
    margin: percent - diff.percent,
    account:
      `left ${diff.left}${unit}, right ${diff.right}${unit}: ${diff.percent.toFixed(0)} % apart` +
      (diff.withinTolerance && diff.percent > percent ? ', one repetition is within tolerance' : ''),
    setIds: diff.setIds,
    ask: null,
    sides: met ? [] : [weakerOf(diff) ?? []].flat(),
    date: diff.date,
  };
}

const unknownYet = (needed: number | null, why: string, date: IsoDate | null): Found => ({
  judgement: 'unknown',
  needed,
  seen: null,
  margin: null,
  account: why === 'nothing logged at this level yet' ? why : `not known: ${why}`,
  setIds: [],
  ask: 'Log a session',
  sides: [],
  date,
});

const counted = (seen: number, needed: number, account: string, date: IsoDate | null): Found => ({
  judgement: seen >= needed ? 'met' : 'not met',
  needed,
  seen,
  margin: seen - needed,
  account,
  setIds: [],
  ask: null,
  sides: [],
  date,
});

const fact = (so: boolean, account: string, date: IsoDate | null): Found => ({
  judgement: so ? 'met' : 'not met',
  needed: null,
  seen: null,
  margin: null,
  account,
  setIds: [],
  ask: null,
  sides: [],
  date,
});
