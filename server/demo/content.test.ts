import { describe, expect, it } from 'vitest';
import { readFileSync } from 'node:fs';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { demandOf, TIE_POINTS } from '../../core/demand/index.ts';
import type { LibraryFile } from '../../core/exchange/index.ts';
import type { Atom, Criterion } from '../../core/criterion/index.ts';
import { ANSWER_KINDS, PATTERNS, STAGES } from '../../core/terms/index.ts';
import { BLOCKING, healthOf } from '../../core/review/index.ts';
import { LINE_FIELDS, resolve, resolveLadder, resolveMechanics, shelfOf } from '../../core/library/index.ts';
import type { HouseQuestion, Line, Shelf, Variation } from '../../core/library/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import { demoPieces } from './kit.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
const variations = shelf.all('variation');
const isDrill = (v: Variation) => v.roles.every((r) => r === 'prepare');
const trained = variations.filter((v) => !isDrill(v));
const drills = variations.filter(isDrill);
const health = (s: Shelf) =>
  healthOf(s, {
    today: '2026-11-25',
    tiePoints: TIE_POINTS,
    points: (v, m) => {
      const d = demandOf(REFERENCE_BUILD, m);
      return d.kind === 'measured' ? d.points + (v.demandAdjustment?.points ?? 0) : null;
    },
  });

describe('how much the library holds', () => {
  it.each([
    ['work and teaching variations', trained.length, 90],
    ['prepare drills', drills.length, 25],
    ['cues', shelf.all('cue').length, 130],
    ['faults', shelf.all('fault').length, 45],
    ['ladders', shelf.all('ladder').length, 5],
  ])('%s: %i, at least %i', (_, n, least) => {
    expect(n).toBeGreaterThanOrEqual(least);
  });

  it.each(PATTERNS.map((p) => [p] as const))(
    '%s: work, drills, a drill list and a ladder of its own',
    (pattern: Pattern) => {
      const of = <T extends { pattern: Pattern }>(list: readonly T[]) =>
        list.filter((x) => x.pattern === pattern);
      expect(of(trained).length).toBeGreaterThanOrEqual(15);
      expect(of(drills).length).toBeGreaterThanOrEqual(4);
      expect(of(shelf.all('drillList'))).toHaveLength(1);
      expect(of(shelf.all('ladder')).length).toBeGreaterThanOrEqual(1);
    },
  );
});

