export { Hall } from './hall-page.tsx';
