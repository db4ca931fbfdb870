import type { Felt } from '../../terms/index.ts';

export const sameFelt = (a: Felt, b: Felt) => a.region === b.region && a.kind === b.kind;
