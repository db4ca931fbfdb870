import { expose } from 'comlink';
import { Finder } from './finder.ts';
import type { FindableEntry, Found } from './findable.ts';

/** The search index lives here, so that building it never holds up the page. */
let finder: Finder | null = null;
const api = {
  load(entries: FindableEntry[]): void {
    finder = new Finder(entries);
  },
  find: (text: string): Found[] => finder?.find(text) ?? [],
};
export type SearchApi = typeof api;
expose(api);
