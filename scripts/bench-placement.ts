import { PERFORMERS, placed } from '../core/testing/performers.ts';
import { facts, level } from '../core/testing/samples.ts';

const PEOPLE = 10_000;

/** Ten thousand invented people a row placed on thirteen levels, by either way of choosing trials. */
export function benchPlacement(): void {
  console.log(`\nPlacing ${PEOPLE} invented people a row, experience in equal parts`);
  const stage = (i: number) => (i < 5 ? 'learning' : i < 10 ? 'sound' : 'advanced');
  const levels = Array.from({ length: 13 }, (_, i) =>
    level(`l${i}`, { kind: 'cleanReps', reps: 8, sets: 1 }, { stage: stage(i) }),
  );
  const input = () => ({
    levels,
    facts: new Map(levels.map((l) => [l.main, facts(l.main)])),
    restrictions: [],
    kit: new Set<string>(),
    heldElsewhere: new Set<string>(),
    atEase: null,
    careful: false,
    simplestFirst: false,
    today: '2026-01-10',
  });
  const share = (x: number) => `${(100 * x).toFixed(1)} %`.padStart(7);
  console.log(`${''.padEnd(42)}trials  exact  within 1  too high  by > 1  trials > 2 too hard`);
  for (const performers of PERFORMERS) {
    for (const way of ['halving', 'information'] as const) {
      const r = placed(input, performers, { people: PEOPLE, way, seed: 1 });
      console.log(
        `${`${performers.name}, ${way}`.padEnd(42)}${r.trials.toFixed(2).padStart(6)}${[r.exact, r.within, r.above, r.farAbove, r.tooHard].map(share).join('  ')}`,
      );
    }
  }
}
