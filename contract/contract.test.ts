import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { writeLibraryFile } from '../core/exchange/index.ts';
import type { LibraryFile } from '../core/exchange/index.ts';
import { canonicalJson, breachesOf, KINDS, shelfOf } from '../core/library/index.ts';
import { anyCriterion } from '../core/testing/criteria.ts';
import { madeUpLibrary } from '../core/testing/library.ts';
import { cue, fault, ladder, level, question, variation } from '../core/testing/samples.ts';
import { seeded } from '../core/testing/seeded.ts';
import { bodySchema, libraryFileSchema, libraryJsonSchema } from './library.ts';
import { runs } from '../core/testing/runs.ts';

const file = JSON.parse(
  readFileSync(new URL('../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const ajv = new Ajv2020({ strict: false, allErrors: false });
const byJsonSchema = ajv.compile(libraryJsonSchema());
const byJoi = (value: unknown) => libraryFileSchema.validate(value).error === undefined;

type Path = (string | number)[];

function pathsOf(value: unknown, path: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [path];
  return [
    path,
    ...Object.entries(value).flatMap(([k, v]) => pathsOf(v, [...path, Array.isArray(value) ? Number(k) : k])),
  ];
}

function changed(value: unknown, path: Path, change: (old: unknown) => unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return change(value);
  if (Array.isArray(value)) {
    return value.map((v, i) => (i === key ? changed(v, rest, change) : (v as unknown)));
  }
  const object = { ...(value as Record<string, unknown>) };
  const next = changed(object[key], rest, change);
  if (next === undefined) delete object[key];
  else object[key] = next;
  return object;
}

describe('the library format', () => {
  it('holds the demo library, sound and in canonical bytes', () => {
    expect(byJoi(file)).toBe(true);
    expect(byJsonSchema(file)).toBe(true);
    expect(breachesOf(shelfOf(file.documents))).toEqual([]);
    const text = readFileSync(new URL('../server/library/shipped.json', import.meta.url), 'utf8');
    expect(writeLibraryFile(file.edition, file.documents)).toBe(text);
  });

  it('knows every kind of document', () => {
    expect([...new Set(file.documents.map((d) => d.kind))].sort()).toEqual([...KINDS].sort());
    const samples = [
      cue('a'),
      fault('a'),
      variation('a'),
      question('a'),
      ladder([level('a', { kind: 'painAtMost', pain: 0 })]),
    ];
    for (const s of samples) expect(bodySchema.validate(s).error).toBeUndefined();
  });

  it('is the same to Joi and to the JSON Schema generated from it, whatever is changed', () => {
    // Small documents of each kind, so that a mutation is likely to hit something that matters.
    const small = KINDS.map((k): LibraryFile => ({
      ...file,
      documents: [file.documents.find((d) => d.kind === k)!],
    }));
    const places = small.flatMap((one) => pathsOf(one).map((path) => ({ one, path })));
    const odd = fc.oneof(
      fc.constant(undefined),
      fc.constantFrom<unknown>(null, '', 0, -1, 1.5, 1e9, true, [], {}, 'bridge', 'x'.repeat(5000), ['x'], {
        text: 'x',
      }),
      fc.jsonValue({ maxDepth: 2 }),
    );
    let refused = 0;
    fc.assert(
      fc.property(fc.constantFrom(...places), odd, ({ one, path }, value) => {
        const mutant = changed(one, path, () => value);
        const joi = byJoi(mutant);
        if (!joi) refused++;
        expect({ path, value, json: byJsonSchema(mutant) }).toEqual({ path, value, json: joi });
      }),
      { numRuns: runs(1500) },
    );
    expect(refused).toBeGreaterThan(500);
  });

  it('names the field that is wrong, deep inside a criterion too', () => {
    const l = ladder([
      level('a', { kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps: 0, sets: 1 } }),
    ]);
    expect(bodySchema.validate(l).error?.details[0]?.path.join('.')).toBe('levels.0.advance.of.reps');
    const unknown = { ...l, levels: [{ ...l.levels[0], advance: { kind: 'by feel' } }] };
    expect(bodySchema.validate(unknown).error?.message).toContain('unknown "kind"');
  });
});

describe('made-up libraries of any size', () => {
  it('are sound, fit the format, and come back letter by letter from the file', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.nat(6), fc.nat(12), (seed, variations, cues) => {
        const bodies = madeUpLibrary(seeded(seed), { variations, cues, questions: 3, equipment: 4 });
        expect(breachesOf(shelfOf(bodies))).toEqual([]);
        const text = writeLibraryFile(file.edition, bodies);
        const read = JSON.parse(text) as LibraryFile;
        expect(libraryFileSchema.validate(read).error).toBeUndefined();
        expect(byJsonSchema(read)).toBe(true);
        expect(writeLibraryFile(read.edition, read.documents)).toBe(text);
      }),
      { numRuns: 40 },
    );
  });
});

