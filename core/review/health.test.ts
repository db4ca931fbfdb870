import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../body/index.ts';
import { demandOf, TIE_POINTS } from '../demand/index.ts';
import type { LibraryFile } from '../exchange/index.ts';
import { madeUpShelf } from '../testing/library.ts';
import { cue, fault, ladder, level, question, shelf, variation } from '../testing/samples.ts';
import { seeded } from '../testing/seeded.ts';
import { BLANK_MECHANICS, blankBody, breachesOf, shelfOf } from '../library/index.ts';
import { BLOCKING, findingsAbout, HEALTH_KINDS, healthOf } from './health.ts';
import type { Body, Equipment, HallKit, Shelf, Variation } from '../library/index.ts';
import { kitOf, piece } from '../testing/kit.ts';
import type { Finding } from './health.ts';
import { runs } from '../testing/runs.ts';

const demo = (
  JSON.parse(
    readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
  ) as LibraryFile
).documents;
const TODAY = '2026-11-25';
const points = (v: Variation, m: Parameters<typeof demandOf>[1]) => {
  const d = demandOf(REFERENCE_BUILD, m);
  return d.kind === 'measured' ? d.points + (v.demandAdjustment?.points ?? 0) : null;
};
const health = (s: Shelf) => healthOf(s, { today: TODAY, points, tiePoints: TIE_POINTS });
const said = (findings: Finding[]) =>
  findings.map((f) => `${f.kind}: ${f.document ? `${f.document.kind}/${f.document.slug}` : 'library'}`);

describe('the sound demo library', () => {
  it('has no finding that blocks', () => {
    const found = health(shelfOf(demo)).filter((f) => BLOCKING.has(f.kind));
    expect(found).toEqual([]);
  });
});

/** Each changes one document of the sound demo, or adds one, into one defect of its kind. */
const DEFECTS: Record<
  (typeof HEALTH_KINDS)[number],
  {
    change: (find: Find, bodies: readonly Body[]) => Body[];
    at: string;
    proof: RegExp;
    kit?: HallKit;
  }
> = {
  'missing field': {
    change: (f) => [{ ...f('variation', 'back-squat'), breathing: [] }],
    at: 'variation/back-squat',
    proof: /Nothing is said under: Breathing/,
  },
  'no fault or answer': {
    change: (f) => [{ ...f('variation', 'back-squat'), faults: [] }],
    at: 'variation/back-squat',
    proof: /names no fault/,
  },
  'fault without a check': {
    change: (f) => [{ ...f('fault', 'ribs-flare'), checks: [] }],
    at: 'fault/ribs-flare',
    proof: /likely causes, and no check/,
  },
  contradiction: {
    change: (f) => [
      {
        ...f('variation', 'back-squat'),
        gaze: [{ text: 'Never printed', holdsUnder: { breathing: ['nobody-says-so'] } }],
      },
    ],
    at: 'variation/back-squat',
    proof: /Every line under “Gaze” holds under another answer/,
  },
  'caution not shown': {
    change: (f) => [{ ...f('caution', 'pain-ends-the-set'), retired: true }],
    at: 'caution/pain-ends-the-set',
    proof: /no sheet shows it: it is retired/,
  },
  'equipment lacking': {
    change: (f) => [{ ...f('equipment', 'thrust-bench'), equals: [] }],
    kit: kitOf(piece('thrust-bench', { count: 0 })),
    at: 'variation/bench-thrust',
    proof: /the hall has none, and no equal/,
  },
  'no measurable way up': {
    change: (f) => {
      const ladder = f('ladder', 'bridge-ladder');
      const [first, ...rest] = ladder.levels;
      return [
        { ...ladder, levels: [{ ...first!, advance: { kind: 'holdS', seconds: 30, sets: 2 } }, ...rest] },
      ];
    },
    at: 'ladder/bridge-ladder',
    proof: /nobody can move up by .* is counted in repetitions, not in seconds held/,
  },
  'no easier variation': {
    change: (f) => [
      {
        ...f('variation', 'floor-lift'),
        slug: 'easiest-of-all',
        mechanics: { ...BLANK_MECHANICS.bridge, feetFartherDeg: -25 },
        demandAdjustment: { points: -40, reason: 'A defect to be found.' },
      },
    ],
    at: 'variation/easiest-of-all',
    proof: /stands on no ladder; of \d+ others in the bridge pattern none asks 3 points less/,
  },
  'near-duplicate cues': {
    change: (f) => {
      const tray = f('cue', 'tray');
      return [
        { ...tray, slug: 'tray-again', line: { text: `${tray.line.text.replace('.', '')}, please` } },
        { ...f('variation', 'floor-lift'), cues: [...f('variation', 'floor-lift').cues, 'tray-again'] },
      ];
    },
    at: 'cue/tray',
    proof: /% alike/,
  },
  'unused cue': {
    change: () => [cue('nobody-says-this', { line: { text: 'Whistle while you wait outside' } })],
    at: 'cue/nobody-says-this',
    proof: /stands on no sheet/,
  },
  'branch never opens': {
    change: (f) => [{ ...f('ladder', 'ball-ladder'), branchOf: { ladder: 'bridge-ladder', level: 'bar' } }],
    at: 'ladder/ball-ladder',
    proof: /leaves from “Hip thrust”, the top of Bridge/,
  },
  'cue without its fault': {
    change: (f) => {
      const lift = f('variation', 'floor-lift');
      return [{ ...lift, faults: lift.faults.filter((x) => x.fault !== 'short-of-the-line') }];
    },
    at: 'variation/floor-lift',
    proof: /answers “Stops short of the line”, which is not among the faults to look for here/,
  },
  'cue without plain words': {
    change: (f) => {
      const { plain: _p, ...tray } = f('cue', 'tray');
      return [tray];
    },
    at: 'cue/tray',
    proof: /is not said in plain words/,
  },
  'overdue review': {
    change: (f) => [{ ...f('cue', 'tray'), reviewBy: '2026-11-24' }],
    at: 'cue/tray',
    proof: /by 2026-11-24/,
  },
  'drawn only': {
    change: (_f, bodies) =>
      bodies
        .filter((b): b is Variation => b.kind === 'variation')
        .filter((v) => v.pattern === 'squat' || v.pattern === 'lunge')
        .map((v) => ({ ...v, mechanics: { ...BLANK_MECHANICS.drawn, reason: 'A defect to be found.' } })),
    at: 'library',
    proof: /more than a quarter/,
  },
};

