import fc from 'fast-check';
import { AID_TEXT, FAULT_REPS, FELT_LISTS, setFields } from '../log/index.ts';
import type { SetFieldAbout, SetValues } from '../log/index.ts';
import { SIDES } from '../terms/index.ts';

/** As they come out of JSON. */
const PLAIN = { noNullPrototype: true } as const;
const side = fc.option(fc.constantFrom(...SIDES), { nil: null });
/** Words that a spreadsheet, a cell or a query could trip over. */
const word = fc.constantFrom('-drop', '@home', 'pads', 'Rack hooks', 'Support: wall', 'band help');
const ITEMS = {
  faults: fc.record(
    {
      fault: fc.constantFrom('knee-in', 'knee-out'),
      side,
      reps: fc.integer({ min: FAULT_REPS.from, max: FAULT_REPS.to }),
    },
    PLAIN,
  ),
  sensations: fc.record(
    {
      region: fc.constantFrom(...FELT_LISTS.region),
      kind: fc.constantFrom(...FELT_LISTS.kind),
      side,
    },
    PLAIN,
  ),
  aids: fc.record(
    {
      name: word,
      setting: fc.constantFrom('2', '', 'left pole', 'x'.repeat(AID_TEXT.setting)),
    },
    PLAIN,
  ),
};

function anyValue(f: SetFieldAbout): fc.Arbitrary<unknown> {
  const some =
    f.is === 'number'
      ? f.whole
        ? fc.integer({ min: f.from, max: f.to })
        : // Halves survive text and the database exactly.
          fc.integer({ min: 2 * f.from, max: 2 * f.to }).map((n) => n / 2)
      : f.is === 'flag'
        ? fc.boolean()
        : f.is === 'choice'
          ? fc.constantFrom(...f.of)
          : fc.array<unknown>(ITEMS[f.is], { maxLength: 3 });
  return f.blank === null ? fc.option<unknown>(some, { nil: null }) : some;
}

/** A set with any value in each of its fields, within their bounds. */
export const anySetValues = (): fc.Arbitrary<SetValues> =>
  fc.record(
    Object.fromEntries(setFields().map(([name, f]) => [name, anyValue(f)])),
    PLAIN,
  ) as unknown as fc.Arbitrary<SetValues>;
