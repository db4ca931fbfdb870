import { allOrNothing, handlers } from '../endpoint.ts';
import { answersOf, dropAnswer } from './answers.ts';
import { correctionsOf } from './corrections.ts';
import {
  addFootLoad,
  addRangeTest,
  buildsOf,
  dropFootLoad,
  dropRangeTest,
  footLoadsOf,
  saveBuild,
} from './builds.ts';
import {
  addPeople,
  addRestriction,
  erasePerson,
  exportPerson,
  liftRestriction,
  restrictionRows,
  savePerson,
} from './store.ts';

const OK = { ok: true } as const;

export const peopleRoutes = handlers({
  people: ({ mine }) => mine.map(({ person, hold }) => ({ ...person, covered: hold === 'covers' })),

  addPerson: async (c) => ({ id: await allOrNothing(c, (tx) => savePerson(tx, null, tx.body)) }),

  addPeople: async (c) => ({ added: await allOrNothing(c, ({ db, body }) => addPeople(db, body)) }),

  savePerson: async (c) => {
    await allOrNothing(c, (tx) => savePerson(tx, tx.person.id, tx.body));
    return OK;
  },

  erasePerson: async (c) => {
    await allOrNothing(c, ({ db, person, body }) => erasePerson(db, person.id, body.name));
    return OK;
  },

  exportPerson: async ({ db, person }) => ({
    file: `${JSON.stringify(await exportPerson(db, person.id), null, 2)}\n`,
    type: 'application/json; charset=utf-8',
    name: 'meister-person.json',
  }),

  answers: async ({ db, person }) => (await answersOf(db, [person.id])).get(person.id) ?? [],

  dropAnswer: async (c) => {
    await allOrNothing(c, (tx) => dropAnswer(tx, tx.person.id, tx.params.question));
    return OK;
  },

  builds: async ({ db, mine }) => {
    const ids = new Set(mine.map((m) => m.person.id));
    return (await buildsOf(db)).filter((b) => ids.has(b.personId));
  },

  build: async ({ db, person }) => (await buildsOf(db, [person.id]))[0]!,

  saveBuild: async (c) => {
    await allOrNothing(c, (tx) => saveBuild(tx, tx.person, tx.body));
    return OK;
  },

  addRangeTest: async (c) => ({ id: await allOrNothing(c, (tx) => addRangeTest(tx, tx.person, tx.body)) }),

  dropRangeTest: async (c) => {
    await allOrNothing(c, (tx) => dropRangeTest(tx, tx.params.id));
    return OK;
  },

  footLoads: ({ db, person }) => footLoadsOf(db, person.id),

  addFootLoad: async (c) => ({ id: await allOrNothing(c, (tx) => addFootLoad(tx, tx.person, tx.body)) }),

  dropFootLoad: async (c) => {
    await allOrNothing(c, (tx) => dropFootLoad(tx, tx.params.id));
    return OK;
  },

  corrections: ({ db, person }) => correctionsOf(db, person.id),

  restrictions: ({ db, person }) => restrictionRows(db, person.id),

  addRestriction: async (c) => ({
    id: await allOrNothing(c, ({ db, person, body, me }) => addRestriction(db, person.id, body, me.name)),
  }),

  liftRestriction: async (c) => {
    await allOrNothing(c, (tx) => liftRestriction(tx, tx.params.id, tx.body.source));
    return OK;
  },
});
