import { personalBuild, REFERENCE_BUILD } from '../../core/body/index.ts';
import { adjusted, demandOf, insteadOf, TIE_POINTS } from '../../core/demand/index.ts';
import { barring, barSentence, factsOf, inForce as restrictionInForce } from '../../core/ladder/index.ts';
import {
  breachesOf,
  carryingBoth,
  documentId,
  effectsOf,
  findingsOfChange,
  healthOf,
  KINDS,
  mergeCues,
  resolve,
  titleOf,
  withChanges,
} from '../../core/library/index.ts';
import type { Body, Finding, HealthInput, Shelf } from '../../core/library/index.ts';
import { bodySchema, checkSchema, mergeSchema } from '../../contract/library.ts';
import type { CheckRequest, CheckResult, Health, MergePlan, MergeRequest } from '../../contract/library.ts';
import { personAnswerSchema } from '../../contract/people.ts';
import type { PersonAnswerRequest } from '../../contract/people.ts';
import { hallToday } from '../hall/index.ts';
import { bodyOf, fieldOf, idOf, meOf, Refusal } from '../http.ts';
import type { App, Services } from '../http.ts';
import { buildsOf, openRestrictions, peopleAnswering, personList, saveAnswer } from '../people/index.ts';
import { changeDetail, saveTogether } from './changes.ts';
import { personAskedFor, readerOf } from './reader.ts';
import { editionHeader, inForce, shelfInForce } from './shelf.ts';

const inputOn = (today: string): HealthInput => ({
  today,
  tiePoints: TIE_POINTS,
  points: (v, mechanics) =>
    adjusted({
      demand: demandOf(REFERENCE_BUILD, mechanics),
      adjustment: v.demandAdjustment?.points ?? 0,
    }),
});

// A shelf never changes once read: its health differs only with the day.
const known = new WeakMap<Shelf, { today: string; findings: Finding[] }>();

function healthOn(shelf: Shelf, today: string): Finding[] {
  const before = known.get(shelf);
  if (before?.today === today) return before.findings;
  const findings = healthOf(shelf, inputOn(today));
  known.set(shelf, { today, findings });
  return findings;
}

