export { LogPage } from './log-page.tsx';
export { PaperEntry } from './paper-entry.tsx';
export { CsvPage } from './csv-page.tsx';