// What the trade asks a library of the four patterns to hold (common practice, no source), by the hall's own names.
describe('what the trade knows is there', () => {
  it.each([
    [
      'squat',
      'sit-to-stand box-squat low-box-squat touch-box-squat side-wall-squat facing-wall-squat strap-squat plain-squat paused-squat deep-squat band-squat ankle-band-squat counterweight-squat goblet-squat wide-squat wide-bell-squat front-squat back-squat back-box-squat tempo-squat one-leg-box-squat one-leg-squat lateral-shift-squat dome-crossing',
    ],
    [
      'lunge',
      'floor-up-split split-squat knee-wall-split band-pulled-split reverse-lunge forward-lunge walking-lunge inclined-lunge side-lunge crossed-lunge three-way-lunge rear-foot-up low-step-up high-step-up rotating-lunge jumping-lunge turned-out-lunge goblet-split dumbbell-split bar-split deficit-lunge dome-lunge lunge-press lunge-row',
    ],
    [
      'hinge',
      'half-kneeling-shift stick-hinge wall-touch-hinge band-pulled-hinge empty-hand-romanian dumbbell-romanian bell-romanian bar-romanian dumbbells-from-floor bar-from-floor good-morning-stick light-good-morning bar-good-morning one-leg-wall kickstand-romanian one-leg-romanian loaded-one-leg-romanian straighter-one-leg bench-extension ears-bench-extension weighted-bench-extension bench-extension-rounded bell-swing broad-jump machine-hip-extension',
    ],
    [
      'bridge',
      'floor-lift floor-hold band-lift floor-march one-leg-lift one-leg-hold step-bridge ball-bridge ball-curl roller-curl one-leg-curl hands-under-curl bench-thrust dumbbell-thrust bar-thrust one-leg-thrust',
    ],
    [
      'prepare',
      'knee-lift-walk lying-clam clam-band-hold clam-slow-lower prone-knee-lift standing-squeeze lateral-band-walk standing-push-out side-bridge-knees side-bridge-straight side-bridge-circles toes-tucked-sit kneel-sit-reach kneel-sit-side-reach lying-knee-push lying-cross-over seated-fold half-kneeling-reach standing-quad heel-forward-hamstring side-groin-shift deep-squat-sit',
    ],
  ])('%s', (_, slugs) => {
    expect(slugs.split(' ').filter((s) => !shelf.get('variation', s))).toEqual([]);
  });

  it('every fault of the trade, each on a sheet, with answers in order of cost', () => {
    const slugs =
      'knee-falls-in knee-rolls-out knee-runs-ahead heels-go-light drops-onto-box tips-forward chest-falls hips-shoot-up back-rounds-bottom ribs-flare back-rounds-load squats-the-hinge knees-locked arms-lift trunk-folds tight-rope pushes-off-back trailing-leg-bends step-too-short trunk-turns pushes-floor-foot lands-loud pelvis-tips top-hip-drops hips-open front-of-thigh hamstring-cramp rolls-up head-drops edge-hurts knees-wander feet-too-wide slides-back ball-drifts band-slack bounces weights-slam pad-above-crease big-knee-bend';
    expect(slugs.split(' ').filter((s) => !shelf.get('fault', s))).toEqual([]);
    const used = new Set(variations.flatMap((v) => v.faults.map((f) => f.fault)));
    const cost: readonly string[] = ANSWER_KINDS;
    for (const f of shelf.all('fault')) {
      expect(used.has(f.slug), f.slug).toBe(true);
      expect(f.whenToStop.text, f.slug).not.toBe('');
      // What only costs a word comes first, giving up the variation last.
      const kinds = f.answers.map((a) => cost.indexOf(a.answerKind));
      expect(kinds.indexOf(0) <= 0 || kinds[0] === 3, f.slug).toBe(true);
      expect(kinds.slice(0, -1), f.slug).not.toContain(5);
    }
  });

  it('every question that good coaches answer differently, with the answer of the hall', () => {
    const answers: Record<string, string> = {
      'knee-travel': 'with-toes',
      depth: 'level-first',
      'foot-pressure': 'whole-foot',
      'toe-out': 'slight',
      gaze: 'in-line',
      'lunge-trunk': 'upright',
      'lunge-share': 'as-posture',
      'lunge-tracks': 'hip',
      'lunge-start': 'floor-up',
      'lunge-load': 'after-weeks',
      breathing: 'out-rising',
      brace: 'push-out',
      'hinge-trunk': 'locked',
      'hinge-knee': 'soft',
      box: 'sit-then-touch',
      'bridge-bottom': 'hover',
      'bridge-spine': 'neutral',
      'bridge-top': 'straight-line',
      'bridge-feet': 'under-knees',
      'bridge-width': 'hip',
      'thrust-path': 'straight',
      'thrust-load': 'crease',
      attention: 'outside',
      activation: 'activate-first',
      preparation: 'pulse-mobility-activation',
      speed: 'slow',
      'first-level': 'at-ease',
      'good-morning': 'stick-then-load',
      'bench-extension': 'level',
      'rounded-teaching': 'learning-only',
      'squat-felt': 'quads-glutes',
    };
    for (const [slug, answer] of Object.entries(answers)) {
      expect({ slug, answer: shelf.get('houseQuestion', slug)?.hall.answer }).toEqual({ slug, answer });
    }
    // The knee of a learner stands near vertical, bridges press the heels, loaded bars hold the breath.
    expect(shelf.get('houseQuestion', 'knee-travel')!.byStage).toMatchObject([
      { stage: 'learning', answer: 'near-vertical' },
    ]);
    expect(resolve(shelf.get('variation', 'bar-thrust')!, shelf).answers['foot-pressure']!.answer).toBe(
      'heels',
    );
    expect(resolve(shelf.get('variation', 'back-squat')!, shelf).answers.breathing!.answer).toBe(
      'hold-below',
    );
    for (const q of shelf.all('houseQuestion')) {
      for (const a of q.answers) expect(a.reasons.length, `${q.slug} ${a.id}`).toBeGreaterThan(0);
    }
  });
});

