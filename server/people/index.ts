export { answersOf, peopleAnswering, saveAnswer } from './answers.ts';
export { buildsOf } from './builds.ts';
export { peopleRoutes } from './routes.ts';
export { openRestrictions, personList, personOf, doorTo, savePerson, addRestriction } from './store.ts';
