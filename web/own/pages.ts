export { OwnPage } from './own-page.tsx';
