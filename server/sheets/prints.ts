import { sideWorkOf } from '../../core/terms/index.ts';
import type { IsoDate } from '../../core/terms/index.ts';
import { judge } from '../../core/floor/index.ts';
import type { PersonRecords } from '../../core/floor/index.ts';
import type { PrintJob, PrintedLevel, PrintedSheet, PrintedVariation } from '../../contract/sheets.ts';
import { fitCard, settingsOf } from '../../core/kit/index.ts';
import type { RunBody } from '../../core/kit/index.ts';
import { doseWords } from '../../core/dose/index.ts';
import { barring, factsOf, readingOf } from '../../core/ladder/index.ts';
import { lastAids, lastSettings } from '../../core/log/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { branchesTaught, resolve, resolveLadder, resolveMechanics } from '../../core/library/index.ts';
import type { Ladder, ResolvedVariation, ShelfInForce, Variation } from '../../core/library/index.ts';
import { BARRED, SHEET_WORDS, warmUpFor } from '../../core/sheets/index.ts';
import type { JobItem } from '../../core/sheets/index.ts';
import type { OpenContext } from '../endpoint.ts';
import { editionHeader } from '../hall/index.ts';
import { Refusal } from '../http.ts';
import { newestWithSettings, recordsOf } from '../log/index.ts';
import { bodiesOf, personOf } from '../people/index.ts';

/** Whom the sheets are for, with what is on record about them. */
interface Reader {
  id: string;
  name: string;
  today: IsoDate;
  records: PersonRecords;
  /** The sets that told aids or settings last, of what is printed. */
  recent: readonly LoggedSet[];
  /** null: nobody has measured them. */
  body: RunBody;
}

/**
 * Everything that a print job prints, in its order, read at one state of the library.
 * @throws Refusal 404 for a person who does not exist
 */
export async function printJob(
  c: OpenContext,
  items: readonly JobItem[],
  personId: string | null,
): Promise<PrintJob> {
  const { db, inForce, hall, today, publicUrl } = c;
  const person = personId ? await personOf(db, personId) : null;
  const reader: Reader | null = person && {
    id: person.id,
    name: person.name,
    today,
    records: (await recordsOf(db, c, [person.id]))(person.id),
    recent:
      (
        await newestWithSettings(
          db,
          [person.id],
          items.flatMap((i) => i.of),
        )
      ).get(person.id) ?? [],
    body: (await bodiesOf(c, [person.id])).get(person.id) ?? null,
  };
  const missing: string[] = [];
  const sheets = items.flatMap((item): PrintedSheet[] => {
    const sheet = sheetOf(item, inForce, reader);
    if (sheet === null) missing.push(`${SHEET_WORDS[item.kind]}: ${item.of.join(', ')}`);
    return sheet ? [sheet] : [];
  });
  if (!hall) throw new Refusal(404, 'There is no hall yet.');
  const { name, paper, massUnit, lengthUnit, dates } = hall;
  return {
    sheets,
    person: person && { id: person.id, name: person.name },
    hall: { name, paper, massUnit, lengthUnit, dates, today },
    edition: await editionHeader(db),
    state: inForce.state,
    publicUrl,
    missing,
    until: null,
  };
}

function sheetOf(item: JobItem, inForce: ShelfInForce, reader: Reader | null): PrintedSheet | null {
  const { shelf } = inForce;
  if (item.kind === 'poster') {
    const ladder = shelf.get('ladder', item.of[0]!);
    return ladder && !ladder.retired ? posterOf(item, ladder, inForce, reader) : null;
  }
  const variations = item.of.flatMap((slug) => shelf.get('variation', slug) ?? []).filter((v) => !v.retired);
  if (variations.length === 0) return null;
  if (item.kind === 'log')
    return { kind: 'log', item, of: variations.map((v) => printed(v, inForce, reader)) };
  if (item.kind === 'warm-up') return warmUpOf(item, variations, inForce, reader);
  return { kind: item.kind, item, of: printed(variations[0]!, inForce, reader) };
}

