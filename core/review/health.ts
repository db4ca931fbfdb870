import {
  fieldsOf,
  needsOf,
  placesOn,
  carries,
  laddersOf,
  LINE_FIELD_WORDS,
  referencesOf,
  LINE_FIELDS,
  resolve,
  resolveMechanics,
  documentId,
  NEAR_DUPLICATE,
  SimilarityIndex,
  wordsIn,
} from '../library/index.ts';
import { LEADING, sheetLines } from '../sheets/index.ts';
import { equalsAmong, fitOf } from '../kit/index.ts';
import { canBeMet, neverMet } from '../criterion/index.ts';
import { factsInIntervals, factsOf } from '../ladder/index.ts';
import type { VariationFacts } from '../log/index.ts';
import type { Body, Kind, Line, Variation, ResolvedVariation, Shelf } from '../library/index.ts';
import type { SettledMechanics } from '../posture/index.ts';

/**
 * What can be wrong with a library that still holds together, in the order in which it is worth mending, and whether it
 * makes a sheet wrong or useless on the floor; the others can wait.
 */
const BLOCKS = {
  'missing field': true,
  'no fault or answer': true,
  'fault without a check': true,
  contradiction: true,
  'caution not shown': true,
  'no measurable way up': true,
  'branch never opens': true,
  'equipment lacking': true,
  'no easier variation': true,
  'near-duplicate cues': false,
  'unused cue': false,
  'cue without its fault': false,
  'cue without plain words': false,
  'overdue review': false,
  'drawn only': false,
} as const;
export type HealthKind = keyof typeof BLOCKS;
export const HEALTH_KINDS = Object.keys(BLOCKS) as HealthKind[];
export const BLOCKING: ReadonlySet<HealthKind> = new Set(HEALTH_KINDS.filter((kind) => BLOCKS[kind]));

export interface Finding {
  kind: HealthKind;
  document: { kind: Kind; slug: string } | null;
  /** What is wrong, with the figures or words that show it. */
  proof: string;
  /** The other document of a pair. */
  other?: { kind: Kind; slug: string };
}

export interface HealthInput {
  /** ISO date of the hall. */
  today: string;
  /** Points that a variation asks of the reference build; null where none are computed. */
  points: (v: Variation, mechanics: SettledMechanics) => number | null;
  /** Points under which two variations count as equal. */
  tiePoints: number;
}

/** Share of work and teaching variations that may be drawn only. */
const DRAWN_SHARE = 0.25;

/**
 * Every finding, in the order of kinds.
 * @param about `kind/slug` of documents: only what they and the sheets that name them give is looked for
 */
export function healthOf(shelf: Shelf, input: HealthInput, about?: ReadonlySet<string>): Finding[] {
  const all = shelf.all('variation').filter((v) => !v.retired);
  const variations = about ? all.filter((v) => names(v, about)) : all;
  const read = new Map(variations.map((v) => [v.slug, resolve(v, shelf)]));
  const guarded = guardedLines(shelf);
  const findings = [
    ...shelf
      .everything()
      .flatMap((b) => (!about || about.has(documentId(b)) ? ownFindings(b, input.today) : [])),
    ...variations.flatMap((v) => sheetFindings(v, read.get(v.slug)!, shelf, guarded)),
    ...cautionFindings(shelf, read),
    ...ladderFindings(shelf, about),
    ...branchFindings(shelf),
    ...kitFindings(shelf, variations),
    ...easierFindings(shelf, variations, all, input),
    ...cueFindings(shelf, about),
    ...drawnFindings(all),
  ];
  return findings.sort((a, b) => HEALTH_KINDS.indexOf(a.kind) - HEALTH_KINDS.indexOf(b.kind));
}

/** Documents that every sheet may feel, though it names them not. */
const FELT_EVERYWHERE: ReadonlySet<Kind> = new Set<Kind>(['houseQuestion', 'caution', 'equipment', 'ladder']);

/**
 * What would be found about changed documents and, where other sheets may feel the change, what would newly be found there.
 * @param before the findings before the change; asked for only where others may feel it
 * @param after the library with the change in it
 */
