/**
 * The fixed lists of the trade. They are code, not documents: computation branches on them,
 * and every hall shares them.
 */
export const PATTERNS = ['squat', 'lunge', 'hinge', 'bridge'] as const;
export type Pattern = (typeof PATTERNS)[number];
/** Sorts what belongs to a pattern in the order of the patterns; what belongs to none comes last. */
export const byPattern = (a: { pattern: Pattern | null }, b: { pattern: Pattern | null }): number => {
  const at = (p: Pattern | null) => (p === null ? PATTERNS.length : PATTERNS.indexOf(p));
  return at(a.pattern) - at(b.pattern);
};

export const ROLES = ['prepare', 'teach', 'work'] as const;
export type Role = (typeof ROLES)[number];

/** What a drill does before the work, in the order in which it is done. */
export const PREPARE_STEPS = ['pulse', 'mobility', 'activation', 'light version'] as const;
export type PrepareStep = (typeof PREPARE_STEPS)[number];

export const STAGES = ['learning', 'sound', 'advanced'] as const;
export type Stage = (typeof STAGES)[number];

/** The order of one repetition and what surrounds it; cues and faults are sorted by it. */
export const PHASES = [
  'set up',
  'get in',
  'brace',
  'lowering',
  'bottom',
  'rising',
  'finish',
  'hold',
  'get out',
] as const;
export type Phase = (typeof PHASES)[number];

export const VIEWS = ['front', 'side', 'behind', 'ear', 'touch', 'ask'] as const;
export type View = (typeof VIEWS)[number];
export const VIEW_WORDS: Record<View, string> = {
  front: 'from the front',
  side: 'from the side',
  behind: 'from behind',
  ear: 'by ear',
  touch: 'by touch',
  ask: 'by asking',
};

/** By what something was measured rather than watched. */
export const MEASURED_BY = ['camera', 'clip', 'landmark file'] as const;
export type MeasuredBy = (typeof MEASURED_BY)[number];

/** What a camera can show of a fault; a fault of the library may name one of them. */
export const CAMERA_SIGNS = [
  'range short',
  'trunk leans more',
  'knees run ahead',
  'knees fall in',
  'heels lift',
  'lowered fast',
  'no stop at the bottom',
] as const;
export type CameraSign = (typeof CAMERA_SIGNS)[number];

export const CUE_KINDS = [
  'outside target',
  'body part',
  'picture',
  'touch or constraint',
  'contrast',
] as const;

export const REGIONS = [
  'side of hip',
  'back of hip',
  'front of hip or groin',
  'inner thigh',
  'front of thigh',
  'back of thigh, high',
  'back of thigh, low',
  'front of knee',
  'side of knee',
  'calf',
  'ankle',
  'low back',
  'upper back',
  'side of trunk',
  'front of trunk',
  'neck',
  'shoulder',
] as const;
export type Region = (typeof REGIONS)[number];

export const FELT_KINDS = ['work', 'stretch', 'pressure', 'pain'] as const;
export type FeltKind = (typeof FELT_KINDS)[number];

export const SIDES = ['left', 'right'] as const;
export type Side = (typeof SIDES)[number];

export const MUSCLES = [
  'gluteus maximus',
  'gluteus medius',
  'gluteus minimus',
  'quadriceps',
  'hamstrings',
  'adductors',
  'calf',
  'trunk',
  'hip flexors',
] as const;
export type Muscle = (typeof MUSCLES)[number];

export const JOINTS = ['ankle', 'knee', 'hip', 'low back', 'shoulder'] as const;
export type Joint = (typeof JOINTS)[number];

export const DOMINANCES = ['knee', 'hip', 'balanced', 'trunk'] as const;
export type Dominance = (typeof DOMINANCES)[number];

export const LATERALITIES = ['two legs', 'split', 'one leg'] as const;
export type Laterality = (typeof LATERALITIES)[number];

export const SIDE_ORDERS = ['both together', 'sides alternating', 'one side to the end'] as const;
export type SideOrder = (typeof SIDE_ORDERS)[number];

export const DIRECTIONS = [
  'in place',
  'forward',
  'backward',
  'diagonal',
  'sideways',
  'crossed',
  'stepping up',
] as const;
export type Direction = (typeof DIRECTIONS)[number];

export const LOAD_KINDS = [
  'none',
  'dumbbell',
  'kettlebell',
  'bar',
  'plate',
  'band',
  'machine',
  'improvised',
] as const;
export type LoadKind = (typeof LOAD_KINDS)[number];

