export { FloorList } from './floor-list.tsx';
export { LogPage } from './log-page.tsx';
export { PaperEntry } from './paper-entry.tsx';