export function findingsOfChange(
  before: () => readonly Finding[],
  after: Shelf,
  changed: readonly Body[],
  input: HealthInput,
): Finding[] {
  const wide = changed.some((b) => FELT_EVERYWHERE.has(b.kind));
  const found = healthOf(after, input, wide ? undefined : new Set(changed.map(documentId)));
  const about = new Set(changed.flatMap((b) => findingsAbout(found, b)));
  const old = wide ? new Set(before().map((f) => JSON.stringify(f))) : null;
  return found.filter((f) => about.has(f) || (old !== null && !old.has(JSON.stringify(f))));
}

/** Whether a sheet is one of the documents or names one. */
const names = (v: Variation, about: ReadonlySet<string>) =>
  about.has(documentId(v)) || referencesOf(v).some((r) => about.has(`${r.kind}/${r.slug}`));

/** The findings that name a document: what stands beside the form while it is written. */
export const findingsAbout = (findings: readonly Finding[], of: { kind: Kind; slug: string }): Finding[] =>
  findings.filter(
    (f) =>
      (f.document && documentId(f.document) === documentId(of)) ||
      (f.other && documentId(f.other) === documentId(of)),
  );

const said = (line: Line | undefined) => (line?.text.trim() ?? '') !== '';

const LEADING_CUES = LEADING.floor;

const onlyPrepares = (v: Variation) => v.roles.every((r) => r === 'prepare');

function ownFindings(b: Body, today: string): Finding[] {
  if (b.retired) return [];
  const document = { kind: b.kind, slug: b.slug };
  const missing = missingIn(b);
  const found: Finding[] = [];
  if (missing.length > 0) {
    found.push({ kind: 'missing field', document, proof: `Nothing is said under: ${missing.join(', ')}.` });
  }
  if (b.kind === 'fault') {
    if (b.answers.length === 0) {
      found.push({ kind: 'no fault or answer', document, proof: 'The fault has no answer.' });
    }
    if (b.causes.length > 1 && b.checks.length === 0) {
      found.push({
        kind: 'fault without a check',
        document,
        proof: `${b.causes.length} likely causes, and no check that tells them apart.`,
      });
    }
  }
  if (b.reviewBy !== undefined && b.reviewBy < today) {
    found.push({ kind: 'overdue review', document, proof: `Was to be read again by ${b.reviewBy}.` });
  }
  return found;
}

/** Whether nothing is said in a member. */
function isEmpty(value: unknown): boolean {
  if (Array.isArray(value))
    return value.every((x) => typeof x === 'object' && isEmpty(x)) || value.length === 0;
  if (typeof value === 'object' && value !== null && 'text' in value) return !said(value as Line);
  return false;
}

/** What nothing is said under: members that are needed, and what only some documents need. */
function missingIn(b: Body): string[] {
  const onlyDrill = b.kind === 'variation' && onlyPrepares(b);
  const values: Record<string, unknown> = { ...b };
  const missing = Object.entries(fieldsOf(b.kind)).flatMap(([key, f]) => {
    const name = f.needed ?? (onlyDrill ? undefined : f.neededForWork);
    return name !== undefined && isEmpty(values[key]) ? [name] : [];
  });
  switch (b.kind) {
    case 'variation': {
      const undosed = b.roles.filter((r) => !b.dose.some((d) => d.role === r));
      return [...missing, ...undosed.map((r) => `Dose to ${r}`)];
    }
    case 'houseQuestion':
      return [
        ...b.answers.flatMap((a) => (a.reasons.some(said) ? [] : [`Reasons for “${a.name || a.id}”`])),
        ...(b.hall.why.trim() === '' ? ['Why the hall answers so'] : []),
      ];
    default:
      return missing;
  }
}

/** Lines that hold only under some answers, by their words, with the answers of each place they stand in. */
interface Guarded {
  of: (text: string) => readonly { line: Line; document: string }[];
}
const plainWords = (text: string) => wordsIn(text).join(' ');

