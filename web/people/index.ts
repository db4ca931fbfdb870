export { Evidence } from './evidence.tsx';
export { OverviewPage } from './overview-page.tsx';
export { People } from './people-page.tsx';
export { PersonPage } from './person-page.tsx';
export { TrialsPage } from './trials-page.tsx';
