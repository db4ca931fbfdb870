import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../../core/exchange/index.ts';
import { shelfOf, summariesOf } from '../../core/library/index.ts';
import { findableOf } from './findable.ts';
import { Finder } from './finder.ts';

const file = JSON.parse(readFileSync('server/library/shipped.json', 'utf8')) as LibraryFile;
const finder = new Finder(findableOf(summariesOf(shelfOf(file.documents), new Map())));
const first = (text: string) => finder.find(text)[0]?.id;

/** What coaches and athletes type, and what it must find first (common practice, no source). */
const NAMES: Record<string, string> = {
  // Squat
  'sit-to-stand': 'chair stand, chair squat, sit to stand, assisted chair stand',
  'box-squat': 'box squat, paused box squat, bench squat',
  'touch-box-squat': 'tap squat, touch-and-go squat, touch and go box squat',
  'plain-squat': 'bodyweight squat, air squat, BW squat, free squat',
  'paused-squat': 'pause squat, paused squat',
  'deep-squat': 'deep squat, full squat, ATG squat, below parallel squat',
  'counterweight-squat': 'counterbalance squat, plate squat, counterweight squat',
  'strap-squat': 'strap squat, suspension squat, assisted squat',
  'band-squat': 'banded squat, mini band squat, loop band squat',
  'goblet-squat': 'goblet squat, KB goblet squat, kettlebell squat, goblet',
  'goblet-box-squat': 'goblet box squat',
  'dumbbell-squat': 'dumbbell squat, DB squat, suitcase squat',
  'shoulder-dumbbell-squat': 'dumbbell front squat, DB front squat',
  'front-squat': 'front squat, barbell front squat, BB front squat',
  'back-squat': 'back squat, barbell squat, high bar squat, BB squat',
  'low-bar-squat': 'low bar squat, low bar back squat',
  'back-box-squat': 'barbell box squat, back box squat',
  'wide-squat': 'sumo squat, wide stance squat, plie squat, sumo',
  'wide-bell-squat': 'sumo deadlift, KB sumo deadlift, kettlebell sumo squat',
  'wedge-squat': 'heel elevated squat, heels raised squat, slant board squat, cyclist squat',
  'tempo-squat': 'tempo squat, slow squat, eccentric squat',
  'one-leg-squat': 'pistol squat, pistol, single leg squat, one leg squat',
  'one-leg-box-squat': 'single leg box squat, pistol box squat, one leg box squat',
  'lateral-shift-squat': 'cossack squat, lateral squat, cossack',
  'rucksack-squat': 'backpack squat, rucksack squat',
  'facing-wall-squat': 'wall facing squat',
  'deep-squat-sit': 'deep squat hold, resting squat',
  'lateral-band-walk': 'monster walk, crab walk, lateral band walk, banded side step',
  'knee-lift-walk': 'high knees, high knee walk, marching',
  'ankle-to-wall': 'knee to wall, ankle mobilisation, ankle dorsiflexion stretch',
  // Hinge
  'stick-hinge': 'hip hinge, dowel hinge, broomstick hinge',
  'wall-touch-hinge': 'wall hinge, wall tap hinge',
  'half-kneeling-shift': 'half kneeling hip shift',
  'empty-hand-romanian': 'bodyweight RDL, BW RDL, unloaded RDL',
  'band-pulled-hinge': 'band RDL, banded hinge',
  'dumbbell-romanian': 'dumbbell RDL, DB RDL, dumbbell romanian deadlift',
  'bell-romanian': 'kettlebell RDL, KB RDL, kettlebell deadlift, KB deadlift',
  'bar-romanian': 'RDL, romanian deadlift, barbell RDL, BB RDL, romanian',
  'bar-from-floor': 'deadlift, conventional deadlift, barbell deadlift, DL',
  'bar-from-blocks': 'block pull, rack pull, deadlift from blocks, block deadlift',
  'dumbbells-from-floor': 'dumbbell deadlift, DB deadlift, suitcase deadlift',
  'bar-good-morning': 'good morning, barbell good morning',
  'light-good-morning': 'light good morning',
  'good-morning-stick': 'stick good morning, dowel good morning',
  'bell-swing': 'kettlebell swing, KB swing, swing, two hand swing',
  'dead-stop-swing': 'dead stop swing, dead swing',
  'broad-jump': 'broad jump, long jump, standing long jump',
  'kickstand-romanian': 'kickstand RDL, B-stance RDL, staggered stance RDL, b stance deadlift',
  'one-leg-romanian': 'single leg RDL, SLRDL, single leg deadlift, one leg RDL',
  'loaded-one-leg-romanian': 'KB single leg RDL, loaded single leg RDL',
  'one-leg-wall': 'assisted single leg RDL, supported single leg RDL',
  'bench-extension': 'back extension, hyperextension, roman chair, hip extension',
  'weighted-bench-extension': 'weighted back extension, weighted hyperextension',
  'machine-hip-extension': 'machine hip extension, glute machine, machine kickback',
  'standing-squeeze': 'glute kickback, kickback, standing hip extension',
  'kneel-sit-reach': 'childs pose, prayer stretch',
  'heel-forward-hamstring': 'hamstring stretch, standing hamstring stretch',
  'rowing-pulse': 'rower, erg, rowing warm-up',
  // Lunge
  'free-split': 'split squat, static lunge, stationary lunge',
  'split-squat': 'supported split squat, assisted split squat',
  'goblet-split': 'goblet split squat, KB split squat',
  'dumbbell-split': 'dumbbell split squat, DB split squat',
  'bar-split': 'barbell split squat, BB split squat',
  'rear-foot-up': 'bulgarian split squat, bulgarian, RFESS, rear foot elevated split squat, BSS',
  'dumbbell-rear-foot-up': 'dumbbell bulgarian split squat, DB bulgarian split squat',
  'reverse-lunge': 'reverse lunge, backward lunge, step back lunge',
  'dumbbell-reverse': 'dumbbell reverse lunge, DB reverse lunge',
  'deficit-lunge': 'deficit lunge, deficit reverse lunge',
  'forward-lunge': 'forward lunge, front lunge, lunge',
  'walking-lunge': 'walking lunge, travelling lunge',
  'inclined-lunge': 'forward lean lunge, glute lunge',
  'side-lunge': 'lateral lunge, side lunge',
  'crossed-lunge': 'curtsy lunge, curtsey lunge, crossover lunge',
  'three-way-lunge': 'three way lunge, clock lunge, multi-directional lunge',
  'rotating-lunge': 'lunge with rotation, lunge with a twist, twisting lunge',
  'jumping-lunge': 'jump lunge, split jump, plyo lunge',
  'low-step-up': 'step up, low step up, step-up',
  'high-step-up': 'dumbbell step up, box step up, DB step up',
  'lunge-press': 'lunge to press, split squat with a press',
  'seated-fold': 'figure 4 stretch, seated pigeon, piriformis stretch',
  'standing-quad': 'quad stretch, quadriceps stretch',
  'side-groin-shift': 'adductor stretch, groin stretch',
  // Bridge
  'floor-lift': 'glute bridge, bridge, hip raise, hip lift',
  'floor-hold': 'bridge hold, glute bridge hold, isometric bridge',
  'band-lift': 'banded bridge, banded glute bridge, mini band bridge',
  'floor-march': 'marching bridge, bridge march, glute bridge march',
  'far-feet-lift': 'long lever bridge, hamstring bridge',
  'one-leg-lift': 'single leg bridge, single leg glute bridge, one leg bridge',
  'one-leg-hold': 'single leg bridge hold',
  'step-bridge': 'feet elevated bridge, elevated bridge',
  'ball-bridge': 'ball bridge, swiss ball bridge, stability ball bridge',
  'ball-curl': 'ball leg curl, swiss ball leg curl, stability ball leg curl',
  'roller-curl': 'slider curl, sliding leg curl, hamstring slider',
  'one-leg-curl': 'single leg slider curl',
  'bench-thrust': 'bodyweight hip thrust, BW hip thrust',
  'bar-thrust': 'hip thrust, barbell hip thrust, BB hip thrust',
  'dumbbell-thrust': 'dumbbell hip thrust, DB hip thrust',
  'band-thrust': 'banded hip thrust',
  'one-leg-thrust': 'single leg hip thrust, one leg hip thrust',
  'side-bridge-straight': 'side plank, side bridge',
  'side-bridge-knees': 'side plank hip dips, modified side plank, knee side plank',
  'lying-clam': 'clamshell, clam, side lying clam',
  'clam-band-hold': 'clamshell hold',
  'half-kneeling-reach': 'hip flexor stretch, half kneeling hip flexor stretch',
  'prone-knee-lift': 'prone hip extension, prone leg lift',
};
const ROWS = Object.entries(NAMES).flatMap(([slug, list]) =>
  list.split(', ').map((typed): [string, string] => [typed, `variation/${slug}`]),
);