describe('a number that a house answer decides', () => {
  const withReps = (reps: unknown) =>
    ladder([level('a', { kind: 'cleanReps', reps: reps as number, sets: 2 })]);
  it.each([
    [12, true],
    [{ question: 'q', byAnswer: { a: 10 }, otherwise: 12 }, true],
    [{ question: 'q', byAnswer: {}, otherwise: 12 }, true],
    [{ question: 'q', byAnswer: { a: 10.5 }, otherwise: 12 }, false],
    [{ question: 'q', byAnswer: { a: 10 } }, false],
    [{ question: 'No Slug', byAnswer: {}, otherwise: 12 }, false],
    [12.5, false],
    ['12', false],
  ])('%j stands in a criterion: %s', (reps, good) => {
    expect(bodySchema.validate(withReps(reps)).error === undefined).toBe(good);
  });
});

describe('criteria', () => {
  const inLadder = (advance: unknown) => ladder([level('a', advance as never)]);
  const inFile = (advance: unknown) => ({ ...file, documents: [inLadder(advance)] });
  it('that can be written stand in a ladder, for both schemas', () => {
    fc.assert(
      fc.property(anyCriterion(), (c) => {
        expect(bodySchema.validate(inLadder(c)).error).toBeUndefined();
        expect(byJsonSchema(inFile(c))).toBe(true);
      }),
      { numRuns: runs(400) },
    );
  });
  it.each([
    [{ kind: 'wish' }],
    [{ kind: 'cleanReps', reps: 12, sets: 2, within: { over: 'months', last: 2 } }],
    [{ kind: 'cleanReps', reps: 12, sets: 2, within: { over: 'sessions' } }],
    [{ kind: 'sideDifferenceAtMost', percent: 10, within: { over: 'set' } }],
    [{ kind: 'load', load: 20, unit: 'stone', reps: 8, sets: 2 }],
    [{ kind: 'felt', sets: 1, felt: { region: 'tail', kind: 'work' } }],
    [{ kind: 'aidsAtMost', aid: 'wings', most: 0 }],
    [{ kind: 'signedOff', by: 'a friend' }],
    [{ kind: 'levelHeld', ladder: 'Not A Slug', level: 'x' }],
    [{ kind: 'not', of: { kind: 'all', of: [] } }],
    [{ kind: 'sessionsRunning', sessions: 1, of: { kind: 'painAtMost', pain: 0 } }],
    [{ kind: 'all', of: [] }],
  ])('%j are refused by both', (c) => {
    expect(bodySchema.validate(inLadder(c)).error).toBeDefined();
    expect(byJsonSchema(inFile(c))).toBe(false);
  });
});

describe('canonical JSON', () => {
  it('does not depend on the order of keys, and reads back as the same value', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (o) => {
        const turned = Object.fromEntries(Object.entries(o).reverse());
        expect(canonicalJson(turned)).toBe(canonicalJson(o));
        expect(canonicalJson(JSON.parse(canonicalJson(o)))).toBe(canonicalJson(o));
      }),
    );
  });
});
