import type { Body, Cue } from './documents.ts';
import type { Shelf } from './shelf.ts';

/**
 * One wording for two cues: every document that names the cue `drop` names `keep` instead, and `drop` is retired.
 * A sheet that carried both keeps the better rank of the two and carries one.
 * @returns the changed bodies, to be accepted as one change; the retired cue first
 * @throws RangeError when either cue is missing or retired, or both are the same
 */
export function mergeCues(shelf: Shelf, drop: string, keep: string): Body[] {
  if (drop === keep) throw new RangeError('A cue cannot be merged with itself.');
  const gone = cueOf(shelf, drop);
  cueOf(shelf, keep);
  const swap = (slug: string) => (slug === drop ? keep : slug);
  const changed: Body[] = [{ ...gone, retired: true }];
  for (const v of shelf.all('variation')) {
    if (v.cues.includes(drop)) changed.push({ ...v, cues: [...new Set(v.cues.map(swap))] });
  }
  for (const f of shelf.all('fault')) {
    if (f.answers.some((a) => a.cue === drop)) {
      changed.push({
        ...f,
        answers: f.answers.map((a) => (a.cue === undefined ? a : { ...a, cue: swap(a.cue) })),
      });
    }
  }
  return changed;
}

/** Names of the sheets that carry both cues, and will carry one. */
export const carryingBoth = (shelf: Shelf, a: string, b: string): string[] =>
  shelf
    .all('variation')
    .filter((v) => v.cues.includes(a) && v.cues.includes(b))
    .map((v) => v.name);

function cueOf(shelf: Shelf, slug: string): Cue {
  const cue = shelf.get('cue', slug);
  if (!cue) throw new RangeError(`There is no cue "${slug}".`);
  if (cue.retired) throw new RangeError(`The cue "${slug}" is retired.`);
  return cue;
}