/** The text with one letter wrong: the middle one of its longest word, where that has five letters at least. */
function mistyped(text: string): string | null {
  const longest = text.split(' ').reduce((a, b) => (b.length > a.length ? b : a));
  if (longest.length < 5) return null;
  const at = Math.floor(longest.length / 2);
  const wrong = longest[at] === 'q' ? 'x' : 'q';
  return text.replace(longest, longest.slice(0, at) + wrong + longest.slice(at + 1));
}

describe('the names in use', () => {
  it('are many', () => {
    expect(ROWS.length).toBeGreaterThanOrEqual(150);
  });
  it('find their movement first', () => {
    const wrong = ROWS.flatMap(([typed, id]) => (first(typed) === id ? [] : [`${typed}: ${first(typed)}`]));
    expect(wrong).toEqual([]);
  });
  it('find it first with a letter wrong too', () => {
    const wrong = ROWS.flatMap(([typed, id]) => {
      const word = mistyped(typed);
      return word === null || first(word) === id ? [] : [`${word}: ${first(word)}, not ${id}`];
    });
    expect(wrong).toEqual([]);
  });
  it.each([
    ['valgus', 'fault/knee-falls-in'],
    ['knee cave', 'fault/knee-falls-in'],
    ['butt wink', 'fault/back-rounds-bottom'],
    ['rib flare', 'fault/ribs-flare'],
    ['trendelenburg', 'fault/pelvis-tips'],
    ['mini band', 'equipment/loop-band'],
    ['swiss ball', 'equipment/gym-ball'],
    ['squat rack', 'equipment/bar-and-rack'],
  ])('%s finds %s first', (typed, id) => {
    expect(first(typed)).toBe(id);
  });
  it('found by another name, say by which', () => {
    expect(finder.find('pistol')[0]).toMatchObject({ id: 'variation/one-leg-squat' });
    expect(finder.find('RFESS')[0]).toMatchObject({ id: 'variation/rear-foot-up', calledSo: 'RFESS' });
    expect(finder.find('deadlift')[0]).toMatchObject({ id: 'variation/bar-from-floor', calledSo: null });
  });
});
