export { GuideRoom } from './guide-page.tsx';
export { HelpWith } from './help.tsx';
