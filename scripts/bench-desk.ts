import { readFile } from 'node:fs/promises';
import {
  advise,
  causesOf,
  CHECK_COST,
  NO_ANSWER_COST,
  NO_EXPERIENCE,
  resultGivenCause,
} from '../core/fault/index.ts';
import type { Checked, DeskFault, Tried } from '../core/fault/index.ts';
import { resolve, shelfOf } from '../core/library/index.ts';
import type { Body } from '../core/library/index.ts';
import { seeded } from '../core/testing/seeded.ts';
import { shippedLibraryFile } from '../server/library/index.ts';

const CASES_EACH = 20;

/** Sets until an answer is for the true cause, or until none is left. */
function setsOf(fault: DeskFault, random: () => number): number {
  const asks = fault.checks;
  const causes = causesOf([fault]);
  let sets = 0;
  const checks: Checked[] = [];
  const tried: Tried[] = [];
  const at = (shares: readonly number[]) => {
    let left = random();
    return Math.max(
      0,
      shares.findIndex((x) => (left -= x) <= 0),
    );
  };
  const start = advise({
    faults: [fault],
    experience: NO_EXPERIENCE,
    now: { checks, tried, felt: [] },
    earlier: [],
  });
  const key = start.causes[at(start.causes.map((c) => c.probability))]!.key;
  const cause = causes.find((c) => c.key === key)!;
  for (;;) {
    const a = advise({
      faults: [fault],
      experience: NO_EXPERIENCE,
      now: { checks, tried, felt: [] },
      earlier: [],
    });
    if (a.next === 'ask') {
      const check = asks.find((c) => c.text === a.check!.check)!;
      const shares = resultGivenCause(fault, check, cause, NO_EXPERIENCE);
      const result = [...shares.keys()][at([...shares.values()])]!;
      checks.push({ fault: fault.slug, check: check.text, result });
      sets += CHECK_COST;
    } else if (a.next === 'try') {
      const answer = a.answers.find((x) => x.missing === null)!;
      sets += answer.cost;
      if (answer.serves.has(key)) return sets;
      tried.push({ fault: fault.slug, answer: answer.text, causes: answer.causes, outcome: 'same' });
    } else return sets + NO_ANSWER_COST;
  }
}

/** The faults desk on every fault of every variation of the demo library, with the kit all there. */
export async function benchDesk(): Promise<void> {
  const { documents } = JSON.parse(await readFile(shippedLibraryFile, 'utf8')) as { documents: Body[] };
  const shelf = shelfOf(documents);
  const random = seeded(1);
  const [asking, never]: [number[], number[]] = [[], []];
  for (const v of shelf.all('variation')) {
    for (const f of resolve(v, shelf).faults) {
      if (f.severity === 3 || f.causes.length === 0) continue;
      const there = { ...f, answers: f.answers.map((a) => ({ ...a, kit: [] })) };
      const withKit = { ...there, checks: there.checks.map((c) => ({ ...c, kit: [] })) };
      for (let n = 0; n < CASES_EACH; n++) {
        asking.push(setsOf(withKit, random));
        never.push(setsOf({ ...withKit, checks: [] }, random));
      }
    }
  }
  const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
  console.log(
    `\nThe faults desk, ${asking.length} invented cases: ${mean(asking).toFixed(2)} sets until an answer is for the cause; never asking ${mean(never).toFixed(2)}`,
  );
}
