export { LibraryRoom } from './library-room.tsx';
export { Editor } from './editor.tsx';
export { History } from './history.tsx';
export { PrintSheet } from './print-sheet.tsx';
export { EditFields } from './fields/edit.tsx';
export { FORMS, LEVEL } from './fields/index.ts';
export type { Value } from './fields/index.ts';
export { SideBySide } from './side-by-side.tsx';
