/**
 * The kinds of sheet that can be printed. Those of one variation name it; a poster names a ladder;
 * a log sheet and a warm-up list name the variations of the day.
 */
export const SHEET_KINDS = ['floor', 'full', 'handout', 'log', 'warm-up', 'poster'] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];

export const SHEET_WORDS: Record<SheetKind, string> = {
  floor: 'Floor sheet',
  full: 'Full sheet',
  handout: 'Handout',
  log: 'Log sheet',
  'warm-up': 'Warm-up list',
  poster: 'Ladder poster',
};

/** Whether the sheet is about several variations at once. */
export const isOfDay = (kind: SheetKind): boolean => kind === 'log' || kind === 'warm-up';

export interface JobItem {
  kind: SheetKind;
  /** Slugs of variations, or of one ladder for a poster. */
  of: string[];
}

/** Sheets in one print job, and variations on one sheet of the day. */
export const MOST_ITEMS = 30;
export const MOST_OF_DAY = 8;

/** `floor:box-squat,poster:squat-ladder,log:box-squat+bar-romanian`: short enough for an address and a QR code. */
export const writeJob = (items: readonly JobItem[]): string =>
  items.map((i) => `${i.kind}:${i.of.join('+')}`).join(',');

const SLUG = /^[a-z0-9]+(-[a-z0-9]+)*$/;

/** @throws RangeError with a sentence where the text is no print job */
export function readJob(text: string): JobItem[] {
  const items = text
    .split(',')
    .filter((part) => part !== '')
    .map((part): JobItem => {
      const at = part.indexOf(':');
      const kind = part.slice(0, at) as SheetKind;
      // An address turns a plus into a blank.
      const of = part.slice(at + 1).split(/[+ ]/);
      if (!SHEET_KINDS.includes(kind)) throw new RangeError(`"${part}" names no kind of sheet.`);
      if (!of.every((slug) => SLUG.test(slug))) throw new RangeError(`"${part}" names nothing to print.`);
      if (of.length > (isOfDay(kind) ? MOST_OF_DAY : 1)) {
        throw new RangeError(
          isOfDay(kind)
            ? `One sheet holds ${MOST_OF_DAY} variations at most.`
            : `A ${SHEET_WORDS[kind].toLowerCase()} is about one thing only.`,
        );
      }
      return { kind, of };
    });
  if (items.length > MOST_ITEMS) throw new RangeError(`A print job holds ${MOST_ITEMS} sheets at most.`);
  return items;
}
