import decision from '../../docs/screenshots/decision.png';
import desk from '../../docs/screenshots/desk.png';
import house from '../../docs/screenshots/house-effect.png';
import ladder from '../../docs/screenshots/ladder.png';
import session from '../../docs/screenshots/session-tablet.png';
import sheet from '../../docs/screenshots/sheet.png';

export interface GuidePage {
  title: string;
  picture: string;
  /** What is on the picture, for whoever does not see it. */
  shows: string;
  lines: readonly string[];
  /** Where it is tried. */
  to: string;
  /** What the button there says. */
  way: string;
}

/** Six pages to begin with, in the order of a day. */
export const GUIDE: readonly GuidePage[] = [
  {
    title: 'The sheet',
    picture: sheet,
    shows: 'The sheet of a variation with its figure, its cautions and its first three cues.',
    lines: [
      'Each way of doing a squat, lunge, hinge or bridge has one sheet. Find it by any name in use: press / and type.',
      'Read from the top: cautions, the figure, then what to set up. The first three cues stand large; say one at a time.',
      'Each fault opens: how it is seen, and what answers it, the cheapest first.',
      'A coach proposes a change from any sheet. The head coach puts it in force, and every sheet follows.',
    ],
    to: '/library',
    way: 'To the library',
  },
  {
    title: 'House rules',
    picture: house,
    shows: 'A house question with another answer chosen, and what that changes on the sheets.',
    lines: [
      'Schools differ: how far the knee may travel, how deep a squat goes, when to breathe. The hall answers once.',
      'Lines that say “only when …” follow the answer. Nobody has to rewrite sheets.',
      'Before an answer is put in force you see every line, figure and criterion that it changes.',
      'A stage, a pattern, a variation or one athlete may be answered otherwise.',
    ],
    to: '/library/questions',
    way: 'Answer them in one sitting',
  },
  {
    title: 'Ladders',
    picture: ladder,
    shows: 'A ladder drawn as stairs, with the demand of each step beneath.',
    lines: [
      'A ladder leads from the easiest level to the hardest. Each level says in plain words what moves somebody up.',
      'A new person is placed by two to four trials: they begin where they are at ease.',
      'Under the stairs stands what each step asks of hip, knee, back and balance, so that a step that is too big is seen.',
      'Branches are side work. Nobody has to climb them.',
    ],
    to: '/ladders',
    way: 'To the ladders',
  },
  {
    title: 'The session',
    picture: session,
    shows: 'The session screen of a tablet with the next set, its cues and the buttons that log it.',
    lines: [
      'Today lists who is expected. Press “Run this session”: the screen shows one person at a time, what to do next, with how much, and what to watch.',
      'One press logs a set as done, watched and without a fault. A fault is one press on its line for each repetition.',
      'Pain has its own button. From 7 of 10, or when stop is pressed, nothing more is proposed until it is cleared.',
      'Nothing is lost without a connection: what waits to be sent is counted at the top.',
    ],
    to: '/floor',
    way: 'To today',
  },
  {
    title: 'The decision',
    picture: decision,
    shows: 'A person’s page with a decision and its evidence line by line.',
    lines: [
      'After each session the evidence says: stop, step back, move up, grow here or hold, and why.',
      'Every line shows what was asked, what was seen and when. What is not known is said, never guessed.',
      'A coach confirms it, or decides otherwise with a reason. Both are kept.',
      'Where it can hurt, a doctor or physiotherapist has the word, and local rules come first.',
    ],
    to: '/overview',
    way: 'To the overview',
  },
  {
    title: 'When something looks wrong',
    picture: desk,
    shows: 'The faults desk with signs to choose from and the next check.',
    lines: [
      'Choose what you see or what the athlete feels. The desk asks the one check that tells the causes apart.',
      'It gives one answer at a time, the cheapest first: a cue, a touch, another set-up, an easier variation.',
      'Say whether it helped. The hall learns which answers work here.',
      'A fault that comes again is worked on over weeks, gate by gate.',
    ],
    to: '/faults',
    way: 'To the faults desk',
  },
];
