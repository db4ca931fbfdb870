import { causesOf, plain, reasonsFor } from '../criterion/index.ts';
import type { Reason } from '../criterion/index.ts';
import type { SettledLevel } from '../library/index.ts';
import { daysBetween } from '../terms/index.ts';
import type { Region } from '../terms/index.ts';
import type { BackCause, Decision } from './decision.ts';
import { resultOf } from './outcome.ts';
import { asksLessOf, painsIn, placeWords } from './pain.ts';
import { restrictionSentence } from './permits.ts';
import { STOPPING_PAIN, reachWords, stopSentence, stopsFor, stopsNow, widest } from './stop.ts';
import { lessOfTheSame, takenWaySentence, targetAt, targetInWords, withoutLast } from './target.ts';
import { lower } from './weighed.ts';
import type { Weighed } from './weighed.ts';

/** So many stops are told in words; one evening may bring several. */
const STOPS_TOLD = 2;
/** A second step back for pain in one place within so many days is a stop (judgement). */
const PAIN_BACK_DAYS = 42;

export function stopped(w: Weighed): Decision | null {
  const { input, ladder, today, restrictions, sets } = w;
  const stops = stopsFor(input.stops ?? [], ladder.pattern);
  if (stops.length > 0) {
    return resultOf(w, 'stop and refer', null, [
      ...stops.slice(-STOPS_TOLD).map((s) => ({ text: `${stopSentence(s)}.`, health: true })),
      plain(`${reachWords(widest(stops))} until the head coach clears it.`),
    ]);
  }
  const severe = sets.find((s) => stopsNow(s.pain, s.date, today));
  if (severe) {
    return resultOf(w, 'stop and refer', null, [
      {
        text: `Pain ${severe.pain} of 10 on ${severe.date}: from ${STOPPING_PAIN} on nothing more is done until the head coach clears it.`,
        health: true,
      },
    ]);
  }
  const endless = restrictions.find(
    (r) => r.bars.some((b) => b.bars === 'all') && (r.until === null || r.saidBy.trim() === ''),
  );
  return endless
    ? resultOf(w, 'stop and refer', null, [plain(`Barred: ${restrictionSentence(endless)}.`)])
    : null;
}

export function barredHere(w: Weighed): Decision | null {
  const { level, restrictions, permitted } = w;
  if (permitted(level)) return null;
  const why = restrictions.map(restrictionSentence).join('; ');
  const [below] = lower(w);
  if (below) {
    return resultOf(w, 'step back', below, [plain(`Everything at this level is barred (${why}).`)], {
      cause: 'barred',
    });
  }
  const ends = restrictions.map((r) => r.until);
  const until = ends.includes(null) ? null : (ends.sort().at(-1) ?? null);
  return resultOf(
    w,
    'hold',
    null,
    [plain(`Paused ${until === null ? 'until it is lifted' : `until ${until}`}: ${why}.`)],
    {
      paused: { until },
    },
  );
}

export function steppedBack(w: Weighed): Decision | null {
  const { standing, level, stepBack, target } = w;
  if (stepBack.judgement !== 'met') return null;
  const because = reasonsFor(stepBack);
  const causes = causesOf(stepBack);
  const below = lower(w);
  if (causes.has('pain')) return backForPain(w, because, below);
  const cause: BackCause = causes.has('stop fault') ? 'stop fault' : 'too much';
  const [lowest] = below;
  const fewer = withoutLast(standing.taken);
  if (cause === 'too much' && fewer) {
    const before = targetAt(level.dose, fewer);
    return resultOf(
      w,
      'step back',
      null,
      [...because, plain(`The last way on was too much: back to ${targetInWords(before)}.`)],
      { cause },
    );
  }
  if (lowest) return resultOf(w, 'step back', lowest, because, { cause });
  const less = lessOfTheSame(target);
  return resultOf(
    w,
    'step back',
    null,
    [
      ...because,
      plain(`This is the lowest level: ${less ? takenWaySentence(less) : 'do less of it'}, or use an equal.`),
    ],
    { cause, less },
  );
}

function backForPain(w: Weighed, because: Reason[], below: SettledLevel[]): Decision {
  const { ladder, facts, standing, today, level, main, counted, target } = w;
  const last = counted.whole.at(-1)?.date ?? standing.since;
  const recent = painsIn(
    counted.ofPattern.filter((s) => s.date >= last),
    main,
    ladder.pattern,
    facts,
  );
  const hurt = [
    ...new Set(recent.flatMap((p): (Region | null)[] => (p.regions.length ? [...p.regions] : [null]))),
  ];
  const painRegions = hurt.filter((r) => r !== null);
  const before = (standing.painBacks ?? []).find(
    (b) =>
      daysBetween(b.date, today) <= PAIN_BACK_DAYS &&
      (b.regions.length === 0 ? hurt.includes(null) : b.regions.some((r) => hurt.includes(r))),
  );
  if (before) {
    return resultOf(
      w,
      'stop and refer',
      null,
      [
        ...because,
        {
          text: `Stepped back for pain${placeWords(painRegions)} on ${before.date} already: a second time within ${PAIN_BACK_DAYS} days is for a doctor or physiotherapist.`,
          health: true,
        },
      ],
      { cause: 'pain', painRegions },
    );
  }
  if (below.length === 0) {
    return resultOf(
      w,
      'stop and refer',
      null,
      [...because, plain('There is no easier level to go back to.')],
      {
        cause: 'pain',
        painRegions,
      },
    );
  }
  const here = main && { facts: main, loadKg: level.dose.loadKg };
  const to = below.find((l) => {
    const f = facts.get(l.main);
    return here && f && asksLessOf(hurt, { facts: f, loadKg: l.dose.loadKg }, here);
  });
  if (to) return resultOf(w, 'step back', to, because, { cause: 'pain', painRegions });
  const fewer = withoutLast(standing.taken);
  const less = fewer ? null : lessOfTheSame(target);
  const lessWords = less
    ? takenWaySentence(less)
    : `less of the same${fewer ? `, back to ${targetInWords(targetAt(level.dose, fewer))}` : ''}`;
  return resultOf(
    w,
    'step back',
    null,
    [...because, plain(`Nothing below asks less of what hurt: ${lessWords}.`)],
    { cause: 'pain', painRegions, less },
  );
}