describe('every sheet', () => {
  it.each(variations.map((v) => [v.slug, v] as const))('%s has each field filled that applies', (_, v) => {
    const drill = isDrill(v);
    const optional = new Set<string>([
      ...(v.support === 'none' ? ['supportNotes'] : []),
      // A measure only where something is set to the person.
      'setUpMeasures',
    ]);
    for (const field of LINE_FIELDS) {
      if (!optional.has(field)) expect(v[field].length, field).toBeGreaterThan(0);
    }
    expect(v.muscles.length).toBeGreaterThan(0);
    expect(v.joints.length).toBeGreaterThan(0);
    expect(v.runThrough.length).toBeGreaterThanOrEqual(3);
    expect(v.cues.length).toBeGreaterThanOrEqual(3);
    expect(v.faults.length).toBeGreaterThanOrEqual(2);
    expect(v.wanted.length).toBeGreaterThan(0);
    expect(v.unwanted.length).toBeGreaterThan(0);
    expect(v.prepares !== undefined).toBe(v.roles.includes('prepare'));
    if (!drill) {
      expect(v.unwanted.length).toBeGreaterThanOrEqual(
        v.pattern === 'bridge' || v.slug.includes('extension') ? 1 : 2,
      );
      expect(v.drills.length).toBeGreaterThan(0);
    }
    // Figures of the dose have no published source: the sheet says so.
    const said = JSON.stringify([v.dose, v.rangeNotes, v.setUpMeasures]);
    if (!drill) expect(said).toContain('ommon practice');
  });

  it('leads with three cues for every stage', () => {
    for (const v of trained) {
      for (const stage of STAGES) {
        const { cues } = resolve(v, shelf, { stage, answers: {} });
        expect({ slug: v.slug, stage, three: cues.length >= 3 }).toEqual({
          slug: v.slug,
          stage,
          three: true,
        });
      }
    }
  });

  it('is solved where it is computed, and few are drawn only', () => {
    const lacking = trained.flatMap((v) => {
      const d = demandOf(REFERENCE_BUILD, resolveMechanics(v, shelf));
      return d.kind === 'measured' || d.kind === 'drawn only' ? [] : [`${v.slug}: ${d.kind}`];
    });
    expect(lacking).toEqual([]);
    const drawn = trained.filter((v) => v.mechanics.type === 'drawn');
    expect(drawn.length / trained.length).toBeLessThan(0.25);
  });

  it('shares less than 30 % of its own sentences with any other', () => {
    const own = variations.map((v) => ({ slug: v.slug, sentences: sentencesOf(v) }));
    const alike = own.flatMap((a, i) =>
      own.slice(i + 1).flatMap((b) => {
        const shared = [...a.sentences].filter((s) => b.sentences.has(s)).length;
        const share = shared / Math.min(a.sentences.size, b.sentences.size);
        return share >= 0.3 ? [`${a.slug} and ${b.slug}: ${Math.round(share * 100)} %`] : [];
      }),
    );
    expect(alike).toEqual([]);
  });
});

