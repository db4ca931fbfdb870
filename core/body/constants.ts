/** How far a number can be trusted; 'assumption' where nobody measured it. */
export type Certainty = 'high' | 'medium' | 'low' | 'assumption';

export interface Sourced {
  value: number;
  /** What the value is a share of, or its unit. */
  of: string;
  what: string;
  source: string;
  certainty: Certainty;
}

const from =
  (source: string, certainty: Certainty) =>
  (value: number, of: string, what: string): Sourced => ({ value, of, what, source, certainty });

// Every value is from memory of the source named.
const winter = from(
  'Drillis & Contini 1966 as drawn in Winter, Biomechanics and Motor Control of Human Movement',
  'high',
);
const usual = from('usual anatomical value', 'medium');
const rough = from('rough value, sets clearances or a place to within 3 cm', 'low');
const assumed = from('assumption of this model', 'assumption');
const trade = from('common practice, no source', 'low');

const strength = from(
  'Anderson, Madigan & Nussbaum 2007, young men: isometric, standing for everybody',
  'medium',
);

/** Every constant that a moment or a demand rests on, with its source and certainty; numbers that only draw stand where they draw. */
export const SOURCED = {
  foot: winter(0.152, 'stature', 'foot length'),
  ankleHeight: winter(0.039, 'stature', 'ankle above the floor'),
  shank: winter(0.246, 'stature', 'shank'),
  thigh: winter(0.245, 'stature', 'thigh'),
  hipShoulder: winter(0.288, 'stature', 'hip to shoulder'),
  upperArm: winter(0.186, 'stature', 'upper arm'),
  forearm: winter(0.146, 'stature', 'forearm'),
  hand: winter(0.108, 'stature', 'hand'),
  hipBreadth: winter(0.191, 'stature', 'hip breadth'),

  anklePlace: usual(0.21, 'foot length from the heel', 'ankle'),
  ballPlace: usual(0.7, 'foot length from the heel', 'ball of the foot'),
  l5Place: usual(0.2, 'hip–shoulder from the hip', 'L5/S1'),
  footCentre: usual(0.455, 'foot length from the heel', 'centre of mass of the foot'),
  benchPlace: rough(0.78, 'hip–shoulder from the hip', 'bench contact'),
  thighDepth: rough(0.045, 'stature', 'half-depth of the thigh'),
  shinDepth: rough(0.028, 'stature', 'half-depth of the shin'),
  trunkDepth: rough(0.055, 'stature', 'half-depth of the trunk'),
  buttockDepth: rough(0.055, 'stature', 'half-depth of the buttock'),
  barRadius: rough(0.008, 'stature', 'bar radius with clearance'),

  chestArmsAlong: rough(-0.085, 'stature beyond the shoulder', 'arms on the chest, along the trunk'),
  chestArmsForward: rough(0.055, 'stature', 'arms on the chest, forward of the trunk'),
  barArmsAlong: rough(-0.06, 'stature beyond the shoulder', 'arms on a bar across the shoulders'),
  benchArms: rough(0.7, 'hip–shoulder from the hip', 'arms in a thrust'),
  chestLoad: rough(0.8, 'hip–shoulder from the hip', 'load at the chest, along the trunk'),
  gobletForward: rough(0.11, 'stature', 'goblet load, forward of the trunk'),
  huggedForward: rough(0.08, 'stature', 'hugged load, forward of the trunk'),
  frontForward: rough(0.055, 'stature', 'load on the front of the shoulders, forward'),
  highAlong: rough(0.015, 'stature beyond the shoulder', 'bar high across the shoulders, along'),
  highForward: rough(-0.045, 'stature', 'bar high across the shoulders, forward'),
  lowAlong: rough(-0.02, 'stature beyond the shoulder', 'bar low across the shoulders, along'),
  lowForward: rough(-0.06, 'stature', 'bar low across the shoulders, forward'),
  lowOverHips: assumed(0.05, 'stature beyond the hip crease', 'load low over the hips'),

  leanPlain: assumed(0, 'degrees', 'trunk against shin without load: parallel'),
  leanCounterweight: assumed(-8, 'degrees', 'trunk against shin, counterweight'),
  leanGoblet: assumed(-12, 'degrees', 'trunk against shin, goblet'),
  leanChest: assumed(-10, 'degrees', 'trunk against shin, hugged load'),
  leanFront: assumed(-15, 'degrees', 'trunk against shin, front of shoulders'),
  leanHigh: assumed(3, 'degrees', 'trunk against shin, bar high'),
  leanLow: assumed(15, 'degrees', 'trunk against shin, bar low'),
  leanLimit: assumed(60, 'degrees', 'greatest trunk lean in a squat'),
  leanUpright: assumed(45, 'degrees', 'greatest trunk lean in schools that keep the trunk up'),
  leanPulled: assumed(30, 'degrees', 'greatest trunk lean where a strap or hand helps'),
  pullReachDeg: assumed(15, 'degrees below level', 'arms that hold a strap or something fixed'),
  pullMost: assumed(0.4, 'weight', 'what somebody who holds on pulls with at most'),
  pullRiseDeg: assumed(20, 'degrees above level', 'pull of a strap or hand on the body'),
  leanBack: assumed(-10, 'degrees', 'trunk leaning back at most'),
  hipRange: assumed(145, 'degrees', 'hip flexion between thigh and trunk, lumbar spine included'),
  kneeBend: from('deep squatting and kneeling: Hefzy et al. 1998, Mulholland & Wyss 2001', 'medium')(
    155,
    'degrees',
    'knee flexion at most',
  ),
  kneeBack: from('Boone & Azen 1979', 'medium')(5, 'degrees', 'knee beyond straight at most'),
  hipBack: from('Roach & Miles 1991 with about 10° of the lumbar spine', 'low')(
    35,
    'degrees',
    'thigh behind the line of the trunk at most, lumbar spine included',
  ),
  heldOut: assumed(0.3, 'body mass', 'most that is held at arm’s length as a counterweight'),
  ankleRange: assumed(40, 'degrees', 'ankle dorsiflexion under load where it was not measured'),
  seatedShank: assumed(5, 'degrees', 'shank when seated on a box without a shin rule'),
  seatedTrunk: assumed(40, 'degrees', 'trunk lean when seated on a box'),
  seatBehindHip: assumed(0.02, 'stature', 'contact with the box behind the hip'),
  pressure: assumed(0.45, 'foot length from the heel', 'centre of pressure'),
  uprightShin: assumed(10, 'degrees', "what 'shin near vertical' means"),

  hingeKneeSine: assumed(45, 'degrees', 'lean at which the knees have given all they give'),
  shinBack: assumed(-10, 'degrees', 'shin leaning back at most in a hinge'),
  shoulderCap: assumed(0.08, 'mass × g × stature', 'moment a shoulder gives to hold a load back'),
  liftKneeShare: trade(0.5, 'way up', 'where the load passes the knee in a lift'),
  liftKneeDeg: trade(22, 'degrees', 'knee bend as the load passes the knee'),
  liftTrunkKept: trade(0.8, 'lean at the start', 'trunk lean as the load passes the knee'),
  barAhead: assumed(0.03, 'stature', 'shoulder ahead of a bar on the floor'),
  kickstandShare: assumed(0.15, 'weight', 'what the toe of a kickstand carries'),
  kickstandPush: assumed(
    0.4,
    'of the load on the toe',
    'how hard the toe of a kickstand presses back along the floor: it helps the hip that works',
  ),
  kickstandShareMost: assumed(0.3, 'weight', 'what the toe of a kickstand carries at most'),
  kickstandFootDeg: assumed(55, 'degrees', 'ball to ankle of the kickstand foot against the floor'),
  kickstandStep: assumed(0.17, 'stature', 'kickstand toe behind the toe of the standing foot'),
  benchThighPad: assumed(0.12, 'thigh from the hip', 'pad of the hip-extension bench'),

  bridgeBottomDeg: assumed(-45, 'degrees', 'trunk at the bottom of a thrust'),
  bridgeLeastDeg: assumed(5, 'degrees', 'way of the trunk that makes a bridge a bridge'),
  bridgeFoot: assumed(0.24, 'foot length beyond the ankle', 'centre of a resting foot'),
  friction: from('usual threshold of a slip-resistant floor, from memory', 'medium')(
    0.5,
    'of the load on a contact',
    'level force that a foot, back or seat holds without slipping',
  ),
  frictionBand: assumed(0.15, 'of the load on the feet', 'horizontal force at the feet, either way'),

  rearFootDeg: assumed(85, 'degrees', 'ball to ankle of the rear foot against the floor'),
  instepFrom: assumed(0.04, 'stature', 'seat up to which the rear foot stays on its ball'),
  instepTo: assumed(0.16, 'stature', 'seat from which the instep of the rear foot lies on it'),
  meet: assumed(1.3, 'stature', 'height at which the two ground forces meet'),
  meetLow: assumed(0.8, 'stature', 'lowest such height'),
  meetHigh: assumed(2, 'stature', 'greatest such height'),
  freeFoot: assumed(0.02, 'stature beyond the ankle', 'foot of a free leg'),
  stepUpRise: assumed(0.05, 'stature', 'hip raised by standing on the toes of the trailing foot'),
  sideShare: trade(0.8, 'weight', 'what the bent leg of a side step carries'),

  fullHip: strength(0.161, 'mass × g × stature', 'hip extension moment of one leg at its strongest angle'),
  fullHipFlexion: strength(
    0.113,
    'mass × g × stature',
    'hip flexion moment of one leg at its strongest angle',
  ),
  fullKnee: strength(0.163, 'mass × g × stature', 'knee extension moment of one leg at its strongest angle'),
  fullKneeFlexion: strength(
    0.087,
    'mass × g × stature',
    'knee flexion moment of one leg at its strongest angle',
  ),
  fullBack: assumed(0.26, 'mass × g × stature', 'L5/S1 moment that counts as full demand'),
} satisfies Record<string, Sourced>;

export type ConstantName = keyof typeof SOURCED;
export type Constants = Record<ConstantName, number>;

export const CONSTANTS: Constants = Object.fromEntries(
  Object.entries(SOURCED).map(([name, { value }]) => [name, value]),
) as Constants;

/** Standard gravity rounded as usual in the field, m/s². */
export const G = 9.81;
