import { depthOf, leavesOf, MOST_ATOMS, MOST_DEPTH } from './criteria.ts';
import type { RuledCriterion } from './criteria.ts';

const runsInRuns = (c: RuledCriterion, inside = false): boolean =>
  c.kind === 'sessionsRunning'
    ? inside || runsInRuns(c.of, true)
    : (c.kind === 'all' || c.kind === 'any') && c.of.some((part) => runsInRuns(part, inside));

/** What makes a criterion unfit to be kept, as sentences; empty for a sound one. */
export function criterionProblems(c: RuledCriterion): string[] {
  const found: string[] = [];
  const depth = depthOf(c);
  if (depth > MOST_DEPTH) {
    found.push(
      `It is nested ${depth} deep; more than ${MOST_DEPTH} cannot be read. Split the level instead.`,
    );
  }
  if (runsInRuns(c)) {
    found.push(
      'It asks for a run of sessions inside a run of sessions: nobody could say what that is. Ask for one.',
    );
  }
  const atoms = leavesOf(c);
  if (atoms.length > MOST_ATOMS) {
    found.push(`It asks ${atoms.length} things; more than ${MOST_ATOMS} cannot be held in mind.`);
  }
  if (atoms.some((a) => 'within' in a && a.within?.over === 'set' && 'sets' in a && a.sets !== 1)) {
    found.push('In the last set alone there is one set: ask for 1 set, or look at the whole session.');
  }
  return found;
}
