/** A word of the screens and what it means, for somebody new. */
export type Term = readonly [word: string, meaning: string];

const T = {
  variation: ['Variation', 'One way of doing a squat, lunge, hinge or bridge. Each has one sheet.'],
  sheet: ['Sheet', 'All that a coach needs to teach one variation: set-up, cues, faults, how much of it.'],
  cue: ['Cue', 'One short line that is said to an athlete. The first three of a sheet stand large.'],
  fault: ['Fault', 'What goes wrong, how it is seen, why it happens, and what answers it.'],
  caution: ['Caution', 'A warning. It stands on every sheet that it applies to, by itself.'],
  houseRule: [
    'House rule',
    'Where schools differ, the hall answers once. Lines that say “only when …” follow that answer.',
  ],
  ladder: ['Ladder', 'The levels of a pattern, from the easiest to the hardest.'],
  level: ['Level', 'One step of a ladder: a main variation, how much of it, and what moves somebody up.'],
  branch: ['Branch', 'A side flight of a ladder. Nobody has to climb it; who does stays on the ladder too.'],
  equal: ['Equal', 'Another variation of the same level that the head coach accepts for it.'],
  instead: [
    'Instead',
    'What can be given when kit or a body stands in the way. It keeps somebody training and earns no level.',
  ],
  demand: [
    'Demand',
    'Points for hip, knee, back and balance, computed for one body. It informs, it decides nothing.',
  ],
  round: [
    'Round',
    'A part of the hour. In it one to three people share a place and go in turns; then all change.',
  ],
  place: ['Place', 'A rack, bench, box or machine. What needs none of them is done on the floor.'],
  wall: ['Wall', 'The plan of an hour as it hangs there: rounds across, places down, who is in them.'],
  points: [
    'Points',
    'What the planner weighs a plan by: about a minute of one person waiting each. Fewer is better.',
  ],
  measured: [
    'Measured',
    'A camera, a clip or a picture gave it, within its band. It shows what is in a set, not that nothing else was wrong.',
  ],
  band: [
    'Band',
    'Within which a figure is told: 92° ± 5. Where a limit lies inside, it is too close to call.',
  ],
  watched: ['Watched', 'A coach saw the set. A set that nobody watched is not the same as a clean one.'],
  clean: ['Clean', 'A repetition of a watched set without a fault that has to be fixed.'],
  effort: ['Effort', 'How hard it was, 0 to 10, as the athlete says.'],
  sideTest: [
    'Side test',
    'Each side alone, to the first repetition that is not clean. It tells which side is weaker.',
  ],
  decision: [
    'Decision',
    'What the evidence says: stop, step back, move up, grow here or hold. A coach confirms it.',
  ],
  grow: [
    'Grow here',
    'More of the same level: repetitions, load, less help, in the order that the level gives.',
  ],
  hold: ['Hold', 'The same again: the level is not met yet, and nothing speaks against it.'],
  evidence: ['Evidence', 'The sets that a decision stands on, line by line, and what is still not known.'],
  trials: ['Trials', 'Two to four sets that tell at which level somebody begins.'],
  stop: ['Stop', 'Nothing of it is proposed any more until the head coach clears it, on somebody’s word.'],
  restriction: ['Restriction', 'What one person may not do for a while, and who said so.'],
  looksAfter: [
    'Looks after',
    'Who sees and decides for a person: the head coach and the coaches of their squad, nobody else.',
  ],
  cover: ['Cover', 'Looking after people of a colleague for one day.'],
  change: ['Change', 'A proposal, or what was put in force. It is accepted or declined whole.'],
  revision: ['Revision', 'A numbered version of one document.'],
  edition: ['Edition', 'The library as it stood on one day, under a name.'],
  health: [
    'Health',
    'What a good library would not have: empty fields, cues said twice, sheets nobody can use.',
  ],
  sign: ['Sign', 'How a fault shows: what is seen, felt or said.'],
  chain: ['Chain', 'The way out of a fault over weeks; each gate opens the next step.'],
  moment: ['Moment', 'The turning force that muscles hold at a joint, in newton metres (N·m).'],
  kit: ['Kit', 'What the hall has. What needs something that is not there is not offered.'],
} as const satisfies Record<string, Term>;

/** The words of each screen, by how its address begins; the first that fits. */
const OF_SCREEN: readonly [address: string, words: readonly (keyof typeof T)[]][] = [
  ['/floor/plan', ['round', 'place', 'wall', 'points', 'watched', 'equal', 'instead', 'trials', 'chain']],
  ['/floor/hours', ['round', 'place', 'wall', 'watched', 'stop']],
  ['/floor/measure', ['measured', 'band', 'watched', 'clean', 'fault']],
  ['/faults/eye', ['fault', 'sign']],
  ['/floor', ['watched', 'clean', 'effort', 'sideTest', 'grow', 'instead', 'stop', 'cover']],
  ['/faults', ['fault', 'sign', 'cue', 'chain', 'instead', 'watched']],
  ['/overview', ['decision', 'level', 'stop', 'restriction', 'looksAfter', 'watched']],
  [
    '/people/',
    ['decision', 'evidence', 'watched', 'clean', 'grow', 'hold', 'branch', 'trials', 'stop', 'restriction'],
  ],
  ['/people', ['decision', 'level', 'hold', 'grow', 'trials', 'looksAfter']],
  ['/library/questions', ['houseRule', 'sheet', 'change']],
  ['/library/newer', ['edition', 'revision', 'change']],
  ['/library/health', ['health', 'cue', 'fault', 'houseRule']],
  [
    '/library',
    ['variation', 'sheet', 'cue', 'fault', 'caution', 'houseRule', 'equal', 'instead', 'demand', 'revision'],
  ],
  ['/ladders', ['ladder', 'level', 'branch', 'equal', 'demand', 'evidence']],
  ['/body', ['demand', 'moment', 'variation']],
  ['/changes', ['change', 'revision', 'edition', 'houseRule']],
  ['/kit', ['kit', 'equal', 'variation', 'level']],
  ['/hall', ['looksAfter', 'edition', 'change']],
  ['/print', ['sheet', 'edition', 'caution']],
];

/** The words of a screen with what they mean. */
export const termsOf = (address: string): readonly Term[] =>
  (OF_SCREEN.find(([begin]) => address.startsWith(begin))?.[1] ?? ['variation', 'ladder', 'decision']).map(
    (key) => T[key],
  );

/** Every word once, in the order of the alphabet. */
export const ALL_TERMS: readonly Term[] = Object.values(T).sort(([a], [b]) => a.localeCompare(b));