function guardedLines(shelf: Shelf): Guarded {
  const found = new Map<string, { line: Line; document: string }[]>();
  const walk = (value: unknown, document: string): void => {
    if (Array.isArray(value)) {
      for (const v of value) walk(v, document);
    } else if (typeof value === 'object' && value !== null) {
      if ('holdsUnder' in value && 'text' in value) {
        const line = value as Line;
        const key = plainWords(line.text);
        const list = found.get(key);
        if (list) list.push({ line, document });
        else found.set(key, [{ line, document }]);
      } else for (const inner of Object.values(value)) walk(inner, document);
    }
  };
  for (const b of shelf.everything()) if (!b.retired && b.kind !== 'caution') walk(b, documentId(b));
  // Shared cues and faults stand on many sheets: each text is taken to pieces once.
  const known = new Map<string, readonly { line: Line; document: string }[]>();
  return {
    of(text) {
      let list = known.get(text);
      if (!list) known.set(text, (list = found.get(plainWords(text)) ?? []));
      return list;
    },
  };
}

function sheetFindings(v: Variation, r: ResolvedVariation, shelf: Shelf, guarded: Guarded): Finding[] {
  const document = { kind: v.kind, slug: v.slug };
  const found: Finding[] = [];
  const contradicts = (proof: string) => found.push({ kind: 'contradiction', document, proof });
  if (!onlyPrepares(v) && v.faults.length === 0) {
    found.push({ kind: 'no fault or answer', document, proof: 'The sheet names no fault to look for.' });
  }
  for (const field of LINE_FIELDS) {
    if (v[field].some(said) && r.lines[field].length === 0) {
      contradicts(
        `Every line under “${LINE_FIELD_WORDS[field]}” holds under another answer; the sheet says nothing there.`,
      );
    }
  }
  const cues = v.cues.flatMap((slug) => shelf.get('cue', slug) ?? []);
  if (cues.length >= LEADING_CUES && r.cues.length < LEADING_CUES) {
    contradicts(
      `Of ${cues.length} cues ${cues.length - r.cues.length} contradict the answers in force; fewer than ${LEADING_CUES} are left.`,
    );
  }
  const faults = new Map(r.faults.map((f) => [f.slug, f]));
  for (const { fault: slug } of v.faults) {
    const raw = shelf.get('fault', slug);
    const f = faults.get(slug);
    if (raw && f && raw.answers.length > 0 && f.answers.length === 0) {
      contradicts(`“${f.name}” is a fault here, yet every answer to it contradicts the answers in force.`);
    }
  }
  const noFault = new Set(v.faults.map((f) => f.fault).filter((slug) => !faults.has(slug)));
  for (const c of r.cues) {
    if (c.addresses !== null && noFault.has(c.addresses)) {
      const name = shelf.get('fault', c.addresses)?.name ?? c.addresses;
      contradicts(`The cue “${c.text}” answers “${name}”, which is no fault under the answers in force.`);
    }
  }
  for (const c of r.cues) {
    if (c.addresses !== null && !v.faults.some((f) => f.fault === c.addresses)) {
      const name = shelf.get('fault', c.addresses)?.name ?? c.addresses;
      found.push({
        kind: 'cue without its fault',
        document: { kind: 'variation', slug: v.slug },
        proof: `The cue “${c.text}” answers “${name}”, which is not among the faults to look for here.`,
        other: { kind: 'cue', slug: c.slug },
      });
    }
  }
  // The same words, free here and dropped elsewhere by the very answer that is in force here.
  for (const line of sheetLines('screen', r)) {
    if (line.section.startsWith('Caution')) continue;
    for (const g of guarded.of(line.text)) {
      const [question, allowed] =
        Object.entries(g.line.holdsUnder ?? {}).find(([q, a]) => {
          const now = r.answers[q]?.answer;
          return now !== undefined && !a.includes(now);
        }) ?? [];
      if (question === undefined) continue;
      contradicts(
        `“${line.text}” (${line.section}) is printed, while ${g.document} says the same only where ${question} is ${allowed!.join(' or ')}; here it is ${r.answers[question]!.answer}.`,
      );
    }
  }
  return found;
}

