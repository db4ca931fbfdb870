/** A size and how many of it there are, in the unit that it was typed in. */
export interface TypedSize {
  value: number;
  count: number;
}

const MOST = 60;
const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const ONE = new RegExp(String.raw`^(${NUMBER})(?:\s*[x×*]\s*(\d+))?$`);
const ROW = new RegExp(
  String.raw`^(${NUMBER})\s*(?:-|–|to)\s*(${NUMBER})\s*(?:by|/)\s*(${NUMBER})(?:\s*[x×*]\s*(\d+))?$`,
);
const numberOf = (text: string) => Number(text.replace(',', '.'));

/**
 * Sizes as a coach types them beside the rack: `30 x2; 45; 60`, or `2-10 by 2 x2` for a whole row of dumbbells. Parted by
 * semicolons, spaces after a comma, or lines; a comma inside a number is a decimal one.
 * @throws RangeError with a sentence that names what cannot be read
 */
export function typedSizes(text: string): TypedSize[] {
  const sizes = new Map<number, number>();
  const add = (value: number, count: number) => {
    if (!(value > 0)) throw new RangeError('A size is more than 0.');
    if (count < 1 || count > 500) throw new RangeError(`${count} pieces: 1 to 500 of one size.`);
    sizes.set(value, (sizes.get(value) ?? 0) + count);
    if (sizes.size > MOST) throw new RangeError(`More than ${MOST} sizes in one line.`);
  };
  for (const part of text.split(/;|\n|,\s|,$/)) {
    const typed = part.trim();
    if (typed === '') continue;
    const one = ONE.exec(typed);
    if (one) {
      add(numberOf(one[1]!), one[2] ? Number(one[2]) : 1);
      continue;
    }
    const row = ROW.exec(typed);
    if (!row) throw new RangeError(`“${typed}” cannot be read: write it like 30 x2, or 2-10 by 2.`);
    const [from, to, by] = [numberOf(row[1]!), numberOf(row[2]!), numberOf(row[3]!)];
    if (!(by > 0) || to < from || (to - from) / by > MOST)
      throw new RangeError(`“${typed}”: from less to more, in steps.`);
    for (let i = 0; from + i * by <= to + by / 1000; i++)
      add(Math.round((from + i * by) * 1000) / 1000, row[4] ? Number(row[4]) : 1);
  }
  return [...sizes].map(([value, count]) => ({ value, count })).sort((a, b) => a.value - b.value);
}

/** The same back as it is typed. */
export const sizesTyped = (sizes: readonly TypedSize[]): string =>
  [...sizes]
    .sort((a, b) => a.value - b.value)
    .map(({ value, count }) => (count === 1 ? String(value) : `${value} x${count}`))
    .join('; ');
