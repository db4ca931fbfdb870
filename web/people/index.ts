export { People } from './people-page.tsx';
export { PersonPage } from './person-page.tsx';
