import type { LoadPlace, Pattern, IsoDate } from '../terms/index.ts';
import type { VariationFacts } from '../log/index.ts';

export type Bar =
  | { bars: 'all' }
  | { bars: 'pattern'; pattern: Pattern }
  | { bars: 'load place'; place: LoadPlace }
  | { bars: 'depth' }
  | { bars: 'impact' };

/** What somebody with a say has barred, until when (null: until lifted), and who said so. */
export interface Restriction {
  id: string;
  bars: Bar[];
  from: IsoDate;
  until: IsoDate | null;
  saidBy: string;
}

/** In force on the day: `until` is the last barred day. */
export function isInForce(r: Restriction, today: IsoDate): boolean {
  return r.from <= today && (r.until === null || today <= r.until);
}

/** What a bar looks at: a document of the library has it as well as what decisions know. */
export type Barrable = Pick<VariationFacts, 'pattern' | 'loadPlace' | 'rangeTarget' | 'impact'>;

function barMatches(bar: Bar, v: Barrable): boolean {
  switch (bar.bars) {
    case 'all':
      return true;
    case 'pattern':
      return v.pattern === bar.pattern;
    case 'load place':
      return v.loadPlace === bar.place;
    case 'depth':
      return v.rangeTarget === 'full depth' || v.rangeTarget === 'load to the floor';
    case 'impact':
      return v.impact;
  }
}

/** The restrictions among those given that bar the variation. */
export function barring(restrictions: readonly Restriction[], v: Barrable): Restriction[] {
  return restrictions.filter((r) => r.bars.some((bar) => barMatches(bar, v)));
}

/** Places that are named without a word of where. */
const ON: ReadonlySet<LoadPlace> = new Set<LoadPlace>(['front of shoulders', 'hip crease']);

export function barSentence(bar: Bar): string {
  switch (bar.bars) {
    case 'all':
      return 'all training';
    case 'pattern':
      return `every ${bar.pattern}`;
    case 'load place':
      return `a load ${ON.has(bar.place) ? 'on the ' : ''}${bar.place}`;
    case 'depth':
      return 'deep positions';
    case 'impact':
      return 'jumps and landings';
  }
}
