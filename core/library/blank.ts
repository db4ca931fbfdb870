import type { Body, Kind, Level } from './documents.ts';
import type { Mechanics, SettledOf } from '../posture/index.ts';

/** A new level with criteria to start from: common practice, to be changed by the head coach. */
export function blankLevel(id: string, name: string): Level {
  return {
    id,
    name,
    stage: 'learning',
    main: '',
    equals: [],
    dose: { sets: 2, reps: 10, restS: 60 },
    entryNeeds: [],
    advance: {
      kind: 'all',
      of: [
        { kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps: 12, sets: 2 } },
        { kind: 'painAtMost', pain: 0 },
      ],
    },
    stepBack: {
      kind: 'any',
      of: [
        { kind: 'not', of: { kind: 'painAtMost', pain: 3 } },
        { kind: 'not', of: { kind: 'faultsAtMost', severity: 3, count: 0 } },
      ],
    },
    waysOn: [{ way: 'repetitions', step: 2, upTo: 14 }],
    usualStayWeeks: { from: 2, to: 4 },
  };
}

/** A mechanics block of each kind to start from: the plainest posture of its kind. */
export const BLANK_MECHANICS: { [T in Mechanics['type']]: SettledOf<T> } = {
  squat: { type: 'squat', legs: 2, thighDeg: 90, hands: 'forward', loadPlace: 'none' },
  hinge: { type: 'hinge', legs: 2, trunkDeg: 70, kneeDeg: 20, hands: 'at the sides', loadPlace: 'none' },
  lift: {
    type: 'lift',
    fromHeightM: 0.225,
    implement: 'straight bar',
    referenceLoad: { fractionOfBodyMass: 0.5, per: 'total' },
  },
  bridge: { type: 'bridge', legs: 2, loadPlace: 'none', feetFartherDeg: 0, hold: false },
  lunge: {
    type: 'lunge',
    stepOfRightAngleStep: 1,
    frontShankDeg: 0,
    trunkDeg: 5,
    dynamics: 'static',
    loadPlace: 'none',
  },
  extension: { type: 'extension', bench: 'level', hands: 'crossed' },
  drawn: {
    type: 'drawn',
    reason: '',
    start: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
    working: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
  },
};

/** A new document of the kind with everything it must have, as empty as may be. */
export function blankBody(kind: Kind, slug: string, name: string, author: string): Body {
  const common = { slug, retired: false, author };
  switch (kind) {
    case 'variation':
      return {
        ...common,
        kind,
        name,
        shortName: name.slice(0, 40),
        pattern: 'bridge',
        roles: ['work'],
        purpose: [],
        reasonsToChoose: [],
        dominance: 'hip',
        muscles: [],
        joints: [],
        laterality: 'two legs',
        sideOrder: 'both together',
        direction: 'in place',
        impact: false,
        loadKind: 'none',
        loadPlace: 'none',
        support: 'none',
        supportNotes: [],
        rangeTarget: 'straight line',
        rangeNotes: [],
        stanceWidth: 'hip width',
        footWeight: 'whole foot',
        stance: [],
        hands: [],
        gaze: [],
        breathing: [],
        tempo: { loweringS: 2, bottomS: 0, risingS: 1, topS: 1 },
        contactPoints: [],
        gettingIn: [],
        gettingOut: [],
        ifItGoesWrong: [],
        countedIn: 'repetitions',
        dose: [],
        equipmentAll: [],
        equipmentAny: [],
        setUpMeasures: [],
        cues: [],
        runThrough: [],
        faults: [],
        wanted: [],
        tolerated: [],
        unwanted: [],
        extraCautions: [],
        drills: [],
        mechanics: BLANK_MECHANICS.bridge,
      };
    case 'cue':
      return {
        ...common,
        kind,
        line: { text: name },
        phase: 'rising',
        cueKind: 'outside target',
        view: 'side',
        stages: ['learning', 'sound', 'advanced'],
      };
    case 'fault':
      return {
        ...common,
        kind,
        name,
        sign: { text: '' },
        phase: 'rising',
        views: ['side'],
        severity: 2,
        causes: [],
        checks: [],
        answers: [],
        whenToStop: { text: '' },
        chain: [],
      };
    case 'caution':
      return { ...common, kind, name, lines: [{ text: '' }], appliesTo: { test: 'every variation' } };
    case 'equipment':
      return {
        ...common,
        kind,
        name,
        inHall: 1,
        where: '',
        shareable: true,
        sizes: [],
        setUp: [],
        checks: [],
        equals: [],
        homeSubstitutes: [],
      };
    case 'houseQuestion':
      return {
        ...common,
        kind,
        question: name,
        answers: [
          { id: 'one', name: '', reasons: [] },
          { id: 'other', name: '', reasons: [] },
        ],
        hall: { answer: 'one', why: '' },
        byStage: [],
        byLoad: [],
        byVariation: [],
      };
    case 'drillList':
      return { ...common, kind, name, pattern: 'bridge', notes: [], drills: [] };
    case 'ladder':
      return {
        ...common,
        kind,
        name,
        pattern: 'bridge',
        purpose: [],
        levels: [blankLevel('first', 'First')],
      };
  }
}