/** What the library says about itself, and about a change before it is made. */
export function adviceRoutes(app: App, s: Services): void {
  app.get('/api/library/health', async (c) => {
    const { shelf } = await shelfInForce(s.db);
    const answer: Health = {
      findings: healthOn(shelf, await hallToday(s.db, s.clock())),
      edition: await editionHeader(s.db),
      documents: shelf.everything().length,
    };
    return c.json(answer);
  });

  app.post('/api/library/check', async (c) => {
    const { items } = await bodyOf<CheckRequest>(c, checkSchema);
    const { shelf } = await shelfInForce(s.db);
    return c.json(checked(shelf, items, await hallToday(s.db, s.clock())));
  });

  app.get('/api/changes/:id/check', async (c) => {
    const { items } = await changeDetail(s.db, idOf(c));
    const { shelf } = await shelfInForce(s.db);
    return c.json(
      checked(
        shelf,
        items.map((i) => i.proposed),
        await hallToday(s.db, s.clock()),
      ),
    );
  });

  app.get('/api/library/cue/:slug/merge/:keep', async (c) => {
    const { slug, keep } = c.req.param();
    const { shelf, state } = await shelfInForce(s.db);
    const bodies = mergedOr422(shelf, slug, keep);
    const answer: MergePlan = {
      documents: bodies.slice(1).map((b) => ({ kind: b.kind, slug: b.slug, title: titleOf(b) })),
      carryBoth: carryingBoth(shelf, slug, keep),
      effects: effectsOf(shelf, withChanges(shelf, bodies), bodies),
      state,
    };
    return c.json(answer);
  });

  app.post('/api/library/cue/:slug/merge/:keep', async (c) => {
    const { slug, keep } = c.req.param();
    const { reason, state } = await bodyOf<MergeRequest>(c, mergeSchema);
    const me = meOf(c);
    const at = s.clock();
    const result = await s.db.transaction(async (tx) => {
      const now = await shelfInForce(tx);
      if (now.state !== state) {
        throw new Refusal(409, 'The library has changed since you looked. Nothing was merged; look again.');
      }
      const proposals = mergedOr422(now.shelf, slug, keep).map((body) => ({
        body,
        base: now.revisions.get(documentId(body)) ?? 0,
      }));
      return saveTogether(tx, me, proposals, reason, at);
    });
    return c.json(result);
  });

  app.get('/api/library/houseQuestion/:slug/people', async (c) => {
    const names = new Map((await personList(s.db)).map((p) => [p.id, p.name]));
    const rows = await peopleAnswering(s.db, c.req.param('slug'));
    return c.json(rows.map((r) => ({ ...r, name: names.get(r.personId) ?? '' })));
  });

  app.put('/api/people/:id/answers/:question', async (c) => {
    const id = idOf(c);
    const slug = c.req.param('question');
    const request = await bodyOf<PersonAnswerRequest>(c, personAnswerSchema);
    const found = await inForce(s.db, 'houseQuestion', slug);
    if (found?.body.kind !== 'houseQuestion') {
      throw new Refusal(422, `question: there is no house question "${slug}". Nothing was kept.`);
    }
    const date = await hallToday(s.db, s.clock());
    await saveAnswer(s.db, id, found.body, { ...request, recordedBy: meOf(c).name, date });
    return c.json({ ok: true });
  });

  app.get('/api/instead/:slug', async (c) => {
    const slug = c.req.param('slug');
    const { shelf } = await shelfInForce(s.db);
    const variation = shelf.get('variation', slug);
    if (!variation) throw new Refusal(404, `There is no variation "${slug}".`);
    const without = (c.req.query('without') ?? '').split(',').filter(Boolean);
    const unknown = without.find((e) => !shelf.get('equipment', e));
    if (unknown) throw new Refusal(422, `without: there is no equipment "${unknown.slice(0, 80)}".`);
    const person = await readerOf(c, s);
    const personId = personAskedFor(c);
    const today = await hallToday(s.db, s.clock());
    const body = personId ? (await buildsOf(s.db, personId))[0] : undefined;
    const restrictions = (
      (personId && (await openRestrictions(s.db, [personId])).get(personId)) ||
      []
    ).filter((r) => restrictionInForce(r, today));
    return c.json(
      insteadOf(variation, shelf, {
        build: (body && personalBuild(body)?.build) ?? REFERENCE_BUILD,
        without,
        person,
        barred: (v) => {
          const [bar] = barring(restrictions, factsOf(resolve(v, shelf, person)));
          return bar ? `barred: ${bar.bars.map(barSentence).join(', ')} (${bar.saidBy})` : null;
        },
      }),
    );
  });
}

function mergedOr422(shelf: Shelf, drop: string, keep: string): Body[] {
  try {
    return mergeCues(shelf, drop, keep);
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal(422, `${error.message} Nothing was merged.`);
    throw error;
  }
}

/** What these documents would do if they were in force; what cannot be read is told by field. */
function checked(shelf: Shelf, items: readonly Body[], today: string): CheckResult {
  const errors: CheckResult['errors'] = [];
  for (const item of items) {
    const document = KINDS.includes(item.kind) ? `${item.kind}/${String(item.slug)}` : 'document';
    for (const d of bodySchema.validate(item).error?.details ?? []) {
      errors.push({ document, ...fieldOf(d) });
    }
  }
  if (errors.length > 0) return { errors, breaches: [], findings: [], effects: null };
  const after = withChanges(shelf, items);
  const breaches = breachesOf(after);
  const findings =
    breaches.length > 0 ? [] : findingsOfChange(() => healthOn(shelf, today), after, items, inputOn(today));
  return { errors, breaches, findings, effects: effectsOf(shelf, after, items) };
}