function warmUpOf(
  item: JobItem,
  work: readonly Variation[],
  inForce: ShelfInForce,
  reader: Reader | null,
): PrintedSheet {
  const { shelf } = inForce;
  const warmUp = warmUpFor({
    shelf,
    work,
    ...(reader ? { person: { stage: 'sound', answers: reader.records.answers } } : {}),
    // What is barred, and who said so, is for the staff: paper hangs on walls and links are passed on.
    barred: (v) => (reader && isBarred(resolve(v, shelf), reader) ? BARRED : null),
  });
  return {
    kind: 'warm-up',
    item,
    of: work.map((v) => v.shortName),
    seconds: warmUp.seconds,
    leftOut: warmUp.leftOut,
    entries: warmUp.entries.map(({ variation, ...e }) => ({ of: printed(variation, inForce, reader), ...e })),
  };
}

function posterOf(
  item: JobItem,
  ladder: Ladder,
  { shelf }: ShelfInForce,
  reader: Reader | null,
): PrintedSheet {
  const settled = resolveLadder(ladder, shelf, reader?.records.answers);
  const nameOf = (slug: string) => shelf.get('variation', slug)?.shortName ?? slug;
  return {
    kind: 'poster',
    item,
    ladder: settled,
    standing: reader ? (standingOn(ladder, reader)?.level ?? null) : null,
    branches: branchesTaught(shelf, ladder, reader?.records.answers).map((b) => ({
      from: b.branchOf!.level,
      name: b.name,
      steps: b.levels.map((l) => l.name),
      standing: b.levels.find((l) => l.id === (reader && standingOn(b, reader)?.level))?.name ?? null,
    })),
    levels: settled.levels.flatMap((l): PrintedLevel[] => {
      const main = shelf.get('variation', l.main);
      if (!main) return [];
      const { reps, ...dose } = l.dose;
      return [
        {
          id: l.id,
          name: l.name,
          pattern: main.pattern,
          mechanics: resolveMechanics(main, shelf, {
            stage: l.stage,
            answers: reader?.records.answers ?? {},
          }),
          main: main.name,
          equals: l.equals.map(nameOf),
          dose: doseWords(
            { role: 'work', ...dose, ...(reps === undefined ? {} : { repsFrom: reps, repsTo: reps }) },
            sideWorkOf(main),
          ),
          advance: l.advance,
        },
      ];
    }),
  };
}

/** A variation as it is printed for somebody: with the cues of their stage, their dose, and what they used last. */
function printed(v: Variation, inForce: ShelfInForce, reader: Reader | null): PrintedVariation {
  const { shelf, revisions } = inForce;
  const revision = revisions.get(`variation/${v.slug}`) ?? 0;
  if (!reader)
    return {
      resolved: resolve(v, shelf),
      revision,
      stage: null,
      target: null,
      lastAids: null,
      lastSettings: null,
      setTo: [],
      barred: false,
    };
  const { stage, target, ladder } = readingOf(v.slug, shelf, reader.records.standings);
  const on = ladder === null ? undefined : shelf.get('ladder', ladder);
  // Paper asks for what the floor asks: raised to what was done, or less after pain.
  const { decision } = on
    ? judge({ inForce, today: reader.today }, on, reader.records, { foretell: false })
    : { decision: null };
  const resolved = resolve(v, shelf, { stage, answers: reader.records.answers });
  return {
    resolved,
    barred: isBarred(resolved, reader),
    revision,
    stage,
    target: decision?.plan.target ?? target,
    lastAids: lastAids(reader.recent, v.slug)?.used ?? null,
    lastSettings: lastSettings(reader.recent, v.slug)?.used ?? null,
    setTo: reader.body
      ? settingsOf(fitCard(resolved, shelf, { ...reader.body, loadKg: decision?.plan.target.loadKg ?? null }))
      : [],
  };
}

const isBarred = (v: ResolvedVariation, reader: Reader) =>
  barring(reader.records.restrictions, factsOf(v)).length > 0;

const standingOn = (ladder: Ladder, reader: Reader) => reader.records.standings.get(ladder.slug);
