import type { Atom, Criterion } from '../criterion/index.ts';
import type { DecisionInput, Outcome } from '../ladder/index.ts';
import type { SettledLevel } from '../library/index.ts';
import type { LoggedSet } from '../log/index.ts';
import { daysBetween } from '../terms/index.ts';
import type { Region } from '../terms/index.ts';

/**
 * What the readings of docs/decisions.md say of a case, worked out the long way round: plain lists, no shared code
 * with the rules themselves. It is slow, keeps no account of anything, and answers only with what comes out.
 */

export type Verdict = 'yes' | 'no' | '?';
export interface OracleAnswer {
  outcome: Outcome;
  to: string | null;
  advance: Verdict;
  stepBack: Verdict;
}

const and = (of: Verdict[]): Verdict => (of.includes('no') ? 'no' : of.includes('?') ? '?' : 'yes');
const or = (of: Verdict[]): Verdict => (of.includes('yes') ? 'yes' : of.includes('?') ? '?' : 'no');
const turned = (v: Verdict): Verdict => (v === 'yes' ? 'no' : v === 'no' ? 'yes' : '?');

type Dated = { date: string; sets: LoggedSet[] };
type Aim = 'advance' | 'step back';

const SEEN_KINDS = ['cleanReps', 'holdS', 'cleanRounds', 'load', 'faultsAtMost'];
const leaves = (c: Criterion): Atom[] =>
  c.kind === 'all' || c.kind === 'any'
    ? c.of.flatMap(leaves)
    : c.kind === 'not'
      ? [c.of]
      : c.kind === 'sessionsRunning'
        ? leaves(c.of)
        : [c];
const needsEyes = (c: Criterion) => leaves(c).some((a) => SEEN_KINDS.includes(a.kind));

const byDate = (sets: LoggedSet[]): Dated[] =>
  [...new Set(sets.map((s) => s.date))].sort().map((date) => ({
    date,
    sets: sets.filter((s) => s.date === date).sort((a, b) => a.ordinal - b.ordinal || (a.id < b.id ? -1 : 1)),
  }));

