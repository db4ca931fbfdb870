import type { CameraSign } from '../terms/index.ts';
import { flexionDeg, leanDeg, turnDeg } from './angles.ts';
import { distance } from './points.ts';
import type { Here } from './points.ts';

/** Points that a coach places on a picture, with a loupe. */
export const PLACED = ['shoulder', 'hip', 'knee', 'ankle', 'toe', 'other hip', 'other ankle', 'bar'] as const;
export type Placed = (typeof PLACED)[number];

/** What a picture shows, from the points that are there. */
export interface PictureAngle {
  name: string;
  value: number;
  unit: '°' | '% of the shin' | '% of the stance';
  /** Within which it is told: a point is placed to within a centimetre (measured on drawn figures). */
  band: number;
}

/** A point placed a centimetre off turns a segment by up to so much (measured: 1 to 2.5 degrees). */
const BAND_DEG = 2.5;
/** Two points of the hips lie near each other: a centimetre is about four degrees (measured). */
const HIPS_BAND_DEG = 4;

/** Two middles, each a centimetre off at the most, of a stance of some 30 cm (judgement), % of the stance. */
const SHIFT_BAND = 4;

/** Everything that the points placed so far tell; y is down, as in the picture. */
export function anglesOfPicture(at: Partial<Record<Placed, Here>>): PictureAngle[] {
  const { shoulder, hip, knee, ankle, toe, bar } = at;
  const [otherHip, otherAnkle] = [at['other hip'], at['other ankle']];
  const list: PictureAngle[] = [];
  const add = (name: string, value: number, unit: PictureAngle['unit'] = '°', band = BAND_DEG) =>
    list.push({ name, value, unit, band });
  const fold = (deg: number) => Math.min(Math.abs(deg), 180 - Math.abs(deg));
  if (knee && ankle) add('Shin from upright', Math.abs(leanDeg(ankle, knee)));
  if (hip && shoulder) add('Trunk from upright', Math.abs(leanDeg(hip, shoulder)));
  if (hip && knee) {
    // Above level counts upwards: a hip higher than the knee is short of level.
    const down = (Math.atan2(hip[1] - knee[1], Math.abs(hip[0] - knee[0])) * 180) / Math.PI;
    add('Thigh below level', down);
  }
  if (hip && ankle) {
    // A straight leg raised by somebody who lies.
    add('Leg above level', (Math.atan2(hip[1] - ankle[1], Math.abs(ankle[0] - hip[0])) * 180) / Math.PI);
  }
  if (hip && knee && ankle) add('Knee bent', flexionDeg(hip, knee, ankle));
  if (shoulder && hip && knee) add('Hip from the straight line', flexionDeg(shoulder, hip, knee));
  if (knee && toe && ankle) {
    const forward = Math.sign(toe[0] - ankle[0]) || 1;
    add(
      'Knee past the toes',
      (100 * forward * (knee[0] - toe[0])) / distance(knee, ankle),
      '% of the shin',
      4,
    );
  }
  if (hip && otherHip)
    add(
      'Hips from level',
      fold(turnDeg([1, 0], [otherHip[0] - hip[0], otherHip[1] - hip[1]])),
      '°',
      HIPS_BAND_DEG,
    );
  if (hip && otherHip && ankle && otherAnkle && Math.abs(ankle[0] - otherAnkle[0]) > 0) {
    // From the front: plus is to the right of the picture.
    const [hips, feet] = [(hip[0] + otherHip[0]) / 2, (ankle[0] + otherAnkle[0]) / 2];
    const stance = Math.abs(ankle[0] - otherAnkle[0]);
    add('Hips off the middle of the feet', (100 * (hips - feet)) / stance, '% of the stance', SHIFT_BAND);
  }
  if (bar && knee && ankle) {
    // Distance of the bar from the line of the shin.
    const [ux, uy] = [knee[0] - ankle[0], knee[1] - ankle[1]];
    const d = Math.abs(ux * (bar[1] - ankle[1]) - uy * (bar[0] - ankle[0])) / Math.hypot(ux, uy);
    add('Bar from the shin', (100 * d) / distance(knee, ankle), '% of the shin', 4);
  }
  return list;
}

/** Of what a camera can show of a fault, the angle of a picture that tells of it, and which way is better. */
const SIGN_ANGLES: Partial<Record<CameraSign, { name: string; better: 1 | -1 }>> = {
  'trunk leans more': { name: 'Trunk from upright', better: -1 },
  'knees run ahead': { name: 'Shin from upright', better: -1 },
  'range short': { name: 'Thigh below level', better: 1 },
};

/** The angle of a picture that tells of a sign; null: a picture does not. */
export const angleOfSign = (sign: CameraSign): string | null => SIGN_ANGLES[sign]?.name ?? null;

/** A picture beside one that was taken with a check. */
export interface PictureChange {
  angle: string;
  before: number;
  after: number;
  /** Of the difference: both pictures have their own. */
  band: number;
  told: 'better' | 'worse' | 'too close';
}

/** What a check changes of what a sign goes by; null: one of the pictures does not show it yet. */
export function changeOf(
  sign: CameraSign,
  before: readonly PictureAngle[],
  after: readonly PictureAngle[],
): PictureChange | null {
  const by = SIGN_ANGLES[sign];
  const [a, b] = [before, after].map((list) => list.find((x) => x.name === by?.name));
  if (!by || !a || !b) return null;
  const band = Math.hypot(a.band, b.band);
  const better = by.better * (b.value - a.value);
  return {
    angle: by.name,
    before: a.value,
    after: b.value,
    band,
    told: better >= band ? 'better' : better <= -band ? 'worse' : 'too close',
  };
}