/** The sentences that a sheet says itself, without its names; shared cues, faults and cautions are not its own. */
function sentencesOf(v: Variation): Set<string> {
  const names = [v.name, v.shortName].map((n) => n.toLowerCase());
  const lines: Line[] = [
    ...LINE_FIELDS.flatMap((f) => v[f]),
    ...v.dose.flatMap((d) => d.notes),
    ...[...v.equipmentAll, ...v.equipmentAny.flat()].flatMap((n) => n.setUp),
    ...v.unwanted.map((u) => u.suggests),
  ];
  return new Set(
    lines
      .flatMap((l) => l.text.toLowerCase().split(/[.;:!?]+\s*/))
      .map((s) =>
        names
          .reduce((text, name) => text.replaceAll(name, ''), s)
          .replace(/[^\p{L}\p{N} ]+/gu, ' ')
          .replace(/\s+/g, ' ')
          .trim(),
      )
      .filter((s) => s !== ''),
  );
}

describe('the house answers', () => {
  it('as they are leave nothing that blocks', () => {
    expect(health(shelf).filter((f) => BLOCKING.has(f.kind))).toEqual([]);
  });

  it.each(shelf.all('houseQuestion').map((q) => [q.slug, q] as const))(
    '%s: every other answer gives sheets that are whole and free of contradiction',
    (_, q) => {
      for (const a of q.answers) {
        const changed: HouseQuestion = {
          ...q,
          hall: { answer: a.id, why: 'Tried.' },
          byStage: [],
          byLoad: [],
          byVariation: [],
        };
        const s = shelfOf([...documents.filter((d) => d.slug !== q.slug || d.kind !== q.kind), changed]);
        const found = health(s).filter((f) => BLOCKING.has(f.kind));
        expect(found.map((f) => `${a.id}: ${f.document?.slug}: ${f.proof}`)).toEqual([]);
      }
    },
  );
});

const atomsOf = (c: Criterion): Atom[] =>
  c.kind === 'all' || c.kind === 'any'
    ? c.of.flatMap(atomsOf)
    : c.kind === 'not' || c.kind === 'sessionsRunning'
      ? atomsOf(c.of)
      : [c];

describe('every ladder', () => {
  it.each(shelf.all('ladder').map((l) => [l.slug, l] as const))(
    '%s: each level can be reached from the one below, and measured with everything that stands on it',
    (_, raw) => {
      const ladder = resolveLadder(raw, shelf);
      for (const level of ladder.levels) {
        expect(level.waysOn.length, level.id).toBeGreaterThan(0);
        expect(level.usualStayWeeks.to).toBeGreaterThanOrEqual(level.usualStayWeeks.from);
        for (const need of level.entryNeeds) {
          const other = shelf.get('ladder', need.ladder)!;
          expect(other.levels.map((l) => l.id)).toContain(need.level);
        }
        for (const slug of [level.main, ...level.equals]) {
          const v = shelf.get('variation', slug)!;
          for (const atom of [...atomsOf(level.advance), ...atomsOf(level.stepBack)]) {
            const measured =
              atom.kind === 'cleanReps'
                ? v.countedIn === 'repetitions'
                : atom.kind === 'holdS'
                  ? v.countedIn === 'seconds held'
                  : atom.kind === 'sideDifferenceAtMost'
                    ? v.laterality !== 'two legs'
                    : true;
            expect({ level: level.id, slug, atom: atom.kind, measured }).toMatchObject({ measured: true });
          }
        }
      }
      const pain = ladder.levels.map((l) => atomsOf(l.advance).some((a) => a.kind === 'painAtMost'));
      expect(pain.every(Boolean)).toBe(true);
    },
  );
});

describe('equipment', () => {
  const owned = demoPieces('2026-11-24', () => 0.5);

  it('of everything that a sheet needs says where it stands, how it is set up and checked, and what stands in at home', () => {
    for (const e of shelf.all('equipment')) {
      const { slug, setUp, checks, homeSubstitutes } = e;
      const place = owned.find((k) => k.equipment === slug)?.place ?? '';
      expect({
        slug,
        where: place !== '',
        setUp: setUp.length > 0,
        checks: checks.length > 0,
        home: homeSubstitutes.length > 0,
      }).toEqual({
        slug,
        where: true,
        setUp: true,
        checks: true,
        home: true,
      });
    }
  });
});