type Find = <K extends Body['kind']>(kind: K, slug: string) => Extract<Body, { kind: K }>;
const find: Find = (kind, slug) => {
  const found = demo.find((b) => b.kind === kind && b.slug === slug);
  if (!found) throw new Error(`The demo has no ${kind} ${slug}.`);
  return found as never;
};

describe('a library with one defect of each kind', () => {
  const clean = health(shelfOf(demo));

  it.each(HEALTH_KINDS)('%s is found where it is, with its proof', (kind) => {
    const { change, at, proof, kit } = DEFECTS[kind];
    const found = health(shelfOf([...demo, ...change(find, demo)], kit));
    const fresh = found.filter((f) => !clean.some((c) => JSON.stringify(c) === JSON.stringify(f)));
    const own = fresh.filter((f) => f.kind === kind);
    expect(said(own)).toContain(`${kind}: ${at}`);
    expect(own.map((f) => f.proof).join('\n')).toMatch(proof);
  });

  it('is found whole when all stand in it at once, in the order of kinds', () => {
    let bodies: Body[] = [...demo];
    // Later defects of the same document build on the earlier ones.
    const now: Find = (kind, slug) => {
      const b = bodies.findLast((x) => x.kind === kind && x.slug === slug);
      return b as never;
    };
    for (const kind of HEALTH_KINDS)
      bodies = [...bodies, ...DEFECTS[kind].change(now, shelfOf(bodies).everything())];
    const pieces = HEALTH_KINDS.flatMap((kind) => DEFECTS[kind].kit?.pieces ?? []);
    const found = health(shelfOf(bodies, kitOf(...pieces)));
    expect([...new Set(found.map((f) => f.kind))]).toEqual([...HEALTH_KINDS]);
  });
});

describe('health of some documents', () => {
  it('is what the whole health says about them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const s = madeUpShelf(seeded(seed), { variations: 8, cues: 30, questions: 3 });
        const whole = health(s);
        for (const b of [...s.all('variation'), ...s.all('cue').slice(0, 8), ...s.all('fault')]) {
          const some = healthOf(
            s,
            { today: TODAY, points, tiePoints: TIE_POINTS },
            new Set([`${b.kind}/${b.slug}`]),
          );
          expect(findingsAbout(some, b)).toEqual(findingsAbout(whole, b));
        }
      }),
      { numRuns: runs(15) },
    );
  });
});

