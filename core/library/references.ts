import { levelNamedBy, leavesOf } from '../criterion/index.ts';
import type { RuledCriterion } from '../criterion/index.ts';
import type { Body, Level } from './documents.ts';
import type { HoldsUnder } from './line.ts';
import type { Kind } from './kinds/kind.ts';
import type { Predicate } from './predicates.ts';

/** A place in a document that names another document. */
export interface Reference {
  /** Where it stands, e.g. `cues[2]`. */
  path: string;
  kind: Kind;
  slug: string;
}

/** An answer named beside a question must be one of the question's own. */
export interface AnswerReference {
  path: string;
  question: string;
  answer: string;
}

/** Every document that the body names. */
export function referencesOf(body: Body): Reference[] {
  const found: Reference[] = [];
  const add = (kind: Kind, path: string, slug: string | undefined) => {
    if (slug !== undefined) found.push({ kind, path, slug });
  };
  switch (body.kind) {
    case 'variation':
      body.cues.forEach((s, i) => add('cue', `cues[${i}]`, s));
      body.faults.forEach((f, i) => add('fault', `faults[${i}].fault`, f.fault));
      body.extraCautions.forEach((s, i) => add('caution', `extraCautions[${i}]`, s));
      body.drills.forEach((s, i) => add('variation', `drills[${i}]`, s));
      body.equipmentAll.forEach((n, i) => add('equipment', `equipmentAll[${i}].equipment`, n.equipment));
      body.equipmentAny.forEach((group, i) =>
        group.forEach((n, j) => add('equipment', `equipmentAny[${i}][${j}].equipment`, n.equipment)),
      );
      break;
    case 'cue':
      add('fault', 'addresses', body.addresses);
      body.alsoAddresses?.forEach((f, i) => add('fault', `alsoAddresses[${i}]`, f));
      break;
    case 'fault':
      body.answers.forEach((a, i) => {
        add('cue', `answers[${i}].cue`, a.cue);
        add('variation', `answers[${i}].variation`, a.variation);
        a.equipment.forEach((e, j) => add('equipment', `answers[${i}].equipment[${j}]`, e));
      });
      body.checks.forEach((c, i) =>
        (c.equipment ?? []).forEach((e, j) => add('equipment', `checks[${i}].equipment[${j}]`, e)),
      );
      body.chain.forEach((c, i) => add('variation', `chain[${i}].variation`, c.variation));
      break;
    case 'caution':
      predicateReferences(body.appliesTo, 'appliesTo', add);
      break;
    case 'equipment':
      body.equals.forEach((s, i) => add('equipment', `equals[${i}]`, s));
      break;
    case 'houseQuestion':
      body.byVariation.forEach((v, i) => add('variation', `byVariation[${i}].variation`, v.variation));
      break;
    case 'drillList':
      body.drills.forEach((s, i) => add('variation', `drills[${i}]`, s));
      break;
    case 'ladder':
      add('ladder', 'branchOf.ladder', body.branchOf?.ladder);
      body.levels.forEach((l, i) => {
        add('variation', `levels[${i}].main`, l.main);
        l.equals.forEach((s, j) => add('variation', `levels[${i}].equals[${j}]`, s));
        (l.equalLoads ?? []).forEach((e, j) =>
          add('variation', `levels[${i}].equalLoads[${j}].variation`, e.variation),
        );
        l.entryNeeds.forEach((n, j) => add('ladder', `levels[${i}].entryNeeds[${j}].ladder`, n.ladder));
        for (const { path, criterion } of criteriaOf(l)) {
          for (const atom of leavesOf(criterion)) {
            add('ladder', `levels[${i}].${path}`, levelNamedBy(atom)?.ladder);
          }
        }
        l.waysOn.forEach((w, j) => {
          if (w.way === 'load') add('equipment', `levels[${i}].waysOn[${j}].equipment`, w.equipment);
        });
      });
      break;
  }
  for (const { path, question } of answerReferencesOf(body)) add('houseQuestion', path, question);
  return found;
}

/** Every criterion of a level, with its place in the document. */
export function criteriaOf(level: Level): { path: string; criterion: RuledCriterion }[] {
  return [
    { path: 'advance', criterion: level.advance },
    { path: 'stepBack', criterion: level.stepBack },
    ...(level.interval
      ? [
          { path: 'interval.advance', criterion: level.interval.advance },
          { path: 'interval.stepBack', criterion: level.interval.stepBack },
        ]
      : []),
    ...(level.variants ?? []).flatMap((v, i) => [
      { path: `variants[${i}].advance`, criterion: v.advance },
      { path: `variants[${i}].stepBack`, criterion: v.stepBack },
    ]),
  ];
}

function predicateReferences(
  p: Predicate,
  path: string,
  add: (kind: Kind, path: string, slug: string) => void,
): void {
  if (p.test === 'all' || p.test === 'any')
    p.of.forEach((q, i) => predicateReferences(q, `${path}.of[${i}]`, add));
  else if (p.test === 'not') predicateReferences(p.of, `${path}.of`, add);
  else if (p.test === 'equipment') p.is.forEach((s, i) => add('equipment', `${path}.is[${i}]`, s));
}

/** Every answer to a house question that the body leans on, wherever a line or number stands. */
export function answerReferencesOf(body: Body): AnswerReference[] {
  const found: AnswerReference[] = [];
  const walk = (value: unknown, path: string): void => {
    if (Array.isArray(value)) {
      value.forEach((v, i) => walk(v, `${path}[${i}]`));
    } else if (typeof value === 'object' && value !== null) {
      for (const [key, inner] of Object.entries(value)) {
        const at = path ? `${path}.${key}` : key;
        if (key === 'holdsUnder') {
          for (const [question, answers] of Object.entries(inner as HoldsUnder)) {
            for (const answer of answers) found.push({ path: `${at}.${question}`, question, answer });
          }
        } else walk(inner, at);
      }
      if ('question' in value && 'byAnswer' in value && typeof value.question === 'string') {
        for (const answer of Object.keys(value.byAnswer as object)) {
          found.push({ path: `${path}.byAnswer`, question: value.question, answer });
        }
      }
    }
  };
  walk(body, '');
  return found;
}

/**
 * Documents with all that they name, what that names, and so on; each once.
 * @param find the document that is named; nothing: it is not to come along
 * @param follows whether a reference of a document is followed; absent: each
 */
export function withAllNamed(
  start: Iterable<Body>,
  find: (of: Reference) => Body | undefined,
  follows: (from: Body, to: Reference) => boolean = () => true,
): Set<Body> {
  const all = new Set(start);
  // A set goes on through what is added to it on the way.
  for (const body of all) {
    for (const ref of referencesOf(body)) {
      const named = follows(body, ref) ? find(ref) : undefined;
      if (named) all.add(named);
    }
  }
  return all;
}