export const LOAD_PLACES = [
  'none',
  'at the chest',
  'front of shoulders',
  'across the shoulders, high',
  'across the shoulders, low',
  'in front of the legs',
  'at the sides',
  'between the legs',
  'hip crease',
  'low over the hips',
  'arms out in front',
  'round the knees',
  'round the ankles',
] as const;
export type LoadPlace = (typeof LOAD_PLACES)[number];

export const SUPPORTS = [
  'none',
  'wall',
  'chair or pole',
  'strap',
  'box',
  'hands of a coach',
  'toe of the other foot',
] as const;
export type Support = (typeof SUPPORTS)[number];

export const STANCE_WIDTHS = [
  'hip width',
  'shoulder width',
  'slightly wider',
  'wide',
  'one foot',
  'split',
] as const;

export const FOOT_WEIGHTS = ['whole foot', 'heels', 'ball of the foot'] as const;

export const RANGE_TARGETS = [
  'straight line',
  'hold the straight line',
  'thigh level',
  'full depth',
  'box or pad height',
  'hover above the floor',
  'touch the floor',
  'trunk level',
  'until a stretch is felt',
  'load past the knee',
  'load to mid-shin',
  'load to the floor',
  'small range',
] as const;
export type RangeTarget = (typeof RANGE_TARGETS)[number];

/** Which leg of a split stance. */
export const LEGS = ['front', 'rear'] as const;
export type Leg = (typeof LEGS)[number];

/** How somebody works on a ladder: in sets as its levels say, or in rounds of work and rest by the clock. */
export const FORMS = ['sets', 'intervals'] as const;
export type Form = (typeof FORMS)[number];

/** What one set of the variation is counted in. */
export const COUNTED_IN = ['repetitions', 'seconds held', 'rounds'] as const;
export type CountedIn = (typeof COUNTED_IN)[number];

export const ANSWER_KINDS = [
  'cue',
  'touch or constraint',
  'contrast drill',
  'set-up change',
  'less range or more aid',
  'easier variation',
] as const;
export type AnswerKind = (typeof ANSWER_KINDS)[number];

/** 1 is noted, 2 makes the repetition not clean, 3 ends the set. */
export const SEVERITIES = [1, 2, 3] as const;
export type Severity = (typeof SEVERITIES)[number];
export const SEVERITY_WORDS: Record<Severity, string> = { 1: 'note', 2: 'fix', 3: 'stop' };

/** Help that is meant to fade; equipment settings such as a rack number are no aids. */
export const AIDS = [
  'pads',
  'hand support',
  'band help',
  'other foot',
  'hands under the hips',
  "coach's hands",
] as const;
export type Aid = (typeof AIDS)[number];
/** What the amounts 0, 1, 2 … of an aid are called; beyond the list they are counted. */
export const AID_WORDS: Record<Aid, readonly string[]> = {
  pads: ['no pad', '1 pad', '2 pads', '3 pads', '4 pads', '5 pads', '6 pads'],
  'hand support': ['no hand support', 'hands touching', 'hands leaning'],
  'band help': ['no band help', 'a light band', 'a middle band', 'a strong band'],
  'other foot': ['other foot free', 'other toe or heel touching', 'other foot carrying weight'],
  'hands under the hips': ['no hands under the hips', 'hands under the hips'],
  "coach's hands": ["without the coach's hands", "coach's hands ready", "coach's hands helping"],
};
/** "1 pad", "hands touching", or the bare number beyond what has a word. */
export const aidWords = (aid: Aid, amount: number): string => AID_WORDS[aid][amount] ?? `${amount} × ${aid}`;

export const isAid = (name: string): name is Aid => (AIDS as readonly string[]).includes(name);

/** Aids and settings as they were used: "2 pads, hands leaning, Rack hooks 7", on the floor and on paper alike. */
export const usedWords = (used: readonly { name: string; setting: string }[]): string =>
  used
    .map(({ name, setting }) =>
      isAid(name) && /^\d+$/.test(setting) ? aidWords(name, Number(setting)) : `${name} ${setting}`.trim(),
    )
    .join(', ');

export const MOST_AID = (aid: Aid): number => AID_WORDS[aid].length - 1;

/** Who may sign a level off. */
export const SIGNERS = ['coach', 'head coach'] as const;
export type Signer = (typeof SIGNERS)[number];
