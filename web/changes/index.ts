export { Changes } from './changes-page.tsx';
export { ChangePage } from './change-page.tsx';
