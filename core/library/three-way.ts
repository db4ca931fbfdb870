import { diff3Merge } from 'node-diff3';
import { canonicalJson } from './canonical.ts';
import type { Body } from './documents.ts';
import type { DocumentField, DocumentFields } from './kinds/field.ts';
import { fieldsOf } from './kinds/kinds.ts';

/** Two edits of one document put together. */
export interface ThreeWay {
  /** What only one of the two changed, word by word, and mine where both did. */
  body: Body;
  /** Members that both changed in the same place: somebody has to choose. */
  conflicts: string[];
}

const same = (x: unknown, y: unknown) => canonicalJson(x ?? null) === canonicalJson(y ?? null);

/**
 * Puts two edits of the same document together: member by member, in lists item by item, in texts word by word.
 * Three-way merging after Khanna, Kunal and Pierce, A formal investigation of diff3 (2007), by node-diff3.
 * @param base what both started from
 * @param mine the edit that is being saved
 * @param theirs what has been accepted meanwhile
 */
export function mergeEdits(base: Body, mine: Body, theirs: Body): ThreeWay {
  const conflicts: string[] = [];
  const fields = fieldsOf(mine.kind);
  const [b, m, t] = [base, mine, theirs].map((x) => x as unknown as Record<string, unknown>) as [
    Record<string, unknown>,
    Record<string, unknown>,
    Record<string, unknown>,
  ];
  const body: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(m), ...Object.keys(t)])) {
    const merged = together(fields[key], b[key], m[key], t[key]);
    if (merged === CONFLICT) conflicts.push(key);
    const value = merged === CONFLICT ? m[key] : merged;
    if (value !== undefined) body[key] = value;
  }
  return { body: body as unknown as Body, conflicts };
}

const CONFLICT = Symbol('both changed the same');

/** A member as both have it; `undefined` where it was taken away. */
function together(f: DocumentField | undefined, b: unknown, m: unknown, t: unknown): unknown {
  if (same(m, b)) return t;
  if (same(t, b) || same(m, t)) return m;
  if (f === undefined || b === undefined || m === undefined || t === undefined) return CONFLICT;
  switch (f.is) {
    case 'text':
      return words(b as string, m as string, t as string);
    case 'line':
      return members(LINE, b, m, t);
    case 'lines':
      return items(LINE, b, m, t);
    case 'group':
      return members(f.fields, b, m, t);
    case 'list':
      return items(f.fields, b, m, t);
    case 'documents':
    case 'short ids':
    case 'names':
    case 'choices':
      return items(null, b, m, t);
    default:
      return CONFLICT;
  }
}

const LINE: DocumentFields = {
  text: { is: 'text', label: 'Text', most: 2000 },
  holdsUnder: { is: 'house rule', label: 'House rule', optional: true },
};

function members(fields: DocumentFields, b: unknown, m: unknown, t: unknown): unknown {
  const [base, mine, theirs] = [b, m, t] as [
    Record<string, unknown>,
    Record<string, unknown>,
    Record<string, unknown>,
  ];
  const out: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = together(fields[key], base[key], mine[key], theirs[key]);
    if (value === CONFLICT) return CONFLICT;
    if (value !== undefined) out[key] = value;
  }
  return out;
}

/** Texts longer than this are not put together: the comparison costs the square of their words. */
const MOST_WORDS = 600;

function words(b: string, m: string, t: string): unknown {
  const [base, mine, theirs] = [b, m, t].map((x) => x.split(/(?<=\s)/)) as [string[], string[], string[]];
  if (Math.max(base.length, mine.length, theirs.length) > MOST_WORDS) return CONFLICT;
  const out: string[] = [];
  for (const region of diff3Merge(mine, base, theirs, { excludeFalseConflicts: true })) {
    if (region.conflict) return CONFLICT;
    out.push(...(region.ok ?? []));
  }
  return out.join('');
}

/** Lists item by item; where both changed as many items in the same place, each of them for itself. */
function items(fields: DocumentFields | null, b: unknown, m: unknown, t: unknown): unknown {
  const [base, mine, theirs] = [b, m, t].map((x) => (x as unknown[]).map((i) => canonicalJson(i))) as [
    string[],
    string[],
    string[],
  ];
  const out: unknown[] = [];
  for (const { ok, conflict } of diff3Merge(mine, base, theirs, { excludeFalseConflicts: true })) {
    if (ok) out.push(...ok.map((x) => JSON.parse(x) as unknown));
    if (!conflict) continue;
    const { a, o, b: other } = conflict;
    if (fields === null || a.length !== o.length || other.length !== o.length) return CONFLICT;
    for (let i = 0; i < o.length; i++) {
      const [was, left, right] = [o[i]!, a[i]!, other[i]!].map((x) => JSON.parse(x) as unknown);
      const merged = same(left, was)
        ? right
        : same(right, was) || same(left, right)
          ? left
          : members(fields, was, left, right);
      if (merged === CONFLICT) return CONFLICT;
      out.push(merged);
    }
  }
  // What both put in, each in its own place, stands once; what stood there more than once goes on standing.
  const most = new Map<string, number>();
  for (const list of [mine, theirs])
    for (const x of list) most.set(x, Math.max(most.get(x) ?? 0, list.filter((y) => y === x).length));
  const seen = new Map<string, number>();
  return out.filter((x) => {
    const text = canonicalJson(x);
    const n = (seen.get(text) ?? 0) + 1;
    seen.set(text, n);
    return n <= (most.get(text) ?? 1);
  });
}
