/** One place where two versions of a document differ. */
export interface Difference {
  path: string;
  before: unknown;
  after: unknown;
}

const isObject = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/**
 * Places where two JSON values differ, in the order of the document. Lists are compared position by
 * position; `undefined` stands for "not there".
 */
export function differencesBetween(before: unknown, after: unknown, path = ''): Difference[] {
  if (Object.is(before, after)) return [];
  if (Array.isArray(before) && Array.isArray(after)) {
    const length = Math.max(before.length, after.length);
    return Array.from({ length }, (_, i) => i).flatMap((i) =>
      differencesBetween(before[i], after[i], `${path}[${i}]`),
    );
  }
  if (isObject(before) && isObject(after)) {
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) =>
      differencesBetween(before[key], after[key], path ? `${path}.${key}` : key),
    );
  }
  return [{ path, before, after }];
}
