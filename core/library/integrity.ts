import { levelNamedBy, criterionProblems, leavesOf } from '../criterion/index.ts';
import type { Body, Ladder } from './documents.ts';
import { KIND_WORDS } from './documents.ts';
import { answerReferencesOf, criteriaOf, referencesOf } from './references.ts';
import { documentId, shelfOf } from './shelf.ts';
import type { Shelf } from './shelf.ts';

/** A reason why a set of documents may not be in force together. */
export interface Breach {
  /** `kind/slug` of the document at fault. */
  document: string;
  path: string;
  problem: string;
}

/**
 * What blocks acceptance: references that lead nowhere or to something retired, answers that the
 * question does not have, doubled level names and cycles. Returns an empty list for a sound library.
 */
export function breachesOf(shelf: Shelf): Breach[] {
  const breaches: Breach[] = [];
  for (const body of shelf.everything()) {
    const document = documentId(body);
    const say = (path: string, problem: string) => breaches.push({ document, path, problem });
    if (!body.retired) {
      for (const ref of referencesOf(body)) {
        const target = shelf.get(ref.kind, ref.slug);
        if (!target) say(ref.path, `There is no ${KIND_WORDS[ref.kind]} "${ref.slug}".`);
        else if (target.retired) say(ref.path, `The ${KIND_WORDS[ref.kind]} "${ref.slug}" is retired.`);
      }
      for (const ref of answerReferencesOf(body)) {
        const question = shelf.get('houseQuestion', ref.question);
        if (question && !question.answers.some((a) => a.id === ref.answer)) {
          say(ref.path, `The house question "${ref.question}" has no answer "${ref.answer}".`);
        }
      }
    }
    for (const [path, problem] of ownBreaches(body, shelf)) say(path, problem);
  }
  return [...breaches, ...entryCycles(shelf)];
}

/** The documents with some of them replaced, as they would stand after a change. */
export function withChanges(shelf: Shelf, bodies: readonly Body[]): Shelf {
  return shelfOf([...shelf.everything(), ...bodies], shelf.kit);
}

const doubled = (ids: readonly string[]) => ids.filter((id, i) => ids.indexOf(id) !== i);

/** What is unfit in the criteria of a ladder, each with its place. */
export const criterionBreaches = (ladder: Ladder): [string, string][] =>
  ladder.levels.flatMap((level, i) =>
    criteriaOf(level).flatMap(({ path, criterion }) =>
      criterionProblems(criterion).map((problem): [string, string] => [`levels[${i}].${path}`, problem]),
    ),
  );

function branchBreaches({ branchOf, pattern, slug }: Ladder, shelf: Shelf): [string, string][] {
  const trunk = branchOf && shelf.get('ladder', branchOf.ladder);
  if (!branchOf || !trunk) return [];
  const at = trunk.levels.findIndex((l) => l.id === branchOf.level);
  const say = (problem: string): [string, string][] => [['branchOf', problem]];
  if (trunk.slug === slug) return say('A ladder is no branch of itself.');
  if (trunk.branchOf) return say(`"${trunk.name}" is a branch itself: branches leave a trunk.`);
  if (trunk.pattern !== pattern) return say(`A branch has the pattern of its trunk, ${trunk.pattern}.`);
  if (at === -1) return say(`The ladder "${trunk.slug}" has no level "${branchOf.level}".`);
  // The top is never left upwards, and so never held.
  if (at === trunk.levels.length - 1)
    return say(`"${trunk.levels[at]!.name}" is the top of the trunk: name a level below it.`);
  return [];
}

