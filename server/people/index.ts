export { answersOf, peopleAnswering, saveAnswer } from './answers.ts';
export { bodiesOf } from './bodies.ts';
export { buildsOf } from './builds.ts';
export { keepCorrection } from './corrections.ts';
export { peopleRoutes } from './routes.ts';
export { guard, holds, makersMay, peopleOf } from './looks.ts';
export { isBy, isBySql } from './who.ts';
export { openRestrictions, personList, personOf, savePerson, addRestriction } from './store.ts';
