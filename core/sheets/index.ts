export { drawsOn } from './draws-on.ts';
export { MOST_ITEMS, MOST_OF_DAY, SHEET_KINDS, SHEET_WORDS, isOfDay, readJob, writeJob } from './job.ts';
export type { JobItem, SheetKind } from './job.ts';
export { FAULT_LETTERS, countedWord, logRows, takesLoad } from './log-rows.ts';
export { LEADING, differsOnPaper } from './on-paper.ts';
export { blankRow, readRow } from './paper-row.ts';
export type { PaperRow } from './paper-row.ts';
export { BARRED, warmUpFor } from './warm-up.ts';
export type { WarmUp, WarmUpEntry } from './warm-up.ts';
