export { answersOf, peopleAnswering, saveAnswer } from './answers.ts';
export { buildsOf } from './builds.ts';
export { peopleRoutes } from './routes.ts';
export { openRestrictions, personList, personOf, seesHealth, savePerson, addRestriction } from './store.ts';
