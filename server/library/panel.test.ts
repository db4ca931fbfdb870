import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { demandOf, TIE_POINTS } from '../../core/demand/index.ts';
import type { LibraryFile } from '../../core/exchange/index.ts';
import { resolveMechanics, shelfOf } from '../../core/library/index.ts';

/*
 * "The first asks more than the second": pairs that any coach would sign (common practice, no source), by pattern, of
 * the shipped library at the reference build. They were written down before the model was tuned to anything, so that the
 * model answers to them and not they to the model. A number behind a slug is a load in kg in place of its own.
 *
 * Left out on purpose, since coaches differ: a thrust without load against the floor bridge, a deep against a wide squat,
 * anything that differs only in tempo or time held (statics sees neither), and anything across patterns.
 */
type Side = string | readonly [slug: string, kg: number];
type Pair = readonly [more: Side, less: Side];

const SQUAT: readonly Pair[] = [
  ['plain-squat', 'sit-to-stand'],
  ['plain-squat', 'strap-squat'],
  ['plain-squat', 'deep-squat-sit'],
  ['plain-squat', 'box-squat'],
  ['plain-squat', 'touch-box-squat'],
  ['wide-squat', 'sit-to-stand'],
  ['wide-squat', 'strap-squat'],
  ['wide-bell-squat', 'wide-squat'],
  ['deep-squat', 'plain-squat'],
  ['goblet-squat', 'plain-squat'],
  ['goblet-squat', 'goblet-box-squat'],
  ['rucksack-squat', 'plain-squat'],
  ['two-bell-squat', 'rucksack-squat'],
  ['front-squat', 'goblet-squat'],
  ['back-squat', 'goblet-squat'],
  ['back-squat', 'dumbbell-squat'],
  ['back-squat', 'counterweight-squat'],
  ['low-bar-squat', 'back-box-squat'],
  ['low-bar-squat', 'plain-squat'],
  ['one-leg-box-squat', 'plain-squat'],
  ['one-leg-squat', 'one-leg-box-squat'],
  ['one-leg-squat', 'one-leg-reach'],
  ['one-leg-squat', 'goblet-squat'],
  ['side-lunge', 'plain-squat'],
  ['goblet-side-lunge', 'side-lunge'],
];

const LUNGE: readonly Pair[] = [
  ['free-split', 'split-squat'],
  ['free-split', 'floor-up-split'],
  ['free-split', 'coach-band-split'],
  ['reverse-lunge', 'supported-reverse'],
  ['reverse-lunge', 'free-split'],
  ['forward-lunge', 'reverse-lunge'],
  ['forward-lunge', 'free-split'],
  ['walking-lunge', 'reverse-lunge'],
  ['deficit-lunge', 'reverse-lunge'],
  ['goblet-split', 'free-split'],
  ['dumbbell-split', 'free-split'],
  ['bar-split', 'dumbbell-split'],
  ['dumbbell-reverse', 'reverse-lunge'],
  ['bar-reverse-lunge', 'dumbbell-reverse'],
  ['dumbbell-forward-lunge', 'forward-lunge'],
  ['dumbbell-walking-lunge', 'walking-lunge'],
  ['rear-foot-up', 'free-split'],
  ['rear-foot-up', 'split-squat'],
  ['dumbbell-rear-foot-up', 'rear-foot-up'],
  ['high-step-up', 'low-step-up'],
  ['loaded-low-step-up', 'low-step-up'],
  ['high-step-up', 'loaded-low-step-up'],
];

const HINGE: readonly Pair[] = [
  ['stick-hinge', 'wall-touch-hinge'],
  ['bell-romanian', 'stick-hinge'],
  ['bar-romanian', 'bell-romanian'],
  ['bar-romanian', 'dumbbell-romanian'],
  ['bar-romanian', 'empty-hand-romanian'],
  ['light-good-morning', 'good-morning-stick'],
  ['bar-good-morning', 'light-good-morning'],
  ['bar-from-floor', 'bar-from-blocks'],
  ['bar-from-floor', 'dumbbells-from-floor'],
  ['bell-swing', 'stick-hinge'],
  ['weighted-bench-extension', 'bench-extension'],
  ['one-leg-romanian', 'stick-hinge'],
  ['one-leg-romanian', 'one-leg-wall'],
  ['one-leg-romanian', ['kickstand-romanian', 8]],
  ['loaded-one-leg-romanian', 'one-leg-romanian'],
  ['loaded-one-leg-romanian', 'kickstand-romanian'],
  [
    ['bar-romanian', 60],
    ['kickstand-romanian', 8],
  ],
  ['bar-from-blocks', 'straighter-one-leg'],
];

const BRIDGE: readonly Pair[] = [
  ['far-feet-lift', 'floor-lift'],
  ['step-bridge', 'floor-lift'],
  ['ball-bridge', 'floor-lift'],
  ['one-leg-lift', 'floor-lift'],
  ['one-leg-step-bridge', 'step-bridge'],
  ['one-leg-step-bridge', 'one-leg-lift'],
  ['one-leg-thrust', 'bench-thrust'],
  ['dumbbell-thrust', 'bench-thrust'],
  ['rucksack-thrust', 'sofa-thrust'],
  ['bar-thrust', 'dumbbell-thrust'],
  ['bar-thrust', 'floor-lift'],
  ['bar-thrust', 'step-bridge'],
];

/** A supported split against a squat with most of a body on the back: the one pair across patterns that is in no doubt. */
const ACROSS: readonly Pair[] = [['low-bar-squat', 'split-squat']];

const PANEL = { squat: SQUAT, lunge: LUNGE, hinge: HINGE, bridge: BRIDGE, across: ACROSS };

const { documents } = JSON.parse(
  readFileSync(new URL('./shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
const variations = new Map(shelf.all('variation').map((v) => [v.slug, v]));

function pointsOf(side: Side): number {
  const [slug, kg] = typeof side === 'string' ? [side, undefined] : side;
  const d = demandOf(REFERENCE_BUILD, resolveMechanics(variations.get(slug)!, shelf), kg);
  if (d.kind !== 'measured') throw new Error(`${slug} has no number`);
  return d.points;
}

const results = Object.entries(PANEL).flatMap(([pattern, pairs]) =>
  pairs.map(([more, less]) => {
    const by = pointsOf(more) - pointsOf(less);
    const [a, b] = [more, less].map((s) => (typeof s === 'string' ? s : `${s[0]} ${s[1]} kg`));
    return { pattern, text: `${a} over ${b}`, by };
  }),
);
const words = (list: typeof results) => list.map((r) => `${r.pattern}: ${r.text} (${r.by.toFixed(1)})`);

describe('pairs that any coach would sign', () => {
  it('are at least forty, none of them twice', () => {
    expect(results.length).toBeGreaterThanOrEqual(40);
    expect(new Set(results.map((r) => r.text)).size).toBe(results.length);
  });
  it('are held by the model', () => {
    const held = results.filter((r) => r.by >= TIE_POINTS);
    const wrong = results.filter((r) => r.by <= -TIE_POINTS);
    console.log(
      `Held ${held.length} of ${results.length}; contradicted ${wrong.length}:\n  ${words(wrong).join('\n  ')}\n` +
        `ties:\n  ${words(results.filter((r) => Math.abs(r.by) < TIE_POINTS)).join('\n  ')}`,
    );
    expect(held.length / results.length).toBeGreaterThanOrEqual(0.95);
    expect(wrong).toEqual([]);
  });
});