function cautionFindings(shelf: Shelf, read: ReadonlyMap<string, ResolvedVariation>): Finding[] {
  return shelf.all('caution').flatMap((c): Finding[] => {
    const bound = [...read.values()].filter((r) => carries(r.source, c));
    const silent = bound.filter(
      (r) => !r.cautions.some((x) => x.slug === c.slug && x.lines.some((l) => l.trim() !== '')),
    );
    if (silent.length === 0) return [];
    const names = silent.slice(0, 3).map((r) => r.source.name);
    const more = silent.length > 3 ? ` and ${silent.length - 3} more` : '';
    return [
      {
        kind: 'caution not shown',
        document: { kind: 'caution', slug: c.slug },
        proof: `“${c.name}” holds for ${names.join(', ')}${more}, and no sheet shows it: it ${c.retired ? 'is retired' : 'has no words'}.`,
      },
    ];
  });
}

/** Levels whose criteria ask what their variations can never show. */
function ladderFindings(shelf: Shelf, about?: ReadonlySet<string>): Finding[] {
  return shelf
    .all('ladder')
    .filter((l) => !l.retired)
    .flatMap((ladder) =>
      ladder.levels.flatMap((level) =>
        [level.main, ...level.equals].flatMap((slug): Finding[] => {
          const v = shelf.get('variation', slug);
          if (!v || (about && !about.has(documentId(ladder)) && !about.has(documentId(v)))) return [];
          const facts = factsOf(resolve(v, shelf, { stage: level.stage, answers: {} }));
          const never = (advance: typeof level.advance, f: VariationFacts, how: string): Finding[] => {
            if (canBeMet(advance, f)) return [];
            const why = [...new Set(neverMet(advance, f).map((n) => n.why))].join(' ');
            return [
              {
                kind: 'no measurable way up',
                document: { kind: 'ladder', slug: ladder.slug },
                proof: `Level "${level.name}": nobody can move up by ${v.name}${how}. ${why}`,
                ...(slug === level.main ? {} : { other: { kind: 'variation', slug } }),
              },
            ];
          };
          return [
            ...never(level.advance, facts, ''),
            ...(level.interval
              ? never(level.interval.advance, factsInIntervals(facts), ' in intervals')
              : []),
          ];
        }),
      ),
    );
}

/** Who stands on the top of a trunk has nothing above to show that they hold it. */
function branchFindings(shelf: Shelf): Finding[] {
  return laddersOf(shelf).flatMap((branch): Finding[] => {
    const trunk = branch.branchOf && shelf.get('ladder', branch.branchOf.ladder);
    const top = trunk?.levels.at(-1);
    if (!trunk || top?.id !== branch.branchOf?.level) return [];
    return [
      {
        kind: 'branch never opens',
        document: { kind: 'ladder', slug: branch.slug },
        proof: `It leaves from “${top!.name}”, the top of ${trunk.name}: nobody gets beyond it, so nobody holds it. Let it leave from a level below.`,
        other: { kind: 'ladder', slug: trunk.slug },
      },
    ];
  });
}

function kitFindings(shelf: Shelf, variations: readonly Variation[]): Finding[] {
  const equipment = new Map(shelf.all('equipment').map((e) => [e.slug, e]));
  const equals = equalsAmong(equipment.values());
  const has = (slug: string) => (equipment.has(slug) ? shelf.have(slug) : 0);
  return variations.flatMap((v): Finding[] => {
    const needs = needsOf(v);
    const { missing } = fitOf(needs, has, equals);
    const many = (slug: string) => needs.counts.get(slug) ?? 1;
    return missing.map((slug) => ({
      kind: 'equipment lacking',
      document: { kind: 'variation', slug: v.slug },
      proof: `Needs ${many(slug) > 1 ? `${many(slug)} × ` : ''}${equipment.get(slug)?.name ?? slug}; the hall has ${has(slug) || 'none'}, and no equal of it.`,
      other: { kind: 'equipment', slug },
    }));
  });
}

