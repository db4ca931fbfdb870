export { Hall } from './hall-page.tsx';
export { AccountPage } from './account-page.tsx';