function ownBreaches(body: Body, shelf: Shelf): [string, string][] {
  switch (body.kind) {
    case 'ladder': {
      const found: [string, string][] = doubled(body.levels.map((l) => l.id)).map((id) => [
        'levels',
        `Two levels are called "${id}".`,
      ]);
      found.push(...criterionBreaches(body), ...branchBreaches(body, shelf));
      body.levels.forEach((level, i) => {
        for (const { variation } of level.equalLoads ?? []) {
          if (!level.equals.includes(variation))
            found.push([`levels[${i}].equalLoads`, `"${variation}" is no equal of this level.`]);
        }
        for (const need of level.entryNeeds) {
          const ladder = shelf.get('ladder', need.ladder);
          if (ladder && !ladder.levels.some((l) => l.id === need.level)) {
            found.push([
              `levels[${i}].entryNeeds`,
              `The ladder "${need.ladder}" has no level "${need.level}".`,
            ]);
          }
        }
        for (const { path, criterion } of criteriaOf(level)) {
          for (const atom of leavesOf(criterion)) {
            const named = levelNamedBy(atom);
            const ladder = named && shelf.get('ladder', named.ladder);
            if (named && ladder && !ladder.levels.some((l) => l.id === named.level)) {
              found.push([
                `levels[${i}].${path}`,
                `The ladder "${named.ladder}" has no level "${named.level}".`,
              ]);
            }
          }
        }
      });
      const known = new Set(body.levels.map((l) => l.id));
      (body.demandAnswers ?? []).forEach((a, i) => {
        for (const id of [a.from, a.to]) {
          if (id !== undefined && !known.has(id)) {
            found.push([`demandAnswers[${i}]`, `There is no level "${id}".`]);
          }
        }
      });
      return found;
    }
    case 'houseQuestion': {
      const known = new Set(body.answers.map((a) => a.id));
      const given: [string, string][] = [
        ['hall.answer', body.hall.answer],
        ...body.byStage.map((s, i): [string, string] => [`byStage[${i}].answer`, s.answer]),
        ...(body.byPattern ?? []).map((s, i): [string, string] => [`byPattern[${i}].answer`, s.answer]),
        ...body.byLoad.map((s, i): [string, string] => [`byLoad[${i}].answer`, s.answer]),
        ...body.byVariation.map((s, i): [string, string] => [`byVariation[${i}].answer`, s.answer]),
      ];
      return [
        ...doubled(body.answers.map((a) => a.id)).map((id): [string, string] => [
          'answers',
          `Two answers are called "${id}".`,
        ]),
        ...given
          .filter(([, answer]) => !known.has(answer))
          .map(([path, answer]): [string, string] => [path, `There is no answer "${answer}".`]),
      ];
    }
    case 'fault': {
      const causes = new Set(body.causes.map((c) => c.id));
      const named = [
        ...body.checks.flatMap((check, i) =>
          check.results.flatMap((r, j) => [
            ...r.pointsTo.map((id): [string, string] => [`checks[${i}].results[${j}].pointsTo`, id]),
            ...(r.weights ?? []).map((w): [string, string] => [
              `checks[${i}].results[${j}].weights`,
              w.cause,
            ]),
          ]),
        ),
        ...body.answers.flatMap((a, i) =>
          (a.causes ?? []).map((id): [string, string] => [`answers[${i}].causes`, id]),
        ),
      ];
      return [
        ...doubled(body.causes.map((c) => c.id)).map((id): [string, string] => [
          'causes',
          `Two causes are called "${id}".`,
        ]),
        ...named
          .filter(([, id]) => !causes.has(id))
          .map(([path, id]): [string, string] => [path, `There is no cause "${id}".`]),
      ];
    }
    default:
      return [];
  }
}

/** Levels that need each other across ladders could never be entered. */
function entryCycles(shelf: Shelf): Breach[] {
  const needs = new Map<string, string[]>();
  for (const ladder of shelf.all('ladder')) {
    ladder.levels.forEach((level, i) => {
      const before = ladder.levels[i - 1];
      needs.set(`${ladder.slug}/${level.id}`, [
        ...level.entryNeeds.map((n) => `${n.ladder}/${n.level}`),
        ...(ladder.branchOf && i === 0 ? [`${ladder.branchOf.ladder}/${ladder.branchOf.level}`] : []),
        // What a level below asks has to be held before one is here at all.
        ...(before ? leavesOf(before.advance) : []).flatMap((a) => {
          const named = levelNamedBy(a);
          return named ? [`${named.ladder}/${named.level}`] : [];
        }),
        ...(before ? [`${ladder.slug}/${before.id}`] : []),
      ]);
    });
  }
  const state = new Map<string, 'open' | 'done'>();
  const breaches: Breach[] = [];
  const visit = (node: string, trail: readonly string[]): void => {
    if (state.get(node) === 'done') return;
    if (state.get(node) === 'open') {
      const loop = [...trail.slice(trail.indexOf(node)), node].join(' → ');
      breaches.push({
        document: `ladder/${node.split('/')[0]}`,
        path: 'levels',
        problem: `These levels need each other: ${loop}.`,
      });
      return;
    }
    state.set(node, 'open');
    for (const next of needs.get(node) ?? []) visit(next, [...trail, node]);
    state.set(node, 'done');
  };
  for (const node of needs.keys()) visit(node, []);
  return breaches;
}
