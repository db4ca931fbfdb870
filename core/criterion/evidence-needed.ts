import type { Atom, Criterion } from './criteria.ts';
import type { VariationFacts } from '../log/index.ts';

/** What has to be logged, asked or measured before an atom can be judged, as a list of phrases. */
export function evidenceNeeded(
  atom: Pick<Atom<unknown>, 'kind'> & { unit?: unknown; degrees?: unknown },
): string[] {
  switch (atom.kind) {
    case 'cleanReps':
      return ['repetitions of watched sets', 'faults seen'];
    case 'holdS':
      return ['seconds of watched holds', 'faults seen'];
    case 'cleanRounds':
      return ['rounds of watched sets', 'faults seen'];
    case 'load':
      return [
        'load and repetitions of watched sets',
        'faults seen',
        ...(atom.unit === '% of body mass' ? ['body mass'] : []),
      ];
    case 'effortAtMost':
      return ['effort, asked after the last set'];
    case 'tempoKept':
      return ['whether the tempo was kept'];
    case 'rangeReached':
      return [atom.degrees === undefined ? 'whether the full range was reached' : 'a measured angle'];
    case 'faultsAtMost':
      return ['watched sets'];
    case 'felt':
      return ['where it is felt, asked'];
    case 'notFelt':
      return ['where it is felt, asked after the last set'];
    case 'painAtMost':
      return ['pain, asked after the last set'];
    case 'aidsAtMost':
      return ['aids, noted in every set'];
    case 'easeAtLeast':
      return ['how much at ease, asked after the last set'];
    case 'sideDifferenceAtMost':
      return ['a side test of both sides'];
    case 'sessionsHere':
    case 'daysHere':
      return ['the day of arrival'];
    case 'levelHeld':
      return ['where the person stands on the other ladder'];
    case 'signedOff':
      return ['a sign-off'];
  }
}

/** Why an atom can never be met with a variation, as a sentence; null where it can. */
export function whyNever(atom: Atom<unknown>, v: VariationFacts): string | null {
  switch (atom.kind) {
    case 'cleanReps':
      return v.countedIn === 'repetitions'
        ? null
        : `${v.name} is counted in ${v.countedIn}, not in repetitions.`;
    case 'holdS':
      return v.countedIn === 'seconds held'
        ? null
        : `${v.name} is counted in ${v.countedIn}, not in seconds held.`;
    case 'cleanRounds':
      return v.countedIn === 'rounds' ? null : `${v.name} is counted in ${v.countedIn}, not in rounds.`;
    case 'load':
      if (v.countedIn !== 'repetitions') return `${v.name} is counted in ${v.countedIn}, not in repetitions.`;
      return v.loadKind === 'none' || v.loadKind === 'band' ? `${v.name} carries no load in kg.` : null;
    case 'tempoKept':
      return v.hasTempo ? null : `${v.name} has no tempo to keep.`;
    case 'felt':
      return atom.felt || v.wanted.length > 0 ? null : `${v.name} does not say where it should be felt.`;
    case 'sideDifferenceAtMost':
      return v.oneSided ? null : `${v.name} is done with both sides at once: there is no side test.`;
    default:
      return null;
  }
}

/** The atoms of the tree that can never be met with the variation, each with why. */
export function neverMet(c: Criterion<unknown>, v: VariationFacts): { atom: Atom<unknown>; why: string }[] {
  switch (c.kind) {
    case 'all':
    case 'any':
      return c.of.flatMap((part) => neverMet(part, v));
    case 'sessionsRunning':
      return neverMet(c.of, v);
    case 'not':
      return neverMet(c.of, v);
    default: {
      const why = whyNever(c, v);
      return why === null ? [] : [{ atom: c, why }];
    }
  }
}

/** Whether the variation can give evidence that meets the criterion: one way through an "any" is enough. */
export function canBeMet(c: Criterion<unknown>, v: VariationFacts): boolean {
  switch (c.kind) {
    case 'all':
      return c.of.every((part) => canBeMet(part, v));
    case 'any':
      return c.of.some((part) => canBeMet(part, v));
    case 'sessionsRunning':
      return canBeMet(c.of, v);
    case 'not':
      // What can never be seen is never seen not to hold either.
      return whyNever(c.of, v) === null;
    default:
      return whyNever(c, v) === null;
  }
}
