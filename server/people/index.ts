export { answersOf, peopleAnswering, saveAnswer } from './answers.ts';
export { buildsOf } from './builds.ts';
export { peopleRoutes } from './routes.ts';
export { guard, holds, makersMay, peopleOf } from './looks.ts';
export { openRestrictions, personList, personOf, savePerson, addRestriction } from './store.ts';