export function oracle(input: DecisionInput): OracleAnswer {
  const { ladder, standing, today, facts } = input;
  const index = ladder.levels.findIndex((l) => l.id === standing.level);
  const level = ladder.levels[index]!;
  const main = facts.get(level.main)!;
  const about = (s: LoggedSet) => facts.get(s.variation);
  const here = [level.main, ...level.equals];
  const oneSided = (sets: LoggedSet[]) => sets.some((s) => about(s)?.oneSided);

  // -- What counts
  const clearance = (input.clearances ?? [])
    .filter((c) => c.reaches.includes('everything') || c.reaches.includes(ladder.pattern))
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .at(-1);
  const valid = input.sets.filter(
    (s) =>
      !clearance ||
      s.date > clearance.date ||
      (s.date === clearance.date && !clearance.setIds.includes(s.id)),
  );
  const since = valid.filter((s) => s.date >= standing.since);
  const used = new Set(standing.usedUp ?? []);
  const atLevel = since.filter((s) => here.includes(s.variation) && !s.warmUp);
  const tests = atLevel.filter((s) => s.sideTest);
  const done = atLevel.filter(
    (s) =>
      !s.sideTest &&
      !(s.date === standing.since && used.has(s.id)) &&
      !(s.rounds !== null && about(s)?.countedIn !== 'rounds'),
  );
  const lighterDays = new Set(done.filter((s) => s.lighter === true).map((s) => s.date));
  const whole = done.filter((s) => !lighterDays.has(s.date));
  const ofPatternEver = valid.filter(
    (s) => here.includes(s.variation) || about(s)?.pattern === ladder.pattern,
  );
  // Of the pattern, whatever it was for: pain and stop faults are read of these.
  const ofPattern = since.filter((s) => here.includes(s.variation) || about(s)?.pattern === ladder.pattern);

  // -- Restrictions
  const inForce = input.restrictions.filter((r) => r.from <= today && (r.until === null || r.until >= today));
  const barred = (slug: string): boolean => {
    const f = facts.get(slug);
    if (!f) return true;
    return inForce.some((r) =>
      r.bars.some((b) => {
        if (b.bars === 'all') return true;
        if (b.bars === 'pattern') return b.pattern === f.pattern;
        if (b.bars === 'load place') return b.place === f.loadPlace;
        if (b.bars === 'depth')
          return f.rangeTarget === 'full depth' || f.rangeTarget === 'load to the floor';
        return f.impact;
      }),
    );
  };
  const open = (l: SettledLevel) => [l.main, ...l.equals].some((v) => !barred(v));

  // -- Loads
  const perBody = (l: SettledLevel) => leaves(l.advance).some((a) => a.kind === 'load');
  const loaded = (level.dose.loadKg ?? 0) > 0 || perBody(level);
  const heldKg = (s: LoggedSet) => (s.loadKg === null ? null : s.loadKg * (about(s)?.weights ?? 1));
  const sameKind = (s: LoggedSet) => s.loadKind === main.loadKind;
  const massKg = standing.massKg ?? input.massKg ?? null;
  const nearest = (kg: number): number => {
    const list = input.loads?.[main.loadKind];
    if (!list || list.length === 0) return kg;
    return [...list].sort((a, b) => Math.abs(a - kg) - Math.abs(b - kg) || a - b)[0]!;
  };

  // -- Pain
  const where = (s: LoggedSet): Region[] =>
    s.painRegion !== null
      ? [s.painRegion]
      : (s.sensations ?? []).filter((f) => f.kind === 'pain').map((f) => f.region);
  const concerns = (regions: readonly Region[]) =>
    regions.length === 0 || main.regions.length === 0 || regions.some((r) => main.regions.includes(r));
  const painOf = (s: LoggedSet) => (s.pain !== null && s.pain > 0 && !concerns(where(s)) ? 0 : s.pain);

  const faulty = (s: LoggedSet, severity: number) =>
    s.faults
      .filter((f) => (about(s)?.severities[f.fault] ?? 2) >= severity)
      .reduce((sum, f) => sum + f.reps, 0);

  // -- Atoms
  interface View {
    /** Sessions up to and with the one looked from. */
    days: Dated[];
    /** The day after which nothing is seen. */
    end: string;
    asOf: string;
  }
  const seenDays = (days: Dated[]) => days.filter((d) => d.sets.some((s) => s.watched));
  const lastOfEach = (day: Dated): Dated => {
    if (!oneSided(day.sets)) return { ...day, sets: day.sets.slice(-1) };
    const lasts = ['left', 'right', null].flatMap((side) =>
      day.sets.filter((s) => s.side === side).slice(-1),
    );
    return { ...day, sets: day.sets.filter((s) => lasts.includes(s)) };
  };
  const windowOf = (a: Atom, view: View): { days: Dated[]; short: number } => {
    const days = SEEN_KINDS.includes(a.kind) ? seenDays(view.days) : view.days;
    const w = 'within' in a ? a.within : undefined;
    if (w?.over === 'set') return { days: days.slice(-1).map(lastOfEach), short: 0 };
    if (w?.over === 'sessions') {
      const got = days.slice(-w.last);
      return { days: got, short: w.last - got.length };
    }
    if (w?.over === 'days')
      return { days: days.filter((d) => daysBetween(d.date, view.asOf) < w.last), short: 0 };
    return { days: days.slice(-1), short: 0 };
  };
  const notYet = (short: number, v: Verdict): Verdict => (short > 0 && v === 'yes' ? '?' : v);

  /** So many sets reach it: what is sure of each set, and what it could be at most. */
  const reach = (
    days: Dated[],
    many: number,
    sure: (s: LoggedSet) => boolean | null,
    maybe: (s: LoggedSet) => boolean,
  ) => {
    const sets = days.flatMap((d) => d.sets);
    if (sets.length === 0) return '?' as const;
    const sides = oneSided(sets) ? (['left', 'right'] as const) : ([null] as const);
    return and(
      sides.map((side): Verdict => {
        const own = sets.filter((s) => side === null || s.side === side || s.side === null);
        const certain = own.filter((s) => side === null || s.side === side || !about(s)?.oneSided);
        const known = certain.filter((s) => sure(s) !== null);
        if (known.filter((s) => sure(s)).length >= many) return 'yes';
        if (known.length === 0 || own.filter(maybe).length >= many) return '?';
        return 'no';
      }),
    );
  };
  /** The worst answer of a window decides, and the last set of each session must have been asked about. */
  const worst = (
    { days, short }: { days: Dated[]; short: number },
    answer: (s: LoggedSet) => number | null,
    bad: (n: number) => boolean,
    every = false,
  ): Verdict => {
    if (days.length === 0) return '?';
    if (days.some((d) => d.sets.some((s) => answer(s) !== null && bad(answer(s)!)))) return 'no';
    const asked = days.every((d) => (every ? d.sets : d.sets.slice(-1)).every((s) => answer(s) !== null));
    return notYet(short, asked ? 'yes' : '?');
  };

  const clean = (s: LoggedSet) =>
    s.watched && s.doneReps !== null ? Math.max(0, s.doneReps - faulty(s, 2)) : null;
  const most = (s: LoggedSet) => (s.doneReps === null ? Infinity : s.watched ? clean(s)! : s.doneReps);

  /** Sets read for pain and stop faults: those of the window, and all of the pattern from its first day on. */
  const safety = (a: Atom, view: View): LoggedSet[] => {
    const w = 'within' in a ? a.within : undefined;
    const { days } = windowOf(a, view);
    if (w?.over === 'set') return days.flatMap((d) => d.sets);
    const from = days[0]?.date ?? standing.since;
    return ofPattern.filter(
      (s) =>
        s.date <= view.end && (w?.over === 'days' ? daysBetween(s.date, view.asOf) < w.last : s.date >= from),
    );
  };

  const atom = (a: Atom, view: View, aim: Aim): Verdict => {
    const win = windowOf(a, view);
    switch (a.kind) {
      case 'cleanReps': {
        const criterionSaysLoad = leaves(aim === 'advance' ? advanceAsked : backAsked).some(
          (x) => x.kind === 'load',
        );
        const floor =
          aim === 'advance' && !criterionSaysLoad && level.dose.loadKg
            ? level.dose.loadKg * main.weights
            : null;
        const heavy = (s: LoggedSet): boolean | null =>
          floor === null
            ? true
            : !sameKind(s)
              ? false
              : heldKg(s) === null
                ? null
                : heldKg(s)! >= floor - 1e-9;
        return reach(
          win.days,
          a.sets,
          (s) =>
            floor !== null && !sameKind(s)
              ? null
              : clean(s) === null
                ? null
                : clean(s)! < a.reps
                  ? false
                  : heavy(s),
          (s) => heavy(s) !== false && most(s) >= a.reps,
        );
      }
      case 'holdS': {
        const broken = (s: LoggedSet) => aim === 'advance' && s.watched && faulty(s, 2) > 0;
        return reach(
          win.days,
          a.sets,
          (s) => (s.watched && s.holdS !== null ? !broken(s) && s.holdS >= a.seconds : null),
          (s) => !broken(s) && (s.holdS ?? Infinity) >= a.seconds,
        );
      }
      case 'cleanRounds': {
        const n = (s: LoggedSet) => Math.max(0, s.rounds! - (s.watched ? faulty(s, 2) : 0));
        return reach(
          win.days,
          a.sets,
          (s) => (s.watched && s.rounds !== null ? n(s) >= a.rounds : null),
          (s) => s.rounds === null || n(s) >= a.rounds,
        );
      }
      case 'load': {
        if (aim === 'step back') {
          return reach(
            win.days,
            a.sets,
            (s) => (clean(s) === null ? null : clean(s)! >= a.reps),
            (s) => most(s) >= a.reps,
          );
        }
        if (win.days.length === 0) return '?';
        if (a.unit === '% of body mass' && !massKg) return '?';
        const needed =
          a.unit === 'kg'
            ? a.load * main.weights
            : nearest((a.load * massKg!) / 100 / main.weights) * main.weights;
        const heavy = (s: LoggedSet) => (heldKg(s) === null ? null : heldKg(s)! >= needed - 1e-9);
        return reach(
          win.days,
          a.sets,
          (s) => (!sameKind(s) || clean(s) === null ? null : clean(s)! < a.reps ? false : heavy(s)),
          (s) => sameKind(s) && heavy(s) !== false && most(s) >= a.reps,
        );
      }
      case 'faultsAtMost': {
        const grave = a.severity === 3;
        const pool = grave ? safety(a, view) : win.days.flatMap((d) => d.sets);
        const seen = pool.filter((s) => s.watched);
        const sides = oneSided(pool) ? (['left', 'right'] as const) : ([null] as const);
        const over = sides.some(
          (side) =>
            seen.reduce(
              (n, s) =>
                n +
                s.faults
                  .filter(
                    (f) =>
                      (about(s)?.severities[f.fault] ?? 2) >= a.severity &&
                      (side === null || (f.side ?? s.side ?? side) === side),
                  )
                  .reduce((m, f) => m + f.reps, 0),
              0,
            ) > a.count,
        );
        if (over) return 'no';
        const known =
          win.days.length > 0 &&
          win.days.every((d) =>
            (oneSided(d.sets) ? (['left', 'right'] as const) : ([null] as const)).every((side) =>
              d.sets.some((s) => s.watched && (side === null || s.side === side || s.side === null)),
            ),
          );
        return notYet(win.short, known ? 'yes' : '?');
      }
      case 'painAtMost': {
        if (safety(a, view).some((s) => (painOf(s) ?? 0) > a.pain)) return 'no';
        return worst(win, painOf, () => false);
      }
      case 'effortAtMost':
        return worst(
          win,
          (s) => s.effort,
          (n) => n > a.effort,
        );
      case 'easeAtLeast':
        return worst(
          win,
          (s) => s.atEase,
          (n) => n < a.ease,
        );
      case 'aidsAtMost':
        return worst(
          win,
          (s) => {
            if (s.aids === null) return null;
            const own = s.aids.find((x) => x.name === a.aid);
            if (!own) return 0;
            return own.setting.trim() === '' || Number.isNaN(Number(own.setting))
              ? null
              : Number(own.setting);
          },
          (n) => n > a.most,
          true,
        );
      case 'tempoKept': {
        const sets = win.days.flatMap((d) => d.sets);
        if (sets.length === 0) return '?';
        const share = (n: number) => (100 * n) / sets.length;
        const kept = sets.filter((s) => s.tempoKept === true).length;
        const open = sets.filter((s) => s.tempoKept === null).length;
        if (share(kept) >= a.percent) return notYet(win.short, 'yes');
        return share(kept + open) >= a.percent ? '?' : 'no';
      }
      case 'rangeReached':
        return a.degrees === undefined
          ? reach(
              win.days,
              a.sets,
              (s) => s.rangeReached,
              (s) => s.rangeReached !== false,
            )
          : reach(
              win.days,
              a.sets,
              (s) => (s.rangeDeg === null ? null : s.rangeDeg >= a.degrees!),
              (s) => (s.rangeDeg ?? Infinity) >= a.degrees!,
            );
      case 'felt': {
        const so = (s: LoggedSet) =>
          s.sensations === null
            ? null
            : s.sensations.some((f) =>
                (a.felt ? [a.felt] : (about(s)?.wanted ?? [])).some(
                  (w) => w.region === f.region && w.kind === f.kind,
                ),
              );
        return reach(win.days, a.sets, so, (s) => so(s) !== false);
      }
      case 'notFelt': {
        const bad = (s: LoggedSet) =>
          s.sensations === null
            ? null
            : s.sensations.filter((f) =>
                (a.felt ? [a.felt] : (about(s)?.unwanted ?? [])).some(
                  (w) => w.region === f.region && w.kind === f.kind,
                ),
              ).length;
        return worst(win, bad, (n) => n > 0);
      }
      case 'sessionsHere': {
        const n = (input.earlierSessions ?? 0) + byDate(done).filter((d) => d.date <= view.end).length;
        return n >= a.sessions ? 'yes' : 'no';
      }
      case 'daysHere':
        return Math.max(0, daysBetween(standing.since, view.asOf)) >= a.days ? 'yes' : 'no';
      case 'weeksOnLadder': {
        const sessions = input.sessionsOnLadder ?? new Set(ofPatternEver.map((s) => s.date)).size;
        const weeks = Math.floor(Math.max(0, daysBetween(standing.first ?? standing.since, view.asOf)) / 7);
        return weeks >= a.weeks && sessions >= 2 * a.weeks ? 'yes' : 'no';
      }
      case 'levelHeld':
        return input.heldElsewhere.has(`${a.ladder}/${a.level}`) ? 'yes' : 'no';
      case 'signedOff':
        return (input.signOffs ?? []).some(
          (s) =>
            s.ladder === ladder.slug &&
            s.level === level.id &&
            s.date >= standing.since &&
            (a.by === 'coach' || s.role === 'head coach'),
        )
          ? 'yes'
          : 'no';
      case 'sideDifferenceAtMost': {
        const d = difference(view.end, view.asOf);
        if (!d) return '?';
        return d.percent <= a.percent || (!d.inSeconds && Math.abs(d.left - d.right) <= 1) ? 'yes' : 'no';
      }
      default:
        return '?';
    }
  };

  /** From the newest day with a side test, of both sides, at one load of one kind with one movement. */
  function difference(end: string, asOf: string) {
    const score = (s: LoggedSet): [number, boolean] | null => {
      if (clean(s) !== null) return [clean(s)!, false];
      return s.watched && s.holdS !== null ? [s.holdS, true] : null;
    };
    const day = byDate(tests.filter((s) => s.date <= end && s.side !== null && score(s) !== null)).at(-1);
    if (!day || daysBetween(day.date, asOf) > 28) return null;
    const key = (s: LoggedSet) => `${s.variation}|${s.loadKind}|${s.loadKg}|${score(s)![1]}`;
    const groups = [...new Set(day.sets.map(key))].map((k) => day.sets.filter((s) => key(s) === k));
    const complete = groups.filter(
      (g) => g.some((s) => s.side === 'left') && g.some((s) => s.side === 'right'),
    );
    const group = complete.sort(
      (a, b) =>
        (b[0]!.loadKg ?? -1) - (a[0]!.loadKg ?? -1) ||
        Number(score(a[0]!)![1]) - Number(score(b[0]!)![1]) ||
        (key(a[0]!) < key(b[0]!) ? -1 : 1),
    )[0];
    if (!group) return null;
    const best = (side: string) => Math.max(...group.filter((s) => s.side === side).map((s) => score(s)![0]));
    const [left, right] = [best('left'), best('right')];
    const top = Math.max(left, right);
    return {
      left,
      right,
      inSeconds: score(group[0]!)![1],
      percent: top === 0 ? 0 : (100 * Math.abs(left - right)) / top,
    };
  }

  const judge = (c: Criterion, view: View, aim: Aim): Verdict => {
    switch (c.kind) {
      case 'all':
        return and(c.of.map((x) => judge(x, view, aim)));
      case 'any':
        return or(c.of.map((x) => judge(x, view, aim)));
      case 'not':
        return turned(atom(c.of, view, aim));
      case 'sessionsRunning': {
        const days = needsEyes(c.of) ? seenDays(view.days) : view.days;
        if (days.length === 0) return '?';
        const looks = Array.from({ length: Math.min(c.sessions, days.length) }, (_, back) => {
          const upTo = days.slice(0, days.length - back);
          const nextDay = days[days.length - back]?.date;
          const last = upTo.at(-1)!.date;
          return judge(
            c.of,
            {
              days: upTo,
              end: nextDay === undefined ? view.end : last,
              asOf: back === 0 ? view.asOf : last,
            },
            aim,
          );
        });
        return looks.length < c.sessions ? 'no' : and(looks);
      }
      default:
        return atom(c, view, aim);
    }
  };

  const role = standing.role ?? 'work';
  const stage = standing.stage ?? level.stage;
  const asked =
    level.variants?.find((v) => (v.role ?? role) === role && (v.stage ?? stage) === stage) ?? level;
  const advanceAsked = asked.advance;
  const backAsked = asked.stepBack;

  const forAdvance = byDate(
    whole.filter(
      (s) =>
        !barred(s.variation) &&
        !(loaded && s.variation !== level.main && about(s)?.loadKind !== main.loadKind),
    ),
  );
  const advance = judge(advanceAsked, { days: forAdvance, end: today, asOf: today }, 'advance');
  const stepBack = judge(backAsked, { days: byDate(whole), end: today, asOf: today }, 'step back');
  const answer = (outcome: Outcome, to: string | null): OracleAnswer => ({ outcome, to, advance, stepBack });

  // -- First that applies
  const stops = (input.stops ?? []).filter((s) => s.reach === 'everything' || s.reach === ladder.pattern);
  if (stops.length > 0) return answer('stop and refer', null);
  if (valid.some((s) => (s.pain ?? 0) >= 7 && daysBetween(s.date, today) < 120))
    return answer('stop and refer', null);
  if (
    inForce.some((r) => r.bars.some((b) => b.bars === 'all') && (r.until === null || r.saidBy.trim() === ''))
  )
    return answer('stop and refer', null);
  const lower = ladder.levels.slice(0, index).reverse().filter(open);
  if (!open(level)) return lower.length > 0 ? answer('step back', lower[0]!.id) : answer('hold', null);

  const allDays = byDate(done);
  const painAt = (s: LoggedSet) => {
    const named = where(s);
    const own = here.includes(s.variation) || about(s)?.pattern === ladder.pattern;
    const so =
      named.length === 0 || main.regions.length === 0 ? own : named.some((r) => main.regions.includes(r));
    return so && (s.pain ?? 0) > 0 ? s.pain! : 0;
  };

  if (stepBack === 'yes') {
    const causes = (c: Criterion, view: View): string[] => {
      if (judge(c, view, 'step back') !== 'yes') return [];
      if (c.kind === 'all' || c.kind === 'any') return c.of.flatMap((x) => causes(x, view));
      if (c.kind === 'sessionsRunning') {
        const days = needsEyes(c.of) ? seenDays(view.days) : view.days;
        return Array.from({ length: c.sessions }, (_, back) => days.slice(0, days.length - back)).flatMap(
          (upTo, back) =>
            causes(c.of, {
              days: upTo,
              end: back === 0 ? view.end : upTo.at(-1)!.date,
              asOf: back === 0 ? view.asOf : upTo.at(-1)!.date,
            }),
        );
      }
      if (c.kind !== 'not') return ['poor'];
      if (c.of.kind === 'painAtMost') return ['pain'];
      if (c.of.kind === 'faultsAtMost' && c.of.severity === 3) return ['stop fault'];
      if (c.of.kind === 'notFelt') {
        const asks = c.of;
        const painful = windowOf(asks, view)
          .days.flatMap((d) => d.sets)
          .some((s) =>
            (s.sensations ?? []).some(
              (f) =>
                f.kind === 'pain' &&
                (asks.felt ? [asks.felt] : (about(s)?.unwanted ?? [])).some(
                  (w) => w.region === f.region && w.kind === f.kind,
                ),
            ),
          );
        return [painful ? 'pain' : 'poor'];
      }
      return ['poor'];
    };
    const why = causes(backAsked, { days: byDate(whole), end: today, asOf: today });
    if (why.includes('pain')) {
      const last = byDate(whole).at(-1)?.date ?? standing.since;
      const hurts = ofPattern
        .filter((s) => s.date >= last && painAt(s) > 0)
        .flatMap((s) => (where(s).length ? where(s) : [null]));
      const again = (standing.painBacks ?? []).some(
        (b) =>
          daysBetween(b.date, today) <= 42 &&
          (b.regions.length === 0 ? hurts.includes(null) : b.regions.some((r) => hurts.includes(r))),
      );
      if (again || lower.length === 0) return answer('stop and refer', null);
      const less = lower.find((l) => asksLess(l, hurts));
      return answer('step back', less?.id ?? null);
    }
    if (why.includes('stop fault')) return answer('step back', lower[0]?.id ?? null);
    // Less of the same is not taken back into more.
    if (standing.taken.length > 0 && standing.taken.at(-1)!.way !== 'less') return answer('step back', null);
    return answer('step back', lower[0]?.id ?? null);
  }

  function asksLess(l: SettledLevel, hurts: (Region | null)[]): boolean {
    const DEEP: Record<string, number> = {
      'small range': 0,
      'box or pad height': 1,
      'load past the knee': 1,
      'until a stretch is felt': 1,
      'thigh level': 2,
      'hover above the floor': 2,
      'trunk level': 2,
      'load to mid-shin': 2,
      'touch the floor': 3,
      'full depth': 3,
      'load to the floor': 3,
    };
    const KNEE = ['front of knee', 'side of knee', 'front of thigh'];
    const HIP = ['side of hip', 'back of hip', 'front of hip or groin', 'back of thigh, high', 'low back'];
    const f = facts.get(l.main)!;
    const weight = (x: SettledLevel, of: typeof f) =>
      of.loadKind === 'none' ? 0 : x.dose.loadKg === undefined ? NaN : x.dose.loadKg * of.weights;
    const lean = (of: typeof f) =>
      (hurts.some((r) => r !== null && KNEE.includes(r)) && of.dominance === 'knee' ? 1 : 0) +
      (hurts.some((r) => r !== null && HIP.includes(r)) && of.dominance === 'hip' ? 1 : 0);
    const [w, v] = [weight(l, f), weight(level, main)];
    const pairs: [number, number][] = [
      [DEEP[f.rangeTarget] ?? NaN, DEEP[main.rangeTarget] ?? NaN],
      [
        w === 0 && Number.isNaN(v) ? 0 : w,
        v === 0 && Number.isNaN(w) ? 0 : w === 0 && Number.isNaN(v) ? 1 : v,
      ],
      [Number(f.impact), Number(main.impact)],
      [lean(f), lean(main)],
    ];
    if (v === 0 && Number.isNaN(w)) return false;
    return pairs.some(([x, y]) => x < y) && !pairs.some(([x, y]) => x > y);
  }

  // -- What keeps from more
  const back = (c: Criterion): number =>
    c.kind === 'all' || c.kind === 'any'
      ? Math.max(1, ...c.of.map(back))
      : c.kind === 'not'
        ? back(c.of)
        : c.kind === 'sessionsRunning'
          ? c.sessions + back(c.of) - 1
          : 'within' in c && c.within?.over === 'sessions'
            ? c.within.last
            : 1;
  const limits = (c: Criterion): number[] =>
    c.kind === 'painAtMost'
      ? [c.pain]
      : c.kind === 'all' || c.kind === 'any'
        ? c.of.flatMap(limits)
        : c.kind === 'sessionsRunning'
          ? limits(c.of)
          : [];
  const limit = Math.min(...limits(advanceAsked), ...(limits(advanceAsked).length ? [] : [0]));
  const from = allDays.slice(-Math.max(2, back(advanceAsked)))[0]?.date ?? standing.since;
  const hurtsNow = valid.some((s) => s.date >= from && painAt(s) > limit);

  const patternDays = [
    ...new Set(
      valid
        .filter((s) => here.includes(s.variation) || about(s)?.pattern === ladder.pattern || painAt(s) > 0)
        .map((s) => s.date),
    ),
  ].sort();
  const places = [
    ...new Set(valid.filter((s) => painAt(s) > 0).flatMap((s) => (where(s).length ? where(s) : [null]))),
  ];
  const refers = places.some((place) => {
    const on = patternDays.map((date) => ({
      date,
      pain: Math.max(
        0,
        ...valid
          .filter((s) => s.date === date && (where(s).length ? where(s).includes(place!) : place === null))
          .map(painAt),
      ),
    }));
    return on.some((_, i) => {
      const three = on.slice(Math.max(0, i - 2), i + 1);
      const four = on.slice(Math.max(0, i - 3), i + 1).filter((d) => d.pain > 0);
      const running = three.length === 3 && three.every((d) => d.pain > 0);
      const span = (of: typeof on) => daysBetween(of[0]!.date, of.at(-1)!.date);
      return (
        (running && span(three) <= 14) ||
        (four.length >= 3 && span(four.slice(-3)) <= 42) ||
        (running && three[0]!.pain < three[1]!.pain && three[1]!.pain < three[2]!.pain)
      );
    });
  });

  const trained = [
    ...new Set(
      valid
        .filter((s) => here.includes(s.variation) || about(s)?.pattern === ladder.pattern)
        .map((s) => s.date),
    ),
  ].sort();
  const gapNow = trained.length ? daysBetween(trained.at(-1)!, today) : 0;
  const gaps = trained
    .slice(1)
    .map((d, i) => daysBetween(trained[i]!, d))
    .slice(-8)
    .sort((a, b) => a - b);
  const usual = gaps.length ? gaps[Math.floor((gaps.length - 1) / 2)]! : 0;
  const away = gapNow > 14 && gapNow > 2 * usual;

  if (hurtsNow || refers || away) return answer('hold', null);

  const needsHeld = (l: SettledLevel) =>
    l.entryNeeds.every((n) => input.heldElsewhere.has(`${n.ladder}/${n.level}`));
  const left = standing.left ? ladder.levels.findIndex((l) => l.id === standing.left!.level) : -1;
  if (left > index && open(ladder.levels[left]!)) {
    const again = ladder.levels
      .slice(index + 1, left)
      .filter(open)
      .at(-1);
    if (again && needsHeld(again)) return answer('move up', again.id);
  }

  const runsOf = (c: Criterion): number =>
    c.kind === 'sessionsRunning'
      ? c.sessions
      : c.kind === 'all' || c.kind === 'any'
        ? Math.max(1, ...c.of.map(runsOf))
        : 1;
  const standsOn = (needsEyes(advanceAsked) ? seenDays(forAdvance) : forAdvance).slice(-runsOf(advanceAsked));
  const recent = standsOn.filter((d) => daysBetween(d.date, today) <= 28);
  const fresh = loaded ? standsOn.length > 0 && recent.length === standsOn.length : recent.length > 0;
  const above = ladder.levels.slice(index + 1).find(open);
  if (advance === 'yes' && fresh && above && needsHeld(above)) return answer('move up', above.id);

  return answer(growing() ? 'grow' : 'hold', null);

  // -- Growing
  function growing(): boolean {
    const target = { ...level.dose };
    for (const t of standing.taken) {
      if (t.way === 'repetitions') target.reps = Number(t.to);
      if (t.way === 'seconds') target.holdS = Number(t.to);
      if (t.way === 'sets') target.sets = Number(t.to);
      if (t.way === 'rounds') target.rounds = Number(t.to);
      if (t.way === 'load') {
        target.loadKg = Number(t.to);
        if (level.dose.reps !== undefined) target.reps = level.dose.reps;
      }
    }
    const unused = (d: Dated) => d.sets.every((s) => !used.has(s.id));
    const kindCounts = (s: LoggedSet) =>
      !loaded || s.variation === level.main || about(s)?.loadKind === main.loadKind;
    const days = byDate(whole.filter((s) => kindCounts(s) && !barred(s.variation)));
    const seen = seenDays(days);
    const amount = (s: LoggedSet) => (main.countedIn === 'seconds held' ? s.holdS : s.doneReps);
    const goal = main.countedIn === 'seconds held' ? target.holdS : target.reps;
    const named = leaves(advanceAsked).flatMap((a) =>
      'sets' in a && SEEN_KINDS.includes(a.kind) ? [a.sets] : [],
    );
    const eyes = named.length ? Math.max(...named) : target.sets;
    const asked = (d: Dated, of: (s: LoggedSet) => number | null) => of(d.sets.at(-1)!) !== null;

    /** Every planned set, all of it but one repetition of the day. */
    const allDone = (d: Dated, mustSee: boolean): boolean => {
      if (goal === undefined) return false;
      const sides = oneSided(d.sets) ? (['left', 'right'] as const) : ([null] as const);
      const lacks: number[][] = [];
      for (const side of sides) {
        const own = d.sets.filter((s) => side === null || s.side === side);
        if (own.length < target.sets) return false;
        const values = own.map((s) => {
          const n = amount(s);
          if (n === null) return -1;
          if (!mustSee || !s.watched) return n;
          if (main.countedIn === 'seconds held') return faulty(s, 2) > 0 ? -1 : n;
          return Math.max(0, n - faulty(s, 2));
        });
        const kept = [...values].sort((x, y) => y - x)[target.sets - 1]!;
        const best = values.filter((n) => n >= kept).slice(0, target.sets);
        if (best.some((n) => n < 0)) return false;
        lacks.push(best.map((n) => Math.max(0, goal - n)));
        if (mustSee) {
          const watched = own.filter((s) => s.watched).length;
          if (watched < Math.min(eyes, target.sets) || !own.at(-1)!.watched) return false;
        }
      }
      // One repetition of each side; what the stronger side leaves out because the weaker did is not its own.
      const total = (list: number[]) => list.reduce((x, y) => x + y, 0);
      const fits = (a: number[], b: number[]) =>
        total(a) <= 1 && total(b.map((n, i) => Math.max(0, n - a[i]!))) <= 1;
      if (
        lacks.length === 1 ? total(lacks[0]!) > 1 : !fits(lacks[0]!, lacks[1]!) && !fits(lacks[1]!, lacks[0]!)
      )
        return false;
      if (
        target.loadKg &&
        d.sets.some(
          (s) =>
            s.loadKind !== main.loadKind ||
            heldKg(s) === null ||
            heldKg(s)! < target.loadKg! * main.weights - 1e-9,
        )
      )
        return false;
      for (const aid of target.aids ?? []) {
        const most = Math.max(
          ...d.sets.map((s) => {
            if (s.aids === null) return aid.amount;
            const found = s.aids.find((x) => x.name === aid.aid);
            return found ? Number(found.setting) || 0 : 0;
          }),
        );
        if (most > aid.amount) return false;
      }
      return d.sets.every((s) => (s.effort ?? 0) <= 8) && asked(d, (s) => s.pain);
    };
    // At a heavier load than asked, what was done there is where it goes on from.
    const now = (asked: number, r: { reps?: number; kg?: number }) =>
      r.kg !== undefined ? r.reps! : Math.max(asked, r.reps ?? 0);
    const openWay = (only?: string): boolean =>
      level.waysOn.some((w) => {
        if (only && w.way !== only) return false;
        const raised = met();
        if (w.way === 'repetitions') return target.reps !== undefined && now(target.reps, raised) < w.upTo;
        if (w.way === 'seconds') return target.holdS !== undefined && now(target.holdS, raised) < w.upTo;
        if (w.way === 'sets') return target.sets < w.upTo;
        if (w.way === 'rounds') return target.rounds !== undefined && target.rounds < w.upTo;
        if (w.way === 'load') {
          const kgNow = Math.max(target.loadKg ?? 0, raised.kg ?? 0);
          return (input.loads?.[main.loadKind] ?? []).some((kg) => kg > kgNow && kg <= w.upToKg);
        }
        return false;
      });
    /** What the newest session that was seen met clean in every set, at the first dose or more. */
    function met(): { reps?: number; kg?: number } {
      const d = seenDays(byDate(whole.filter((s) => s.variation === level.main))).at(-1);
      if (
        !d ||
        goal === undefined ||
        d.sets.some((s) => !s.watched || faulty(s, 2) > 0 || amount(s) === null)
      )
        return {};
      const first = main.countedIn === 'seconds held' ? level.dose.holdS! : level.dose.reps!;
      const sides = oneSided(d.sets) ? (['left', 'right'] as const) : ([null] as const);
      if (sides.some((side) => d.sets.filter((s) => side === null || s.side === side).length < target.sets))
        return {};
      const least = Math.min(...d.sets.map((s) => amount(s)!));
      if (least < first) return {};
      const kgs = d.sets.map((s) => s.loadKg);
      if (kgs.some((k) => k === null) || d.sets.some((s) => s.loadKind !== main.loadKind))
        return target.loadKg ? {} : { reps: least };
      const kg = Math.min(...kgs.map((k) => k!));
      if (kg > (target.loadKg ?? 0)) return { kg, reps: least };
      return kg === (target.loadKg ?? 0) ? { reps: least } : {};
    }

    if (target.rounds !== undefined && main.countedIn === 'rounds') {
      const last = seen.at(-1)?.date;
      if (!last) return false;
      const week = seen.filter((d) => daysBetween(d.date, last) < 7);
      const cleanDay = (d: Dated) =>
        unused(d) &&
        asked(d, (s) => s.pain) &&
        (oneSided(d.sets) ? (['left', 'right'] as const) : ([null] as const)).every((side) =>
          d.sets.some(
            (s) =>
              (side === null || s.side === side) &&
              s.watched &&
              s.rounds !== null &&
              s.rounds >= target.rounds!,
          ),
        ) &&
        d.sets.every((s) => faulty(s, 2) === 0);
      return week.length >= 2 && week.every(cleanDay) && openWay();
    }
    const two = seen.slice(-2);
    if (two.length === 2 && two.every((d) => unused(d) && allDone(d, true)) && openWay()) return true;
    const alone = days.slice(-2);
    const lastSeen = seen.at(-1)?.date ?? '';
    const steppedAlone = days.some((d) => d.date > lastSeen && !unused(d));
    return (
      alone.length === 2 &&
      alone.every(
        (d) =>
          unused(d) &&
          d.sets.every((s) => s.own === true && !s.watched && (s.effort ?? 0) <= 6) &&
          asked(d, (s) => s.effort) &&
          allDone(d, false),
      ) &&
      !steppedAlone &&
      openWay('repetitions')
    );
  }
}
