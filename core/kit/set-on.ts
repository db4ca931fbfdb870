import type { Build } from '../body/index.ts';
import { deg } from '../posture/index.ts';
import type { SettledMechanics } from '../posture/index.ts';
import { BAR_ON_FLOOR_M, HANDLES_ON_FLOOR_M } from './asked.ts';
import type { FitRow } from './placed.ts';
import { seatedBoxM, touchedBoxM } from './fit.ts';

/**
 * A movement as it is done on the hall's own things: the thigh that a box of its height gives, the bench, step, seat or
 * wedge that there is. What the hall has nothing for stays as it was computed.
 * @param soleM of the shoes, which raise the body and not the box
 */
export function setOn(
  build: Build,
  m: SettledMechanics,
  rows: readonly FitRow[],
  soleM: number,
): SettledMechanics {
  return rows.reduce((now, row) => (row.own ? onThing(build, now, row, row.own.heightM, soleM) : now), m);
}

function onThing(
  build: Build,
  m: SettledMechanics,
  { measure }: FitRow,
  heightM: number,
  soleM: number,
): SettledMechanics {
  const sin = (of: number) => deg(Math.asin(Math.max(-1, Math.min(1, of))));
  switch (measure) {
    case 'box, touched': {
      if (m.type !== 'squat') return m;
      const thighDeg = touchedThighDeg(build, heightM - soleM);
      return thighDeg === null ? m : { ...m, thighDeg };
    }
    case 'box, full sit':
    case 'box, below level': {
      if (m.type !== 'squat') return m;
      return { ...m, thighDeg: 90 - sin((heightM - soleM - seatedBoxM(build)) / build.lengths.thigh) };
    }
    case 'thrust bench':
      return m.type === 'bridge' ? { ...m, bench: { heightM: heightM - soleM } } : m;
    case 'step-up':
    case 'step-up, learning':
      return m.type === 'squat' ? { ...m, stepUpM: heightM } : m;
    case 'raised feet':
      return m.type === 'bridge'
        ? { ...m, feetRaisedM: heightM }
        : m.type === 'lunge'
          ? { ...m, frontFootRaisedM: heightM }
          : m;
    case 'rear-foot seat':
      return m.type === 'lunge' ? { ...m, rearFootRaisedM: heightM } : m;
    case 'heel wedge':
      return m.type === 'squat' ? { ...m, heelWedgeDeg: sin(heightM / build.lengths.foot) } : m;
    case 'start height':
      return m.type === 'lift'
        ? {
            ...m,
            fromHeightM: heightM + (m.implement === 'straight bar' ? BAR_ON_FLOOR_M : HANDLES_ON_FLOOR_M),
          }
        : m;
    default:
      return m;
  }
}

const THIGHS = { from: 50, to: 125 } as const;

/** The thigh at which a box of this height is touched in balance; null: no thigh reaches it. */
export function touchedThighDeg(build: Build, heightM: number): number | null {
  let [low, high]: [number, number] = [THIGHS.from, THIGHS.to];
  if (heightM > touchedBoxM(build, low) || heightM < touchedBoxM(build, high)) return null;
  // The hip sinks all the way down, so halving finds the one place.
  while (high - low > 1e-4) {
    const middle = (low + high) / 2;
    if (touchedBoxM(build, middle) > heightM) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
