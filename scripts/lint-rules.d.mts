import type { Rule } from 'eslint';

export const noCastToContract: Rule.RuleModule;
export const noPathLiterals: { selector: string; message: string }[];
