import fc from 'fast-check';
import { AID_TEXT, FAULT_REPS, FELT_LISTS, setFields } from '../log/index.ts';
import type { SetFieldAbout, SetValues } from '../log/index.ts';
import { SETTING_NAMES, SIDES, aboutSetting, isPaired } from '../terms/index.ts';
import type { SettingUsed } from '../terms/index.ts';

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
      leg: fc.option(fc.constantFrom(...FELT_LISTS.leg), { nil: null }),
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

/** Settings as they may be told: each once, pairs at one number. */
const anySettings: fc.Arbitrary<SettingUsed[]> = fc
  .uniqueArray(fc.constantFrom(...SETTING_NAMES), { maxLength: 4 })
  .chain((names) =>
    fc.tuple(
      ...names.map((name): fc.Arbitrary<SettingUsed[]> => {
        const about = aboutSetting(name);
        const value: fc.Arbitrary<number | string> =
          about.is === 'word'
            ? fc.constantFrom(...about.of, ...(about.open ? ['Band 2', 'own, (thin)'] : []))
            : about.unit === 'm' || about.unit === 'kg'
              ? fc.constantFrom(about.from, about.blank, about.to)
              : fc.integer({ min: about.from, max: about.to });
        return fc.tuple(value, fc.boolean()).map(([v, computed]) =>
          (isPaired(name) ? SIDES : [null]).map((side) => ({
            name,
            value: v,
            side,
            ...(computed && { as: 'computed' as const }),
          })),
        );
      }),
    ),
  )
  .map((lists) => lists.flat());

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
          : f.is === 'settings'
            ? anySettings
            : fc.array<unknown>(ITEMS[f.is], { maxLength: 3 });
  return f.blank === null ? fc.option<unknown>(some, { nil: null }) : some;
}

/** A set with any value in each of its fields, within their bounds. */
export const anySetValues = (): fc.Arbitrary<SetValues> =>
  fc.record(
    Object.fromEntries(setFields().map(([name, f]) => [name, anyValue(f)])),
    PLAIN,
  ) as unknown as fc.Arbitrary<SetValues>;