/** A person who cannot do it must be given something easier of the same pattern. */
function easierFindings(
  shelf: Shelf,
  asked: readonly Variation[],
  all: readonly Variation[],
  input: HealthInput,
): Finding[] {
  const places = placesOn(shelf);
  const trained = all.filter((v) => !onlyPrepares(v));
  const points = new Map<string, number | null>();
  const pointsOf = (v: Variation) => {
    let p = points.get(v.slug);
    if (p === undefined) points.set(v.slug, (p = input.points(v, resolveMechanics(v, shelf))));
    return p;
  };
  return asked.flatMap((v): Finding[] => {
    if (onlyPrepares(v)) return [];
    // The foot of a ladder has nothing beneath it, a higher level has; only what stands on none is computed.
    if (places.has(v.slug)) return [];
    const document = { kind: v.kind, slug: v.slug };
    const own = pointsOf(v);
    if (own === null) {
      return [
        {
          kind: 'no easier variation',
          document,
          proof: 'It stands on no ladder and has no computed demand, so nothing tells what is easier.',
        },
      ];
    }
    const others = trained.filter((o) => o.pattern === v.pattern && o.slug !== v.slug);
    // As easy as the foot of a ladder is at the foot itself.
    const isFoot = (o: Variation) => (places.get(o.slug) ?? []).some((p) => p.levelNumber === 1);
    const easier = others.some((o) => {
      const p = pointsOf(o);
      return p !== null && (p <= own - input.tiePoints || (isFoot(o) && p < own + input.tiePoints));
    });
    if (easier) return [];
    return [
      {
        kind: 'no easier variation',
        document,
        proof: `Asks ${own.toFixed(0)} points and stands on no ladder; of ${others.length} others in the ${v.pattern} pattern none asks ${input.tiePoints} points less.`,
      },
    ];
  });
}

function cueFindings(shelf: Shelf, about?: ReadonlySet<string>): Finding[] {
  if (about && ![...about].some((id) => id.startsWith('cue/'))) return [];
  const used = new Set([
    ...shelf.all('variation').flatMap((v) => (v.retired ? [] : v.cues)),
    ...shelf.all('fault').flatMap((f) => (f.retired ? [] : f.answers.map((a) => a.cue))),
  ]);
  const cues = shelf.all('cue').filter((c) => !c.retired);
  const unused = cues
    .filter((c) => !used.has(c.slug))
    .map((c): Finding => ({
      kind: 'unused cue',
      document: { kind: 'cue', slug: c.slug },
      proof: 'It stands on no sheet and answers no fault.',
    }));
  const riddles = cues
    .filter((c) => used.has(c.slug) && (c.plain ?? '').trim() === '')
    .map((c): Finding => ({
      kind: 'cue without plain words',
      document: { kind: 'cue', slug: c.slug },
      proof: `“${c.line.text}” is not said in plain words for whoever does not know the picture.`,
    }));
  const index = new SimilarityIndex(cues.map((c) => ({ id: c.slug, text: c.line.text })));
  const text = (slug: string) => shelf.get('cue', slug)!.line.text;
  const alike = index.pairs(NEAR_DUPLICATE).map(({ a, b, similarity }): Finding => ({
    kind: 'near-duplicate cues',
    document: { kind: 'cue', slug: a },
    other: { kind: 'cue', slug: b },
    proof: `“${text(a)}” and “${text(b)}” are ${(100 * similarity).toFixed(0)} % alike.`,
  }));
  return [...alike, ...unused, ...riddles];
}

function drawnFindings(variations: readonly Variation[]): Finding[] {
  const trained = variations.filter((v) => !onlyPrepares(v));
  const drawn = trained.filter((v) => v.mechanics.type === 'drawn');
  if (drawn.length <= DRAWN_SHARE * trained.length) return [];
  return [
    {
      kind: 'drawn only',
      document: null,
      proof: `${drawn.length} of ${trained.length} variations to teach or work are drawn only, more than a quarter: ${drawn
        .map((v) => v.name)
        .slice(0, 8)
        .join(', ')}.`,
    },
  ];
}