describe('contradictions', () => {
  const under = (text: string, ...answers: string[]) => ({ text, holdsUnder: { q: answers } });
  const proofs = (...bodies: Body[]) =>
    health(shelf(question('q', { hall: { answer: 'b', why: 'x' } }), ...bodies))
      .filter((f) => f.kind === 'contradiction')
      .map((f) => f.proof);

  it('are the same words free in one place and dropped in another', () => {
    const [proof] = proofs(
      variation('v', { stance: [{ text: 'Eyes on the wall!' }] }),
      variation('w', { gaze: [under('Eyes on the wall', 'a'), { text: 'Eyes low' }] }),
    );
    expect(proof).toBe(
      '“Eyes on the wall!” (Stance) is printed, while variation/w says the same only where q is a; here it is b.',
    );
  });

  it('are a cue for a fault that is none here, and a fault whose every answer is dropped', () => {
    const f = fault('f', { name: 'Knees ahead', sign: under('Knees past the toes', 'a') });
    const g = fault('g', {
      name: 'Heels up',
      answers: [{ answerKind: 'cue', line: under('Say', 'a'), needsSecondPerson: false, equipment: [] }],
    });
    const found = proofs(
      f,
      g,
      cue('c', { addresses: 'f' }),
      variation('v', { cues: ['c'], faults: [{ fault: 'f' }, { fault: 'g' }] }),
    );
    expect(found).toEqual([
      '“Heels up” is a fault here, yet every answer to it contradicts the answers in force.',
      'The cue “Cue c” answers “Knees ahead”, which is no fault under the answers in force.',
    ]);
  });

  it('are too few cues left, but never a school that is merely not in force', () => {
    const cues = ['x', 'y', 'z'].map((slug) => cue(slug, { line: under(slug, slug === 'z' ? 'b' : 'a') }));
    expect(proofs(...cues, variation('v', { cues: ['x', 'y', 'z'] }))).toEqual([
      'Of 3 cues 2 contradict the answers in force; fewer than 3 are left.',
    ]);
    expect(
      proofs(
        ...cues,
        ...['p', 'q2', 'r'].map((s) => cue(s)),
        variation('v', { cues: ['x', 'y', 'p', 'q2', 'r'] }),
      ),
    ).toEqual([]);
  });
});

describe('findings', () => {
  const gear = (slug: string, change: Partial<Equipment>): Equipment => ({
    ...(blankBody('equipment', slug, slug, 'A. Tester') as Equipment),
    ...change,
  });
  const noRack = kitOf(piece('rack', { count: 0 }));
  const lacking = (...bodies: Body[]) =>
    health(shelfOf(bodies, noRack))
      .filter((f) => f.kind === 'equipment lacking')
      .map((f) => f.proof);
  const needs = (all: string[], any: string[][] = []) =>
    variation('v', {
      equipmentAll: all.map((equipment) => ({ equipment, count: 1, setUp: [] })),
      equipmentAny: any.map((g) => g.map((equipment) => ({ equipment, count: 1, setUp: [] }))),
    });

  it('take an equal for a piece the hall lacks, and one of a group for the group', () => {
    const none = gear('rack', {});
    expect(lacking(none, needs(['rack']))).toEqual(['Needs rack; the hall has none, and no equal of it.']);
    expect(lacking(none, gear('stand', { equals: ['rack'] }), needs(['rack']))).toEqual([]);
    expect(lacking(none, gear('bench', {}), needs([], [['rack', 'bench']]))).toEqual([]);
    expect(lacking(none, needs([], [['rack']]))).toHaveLength(1);
  });

  it('ask nothing easier of the foot of a ladder, and nothing of drills', () => {
    const easier = (...bodies: Body[]) =>
      said(health(shelf(...bodies)).filter((f) => f.kind === 'no easier variation'));
    const l = ladder([level('one', { kind: 'painAtMost', pain: 0 }, { main: 'v' })]);
    expect(easier(variation('v'))).toEqual(['no easier variation: variation/v']);
    expect(easier(variation('v'), l)).toEqual([]);
    expect(easier(variation('v', { roles: ['prepare'] }))).toEqual([]);
    const drawn = variation('d', { mechanics: BLANK_MECHANICS.drawn });
    expect(easier(drawn)).toEqual(['no easier variation: variation/d']);
  });

  it('say nothing about what is retired, and are found for one document', () => {
    const s = shelf(
      variation('v', { retired: true }),
      cue('lonely'),
      cue('lonesome', { line: { text: 'Cue lonely!' } }),
    );
    const found = health(s);
    expect(said(found).filter((x) => x.includes('variation/'))).toEqual([]);
    expect(said(findingsAbout(found, { kind: 'cue', slug: 'lonesome' }))).toEqual([
      'near-duplicate cues: cue/lonely',
      'unused cue: cue/lonesome',
    ]);
    expect(breachesOf(s)).toEqual([]);
  });
});
