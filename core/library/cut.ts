import type { Pattern } from '../terms/index.ts';
import { levelNamedBy, leavesOf } from '../criterion/index.ts';
import type { Body, Fault, Ladder, Variation } from './documents.ts';
import { criteriaOf, withAllNamed } from './references.ts';
import type { Reference } from './references.ts';
import { documentId } from './shelf.ts';

/**
 * A library cut down to one pattern, whole in itself: its ladders, its variations with what they name, the cautions
 * that apply, and the house questions that any of it leans on. What points out of it goes: an answer keeps its words
 * without the variation, a level keeps no need of another pattern’s ladder.
 * @param bodies a library without broken references
 */
export function cutToPattern(bodies: readonly Body[], pattern: Pattern): Body[] {
  const all = new Map(bodies.map((b) => [documentId(b), b]));
  const ladders = bodies.filter(
    (b): b is Ladder => b.kind === 'ladder' && b.pattern === pattern && standsAlone(b, all, pattern),
  );
  const start = bodies.filter(
    (b) =>
      b.kind === 'caution' || ((b.kind === 'variation' || b.kind === 'drillList') && b.pattern === pattern),
  );
  const kept = withAllNamed([...ladders, ...start], (ref) => all.get(documentId(ref)), staysInside);
  const isKept: IsKept = (kind, slug) => {
    const body = all.get(documentId({ kind, slug }));
    return body !== undefined && kept.has(body);
  };
  const climbed = new Set(ladders.flatMap((l) => l.levels.flatMap((x) => [x.main, ...x.equals])));
  return bodies
    .filter((b) => kept.has(b))
    .map((b) =>
      // Of another pattern it is here to prepare, and nothing easier has to be there for it.
      b.kind === 'variation' && b.pattern !== pattern && b.roles.includes('prepare') && !climbed.has(b.slug)
        ? { ...b, roles: ['prepare' as const] }
        : inwards(b, isKept),
    );
}

/** A fault of the pattern answers in words, a cue without the fault that it is against; ladders come by themselves. */
const staysInside = (from: Body, to: Reference): boolean =>
  !(from.kind === 'fault' && to.kind === 'variation') &&
  !(from.kind === 'cue' && to.kind === 'fault') &&
  from.kind !== 'houseQuestion' &&
  to.kind !== 'ladder';

/** A branch whose trunk goes, or a ladder with a criterion on another pattern’s level, cannot stand without it. */
function standsAlone(ladder: Ladder, all: ReadonlyMap<string, Body>, pattern: Pattern): boolean {
  const inside = (slug: string) => {
    const other = all.get(documentId({ kind: 'ladder', slug }));
    return other?.kind === 'ladder' && other.pattern === pattern;
  };
  return (
    (ladder.branchOf === undefined || inside(ladder.branchOf.ladder)) &&
    ladder.levels.every((l) =>
      criteriaOf(l).every(({ criterion }) =>
        leavesOf(criterion).every((atom) => {
          const named = levelNamedBy(atom)?.ladder;
          return named === undefined || inside(named);
        }),
      ),
    )
  );
}

type IsKept = (kind: Body['kind'], slug: string) => boolean;

/** The document without what points out of the cut. */
function inwards(body: Body, isKept: IsKept): Body {
  switch (body.kind) {
    case 'fault':
      return faultInwards(body, isKept);
    case 'cue': {
      const { addresses, alsoAddresses, ...rest } = body;
      const also = alsoAddresses?.filter((f) => isKept('fault', f)) ?? [];
      return {
        ...rest,
        ...(addresses !== undefined && isKept('fault', addresses) ? { addresses } : {}),
        ...(also.length > 0 ? { alsoAddresses: also } : {}),
      };
    }
    case 'houseQuestion':
      return { ...body, byVariation: body.byVariation.filter((v) => isKept('variation', v.variation)) };
    case 'ladder':
      return {
        ...body,
        levels: body.levels.map((l) => ({
          ...l,
          entryNeeds: l.entryNeeds.filter((n) => isKept('ladder', n.ladder)),
        })),
      };
    default:
      return body;
  }
}

function faultInwards(fault: Fault, isKept: IsKept): Fault {
  const here = <T extends { variation?: Variation['slug'] }>(item: T): T => {
    if (item.variation === undefined || isKept('variation', item.variation)) return item;
    const { variation: _outside, ...rest } = item;
    return rest as T;
  };
  return { ...fault, answers: fault.answers.map(here), chain: fault.chain.map(here) };
}
