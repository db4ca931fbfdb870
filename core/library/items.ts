import type { DocumentFields } from './kinds/field.ts';
import { blankItem } from './blank.ts';
import type { Line } from './line.ts';

/** An item of a list that other members of the document mean by its id. */
export interface Meant {
  id: string;
  words: string;
}

/** The items of a list of a document that can be meant, each with its words; none where there is no such list. */
export function meantIn(document: object, list: string): Meant[] {
  const items = (document as Record<string, unknown>)[list];
  if (!Array.isArray(items)) return [];
  return (items as { id?: string; name?: string; line?: Line }[]).flatMap((item, i) =>
    item.id
      ? [{ id: item.id, words: item.name || item.line?.text || `the ${i + 1}. without words yet` }]
      : [],
  );
}

/** A fresh item of a list, under an id that no other item of it has. */
export function freshItem(fields: DocumentFields, what: string, items: readonly object[]): object {
  const item = blankItem(fields);
  const own = Object.entries(fields).find(([, f]) => f.is === 'short id' && f.own)?.[0];
  if (own === undefined) return item;
  const taken = new Set(items.map((x) => (x as Record<string, unknown>)[own]));
  let n = items.length + 1;
  while (taken.has(`${what}-${n}`)) n++;
  return { ...item, [own]: `${what}-${n}` };
}
