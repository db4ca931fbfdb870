import type { Side } from '../terms/index.ts';

/** One session's try at the gate of a step. */
export interface ChainTry {
  fault: string;
  side: Side | null;
  /** The step in the words of the library. */
  step: string;
  date: string;
  passed: boolean;
}

export interface ChainState {
  /** Index of the step to do next; as many as there are steps: through, back into the lift. */
  at: number;
  /** The day each passed gate was passed, in order. */
  passed: string[];
  /** Days the present step was tried and its gate not passed. */
  triedOn: string[];
  startedOn: string | null;
}

/**
 * Where somebody stands on the corrective chain of a fault and side: a step opens when the gate before it was passed
 * on an earlier or the same day. Tries at steps that were not open, or whose words are no longer in the chain, do not
 * count; the order of entry is irrelevant.
 */
export function chainState(
  chain: readonly { text: string }[],
  tries: readonly ChainTry[],
  fault: string,
  side: Side | null,
): ChainState {
  const own = tries
    .filter((t) => t.fault === fault && t.side === side)
    .sort((a, b) => a.date.localeCompare(b.date));
  const passed: string[] = [];
  for (const step of chain) {
    const since = passed.at(-1) ?? '';
    const gate = own.find((t) => t.step === step.text && t.passed && t.date >= since);
    if (!gate) break;
    passed.push(gate.date);
  }
  const now = chain[passed.length];
  const since = passed.at(-1) ?? '';
  return {
    at: passed.length,
    passed,
    triedOn: own.filter((t) => t.step === now?.text && !t.passed && t.date >= since).map((t) => t.date),
    startedOn: own[0]?.date ?? null,
  };
}

export interface ChainOf {
  fault: string;
  side: Side | null;
}

/** The chains that somebody has begun, each side on its own. */
export function chainsBegun(tries: readonly ChainTry[]): ChainOf[] {
  const begun = new Map(tries.map(({ fault, side }) => [`${fault} ${side ?? ''}`, { fault, side }]));
  return [...begun.values()];
}

/** Those begun, and one for each fault that comes again and has none yet. */
export function chainsDue(tries: readonly ChainTry[], recurring: readonly ChainOf[]): ChainOf[] {
  const chains = chainsBegun(tries);
  for (const { fault, side } of recurring) {
    if (!chains.some((c) => c.fault === fault)) chains.push({ fault, side });
  }
  return chains;
}
