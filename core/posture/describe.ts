import type { SettledMechanics } from './mechanics.ts';
import type { Posture } from './posture.ts';
import { isComputed } from './movements/movement.ts';
import type { Range } from './range.ts';

const near = (deg: number) => `${Math.round(deg / 5) * 5}°`;

function segment(name: string, deg: number, forward: string, back: string): string {
  const d = Math.round(deg / 5) * 5;
  if (Math.abs(d) <= 5) return `${name} upright`;
  return `${name} ${d > 0 ? forward : back} by ${Math.abs(d)}°`;
}

function thighWords(deg: number): string {
  if (Math.abs(deg) < 8) return 'thighs upright';
  if (Math.abs(deg - 90) < 5) return 'thighs level';
  return deg > 90 ? `hips ${near(deg - 90)} below thigh level` : `thighs at ${near(deg)} from upright`;
}

function onFeet(p: Posture): string {
  return [
    segment('shins', p.shankDeg, 'forward', 'back'),
    thighWords(p.thighDeg),
    segment('trunk leaning', p.trunkDeg, 'forward', 'back').replace('trunk leaning upright', 'trunk upright'),
  ].join(', ');
}

function lying(p: Posture): string {
  const slope = Math.round(-90 - p.trunkDeg);
  const straight = Math.abs(p.hipFlexionDeg) < 4;
  return [
    straight ? 'shoulder, hip and knee in one line' : 'hips low',
    Math.abs(slope) < 3
      ? 'trunk level'
      : `trunk ${Math.abs(slope)}° ${slope > 0 ? 'up' : 'down'} towards the hips`,
    segment('shins', -p.shankDeg, 'leaning to the head', 'leaning to the feet'),
  ].join(', ');
}

/** One position in a sentence, for those who cannot see the drawing. */
export function describePosture(m: SettledMechanics, p: Posture | null, word: string): string {
  if (!isComputed(m) || !p) return `${word}: drawn by joint angles only.`;
  const held = p.legs.length === 0 ? ' This build cannot hold it.' : '';
  const load = p.joints.load && 'loadPlace' in m ? `, load ${m.loadPlace}` : '';
  const body =
    m.type === 'bridge'
      ? lying(p)
      : m.type === 'extension'
        ? `legs fixed on the bench, trunk at ${near(Math.abs(p.hipFlexionDeg))} of bend at the hip`
        : onFeet(p);
  const legs =
    m.type === 'lunge'
      ? `, ${Math.round(100 * (p.frontShare ?? 0))} % of the weight on the front foot`
      : 'legs' in m && m.legs === 1 && m.type !== 'squat'
        ? ', on one leg'
        : p.joints.other && m.type === 'squat'
          ? ', on one leg'
          : '';
  return `${word}: ${body}${legs}${load}.${held}`;
}

/** Start and working position in words. */
export function describeRange(m: SettledMechanics, range: Range | null): string {
  if (!isComputed(m) || !range) {
    return m.type === 'drawn'
      ? `Drawn by joint angles, ${m.view === 'front' ? 'from the front' : 'from the side'}; nothing is computed. ${m.reason}`
      : '';
  }
  const view =
    m.type === 'squat' && m.sidewaysShare !== undefined ? 'From the front.' : 'From the side, facing right.';
  return [
    view,
    describePosture(m, range.postures[0]!, capital(range.startWord)),
    describePosture(m, range.postures.at(-1)!, capital(range.workingWord)),
  ].join(' ');
}

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);
