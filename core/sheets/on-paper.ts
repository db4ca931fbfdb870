import { BLANK_MECHANICS, LINE_FIELDS, resolve, sheetDifference } from '../library/index.ts';
import { STAGES } from '../terms/index.ts';
import type { LineField, ResolvedNeed, ResolvedVariation, Shelf, SheetEffect } from '../library/index.ts';
import type { SheetKind } from './job.ts';

/** Cues that lead a sheet, counted from the first; a full sheet shows them all, a log and a poster none. */
export const LEADING = { floor: 3, handout: 1, 'warm-up': 1 } as const;

const LINES: Record<Exclude<SheetKind, 'full'>, readonly LineField[]> = {
  floor: ['runThrough'],
  handout: [
    'purpose',
    'gettingIn',
    'stance',
    'rangeNotes',
    'breathing',
    'gettingOut',
    'runThrough',
    'ifItGoesWrong',
  ],
  log: [],
  'warm-up': ['rangeNotes'],
  poster: [],
};

/** What of a variation's reading stands on this kind of paper: the same shape, with everything else left out. */
export function onPaper(kind: SheetKind, r: ResolvedVariation): ResolvedVariation {
  if (kind === 'full') return r;
  const lines = Object.fromEntries(
    LINE_FIELDS.map((f) => [f, LINES[kind].includes(f) ? r.lines[f] : []]),
  ) as ResolvedVariation['lines'];
  const kit = (list: readonly ResolvedNeed[]): ResolvedNeed[] =>
    kind === 'floor' || kind === 'handout'
      ? list.map((n) => ({
          ...n,
          setUp: kind === 'floor' ? [n.equipment.name] : n.equipment.homeSubstitutes.map((l) => l.text),
        }))
      : [];
  const named = {
    sign: '',
    views: [],
    causes: [],
    checks: [],
    answers: [],
    chain: [],
    felt: [],
    shows: null,
  };
  return {
    ...r,
    lines,
    toeOutDeg: null,
    // A log has no figure.
    mechanics: kind === 'log' ? BLANK_MECHANICS.squat : r.mechanics,
    dose: kind === 'warm-up' ? r.dose.filter((d) => d.role === 'prepare') : kind === 'poster' ? [] : r.dose,
    equipmentAll: kit(r.equipmentAll),
    equipmentAny: r.equipmentAny.map(kit),
    cues: kind === 'log' || kind === 'poster' ? [] : r.cues.slice(0, LEADING[kind]),
    faults:
      kind === 'log'
        ? r.faults.map((f) => ({ ...f, ...named, whenToStop: '' }))
        : kind === 'floor' || kind === 'handout'
          ? r.faults.filter((f) => f.severity === 3).map((f) => ({ ...f, ...named }))
          : [],
    unwanted: kind === 'handout' ? r.unwanted.filter((u) => u.kind === 'pain') : [],
    cautions: kind === 'handout' ? r.cautions : [],
  };
}

/**
 * What reads or is drawn differently on paper of a kind, variation by variation, for everybody or for a stage;
 * variations that are new or gone are no difference.
 */
export function differsOnPaper(
  kind: SheetKind,
  slugs: Iterable<string>,
  before: Shelf,
  after: Shelf,
): SheetEffect[] {
  return [...slugs].flatMap((slug) => {
    const [old, now] = [before.get('variation', slug), after.get('variation', slug)];
    if (!old || !now) return [];
    const found = new Map<string, SheetEffect>();
    // Cues and answers differ by stage; a stage that reads the same difference needs no line of its own.
    for (const person of [undefined, ...STAGES.map((stage) => ({ stage, answers: {} }))]) {
      const [a, b] = [resolve(old, before, person), resolve(now, after, person)];
      const effect = sheetDifference(onPaper(kind, a), onPaper(kind, b), person?.stage ?? null);
      if (!effect) continue;
      const key = JSON.stringify({ ...effect, stage: null });
      if (!found.has(key)) found.set(key, effect);
    }
    return [...found.values()];
  });
}
