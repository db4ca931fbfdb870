import { personalBuild, REFERENCE_BUILD } from '../../core/body/index.ts';
import { insteadOf } from '../../core/demand/index.ts';
import { barring, barSentence, factsOf, isInForce } from '../../core/ladder/index.ts';
import { carryingBoth, documentId, mergeCues, resolve, titleOf } from '../../core/library/index.ts';
import type { Body, Shelf } from '../../core/library/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import { editionHeader } from '../hall/index.ts';
import { Refusal } from '../http.ts';
import { buildsOf, openRestrictions, peopleAnswering, saveAnswer } from '../people/index.ts';
import { changeDetail, saveTogether } from './changes.ts';
import { readerOf } from './reader.ts';
import { shelfInForce } from './shelf.ts';

/** What the library says about itself, and about a change before it is made. */
export const adviceRoutes = handlers({
  health: async ({ db, inForce, work, today }) => ({
    findings: await work('health', inForce, { today }),
    edition: await editionHeader(db),
    documents: inForce.shelf.everything().length,
  }),

  checkDocuments: ({ inForce, work, body, today }) => work('check', inForce, { items: body.items, today }),

  checkChange: async ({ db, inForce, work, params, today }) => {
    const { items } = await changeDetail(db, params.id);
    return work('check', inForce, { items: items.map((i) => i.proposed), today });
  },

  mergePlan: async ({ inForce, work, params: { slug, keep } }) => {
    const { shelf, state } = inForce;
    const bodies = mergedOr422(shelf, slug, keep);
    return {
      documents: bodies.slice(1).map((b) => ({ kind: b.kind, slug: b.slug, title: titleOf(b) })),
      carryBoth: carryingBoth(shelf, slug, keep),
      effects: await work('effects', inForce, { bodies }),
      state,
    };
  },

  mergeCues: (c) =>
    allOrNothing(c, async (tx) => {
      const { slug, keep } = tx.params;
      const now = await shelfInForce(tx.db, { known: tx.inForce });
      if (now.state !== tx.body.state) {
        throw new Refusal(409, 'The library has changed since you looked. Nothing was merged; look again.');
      }
      const proposals = mergedOr422(now.shelf, slug, keep).map((body) => ({
        body,
        base: now.revisions.get(documentId(body)) ?? 0,
      }));
      return saveTogether(tx, proposals, tx.body.reason);
    }),

  peopleAnswering: async ({ db, params, mine }) => {
    const names = new Map(mine.map(({ person }) => [person.id, person.name]));
    const rows = await peopleAnswering(db, params.slug);
    return rows.flatMap((r) => {
      const name = names.get(r.personId);
      return name === undefined ? [] : [{ ...r, name }];
    });
  },

  saveAnswer: async (c) => {
    const { me, params, person, body, today } = c;
    const question = c.inForce.shelf.get('houseQuestion', params.question);
    if (!question) {
      throw new Refusal(422, `question: there is no house question "${params.question}". Nothing was kept.`);
    }
    const own = { ...body, recordedBy: me.name, date: today };
    await allOrNothing(c, (tx) => saveAnswer(tx, person.id, question, own));
    return { ok: true };
  },

  instead: async (c) => {
    const { shelf } = c.inForce;
    const variation = shelf.get('variation', c.params.slug);
    if (!variation) throw new Refusal(404, `There is no variation "${c.params.slug}".`);
    const without = c.query.without ?? [];
    const unknown = without.find((e) => !shelf.get('equipment', e));
    if (unknown) throw new Refusal(422, `without: there is no equipment "${unknown}".`);
    const person = await readerOf(c, c.query.stage);
    const personId = c.about?.person.id;
    // Who covers somebody is told what can be given, not what their body is like.
    const whole = c.about?.hold === 'looks after';
    const body = personId && whole ? (await buildsOf(c.db, [personId]))[0] : undefined;
    const restrictions = (
      (personId && (await openRestrictions(c.db, [personId])).get(personId)) ||
      []
    ).filter((r) => isInForce(r, c.today));
    return insteadOf(variation, shelf, {
      build: (body && personalBuild(body)?.build) ?? REFERENCE_BUILD,
      without,
      person,
      barred: (v) => {
        const [bar] = barring(restrictions, factsOf(resolve(v, shelf, person)));
        if (!bar) return null;
        return `barred: ${bar.bars.map(barSentence).join(', ')}${whole ? ` (${bar.saidBy})` : ''}`;
      },
    });
  },
});

function mergedOr422(shelf: Shelf, drop: string, keep: string): Body[] {
  try {
    return mergeCues(shelf, drop, keep);
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal(422, `${error.message} Nothing was merged.`);
    throw error;
  }
}
