import { ABOUT_FORM } from './hour.ts';
import type { PlaceForm, WorkOption } from './hour.ts';

/** Somebody's work at a place that is shared. */
export interface AtPlace {
  option: Pick<WorkOption, 'sets' | 'workS' | 'restS'>;
  /** Not there before this second of the round. */
  fromS: number;
}

export interface SetTime {
  fromS: number;
  toS: number;
}

/**
 * Who works when at a shared place, set by set: whoever is rested goes; of several the one with most work and rest left;
 * somebody else takes the place in the time of a turn, also while they wait.
 * @returns the sets of each, in seconds of the round, in the order given
 */
export function turnsAt(form: PlaceForm, group: readonly AtPlace[]): SetTime[][] {
  const { setUpS, turnS } = ABOUT_FORM[form];
  const times: SetTime[][] = group.map(() => []);
  const ready = group.map((g) => Math.max(setUpS, g.fromS));
  const leftS = (i: number) => {
    const { sets, workS, restS } = group[i]!.option;
    const left = sets - times[i]!.length;
    return left * workS + Math.max(0, left - 1) * restS;
  };
  let free = setUpS;
  let last: number | null = null;
  for (;;) {
    const open = group.map((_, i) => i).filter((i) => times[i]!.length < group[i]!.option.sets);
    if (open.length === 0) return times;
    const takes = (i: number) => free + (last === null || last === i ? 0 : turnS);
    const rested = open.filter((i) => ready[i]! <= takes(i));
    const next =
      rested.length > 0
        ? rested.reduce((a, b) => (leftS(b) > leftS(a) ? b : a))
        : open.reduce((a, b) => (ready[b]! < ready[a]! ? b : a));
    const fromS = Math.max(ready[next]!, takes(next));
    const toS = fromS + group[next]!.option.workS;
    times[next]!.push({ fromS, toS });
    ready[next] = toS + group[next]!.option.restS;
    free = toS;
    last = next;
  }
}

/** The sets of somebody who is alone with what they do, from a second of the round on. */
export function setsFrom({ sets, workS, restS }: AtPlace['option'], fromS: number): SetTime[] {
  return Array.from({ length: sets }, (_, i) => {
    const at = fromS + i * (workS + restS);
    return { fromS: at, toS: at + workS };
  });
}
