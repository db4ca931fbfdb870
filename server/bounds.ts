import { Refusal } from './refusal.ts';

/** What the JSON of a request may hold. */
export interface Bounds {
  deep: number;
  /** Values in all. */
  values: number;
  /** Members of one object. */
  members: number;
  /** Items of one list. */
  items: number;
}
export const REQUEST: Bounds = { deep: 24, values: 30_000, members: 300, items: 5_000 };
/** A library file holds thousands of documents. */
export const LIBRARY_FILE: Bounds = { deep: 24, values: 3_000_000, members: 300, items: 20_000 };

/**
 * Counts what a JSON text holds, in one pass and before anything is made of it, so that no crowd of values is ever
 * parsed, validated or told about.
 * @throws Refusal 413 naming the bound that is passed
 */
export function refuseCrowded(text: string, { deep, values, members, items }: Bounds): void {
  const open: { list: boolean; count: number }[] = [];
  let all = 0;
  for (let i = 0; i < text.length; i++) {
    switch (text.charCodeAt(i)) {
      case 0x22: // "
        i = endOfString(text, i);
        break;
      case 0x7b: // {
      case 0x5b: // [
        open.push({ list: text[i] === '[', count: 1 });
        if (open.length > deep) refuse(`It is nested more than ${deep} deep`);
        break;
      case 0x7d: // }
      case 0x5d: // ]
        open.pop();
        break;
      case 0x2c: {
        // ,
        const within = open.at(-1);
        if (++all > values) refuse(`It holds more than ${values} values`);
        if (!within) break;
        within.count++;
        if (within.list && within.count > items) refuse(`A list in it has more than ${items} items`);
        if (!within.list && within.count > members)
          refuse(`Something in it has more than ${members} members`);
      }
    }
  }
}

/** Of the closing quote, or the end of the text. */
function endOfString(text: string, start: number): number {
  for (let i = start + 1; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (c === 0x5c) i++;
    else if (c === 0x22) return i;
  }
  return text.length;
}

function refuse(what: string): never {
  throw new Refusal(413, `${what}: that is more than any request needs. Nothing was changed.`);
}

// A half of a pair of surrogates is no character: no database stores it, and NUL neither.
const NO_TEXT = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/**
 * Refuses text that is no text, wherever it stands, by name too.
 * @throws Refusal 400 with the field
 */
export function refuseNoText(value: unknown, at = ''): void {
  if (typeof value === 'string') {
    if (!NO_TEXT.test(value)) return;
    const detail = 'This holds a sign that is no character.';
    throw new Refusal(400, `${at || 'The request'}: ${detail} Nothing was changed.`, {
      errors: [{ field: at, detail }],
    });
  }
  if (typeof value !== 'object' || value === null) return;
  for (const [key, part] of Object.entries(value)) {
    refuseNoText(key, at);
    refuseNoText(part, Array.isArray(value) ? `${at}[${key}]` : at ? `${at}.${key}` : key);
  }
}
