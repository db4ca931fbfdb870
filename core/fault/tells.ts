import type { Fault } from '../library/index.ts';
import { beliefsFrom, causesOf, resultGivenCause } from './causes.ts';
import type { DeskFault } from './causes.ts';
import { NO_EXPERIENCE } from './experience.ts';
import { checkValue } from './next-check.ts';

/** What a check tells as the library has it, before any case of the hall. */
export interface CheckTells {
  check: string;
  /** Expected fall of entropy, bits. */
  bits: number;
  /** How often each cause shows each result, 0 to 1, in the order of the causes. */
  rows: { result: string; given: number[] }[];
}

/** Every check of a fault as a table of results by causes. */
export function tellsOf(f: Fault): CheckTells[] {
  const read: DeskFault = {
    ...f,
    cameraSign: f.cameraSign ?? null,
    sign: f.sign.text,
    causes: f.causes.map(({ id, line, weight, alike }) => ({
      id,
      text: line.text,
      weight: weight ?? null,
      alike: alike ?? null,
    })),
    checks: f.checks.map(({ line, results }) => ({
      text: line.text,
      kit: [],
      results: results.map((r) => ({ ...r, weights: r.weights ?? [] })),
    })),
    answers: [],
    chain: [],
    whenToStop: f.whenToStop.text,
    felt: f.felt ?? [],
    shows: f.shows ?? null,
  };
  const causes = causesOf([read]);
  const beliefs = beliefsFrom([read], NO_EXPERIENCE);
  return read.checks.map((check) => {
    const given = causes.map((c) => resultGivenCause(read, check, c, NO_EXPERIENCE));
    return {
      check: check.text,
      bits: checkValue(beliefs, causes, read, check, NO_EXPERIENCE).gainBits,
      rows: check.results.map(({ result }) => ({ result, given: given.map((g) => g.get(result)!) })),
    };
  });
}
