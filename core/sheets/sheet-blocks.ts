import { doseFor, doseWords, tempoWords } from '../dose/index.ts';
import { LINE_FIELD_WORDS } from '../library/index.ts';
import type { LineField, ResolvedFault, ResolvedNeed, ResolvedVariation } from '../library/index.ts';
import { measureWords, SEVERITY_WORDS, VIEW_WORDS, placeOfFelt, sideWorkOf } from '../terms/index.ts';
import type { Felt } from '../terms/index.ts';
import type { SheetKind } from './job.ts';

/** Where the reading of one variation stands: a kind of paper, or the screen, which shows all there is. */
export type Medium = SheetKind | 'screen';

export type BlockId =
  | 'name'
  | 'cautions'
  | 'purpose'
  | 'prepare'
  | 'equipment'
  | 'gettingIn'
  | 'stance'
  | 'hands'
  | 'range'
  | 'breathing'
  | 'gettingOut'
  | 'dose'
  | 'tempo'
  | 'cues'
  | 'plain'
  | 'runThrough'
  | 'faults'
  | 'felt'
  | 'stop';

export interface BlockLine {
  /** What the line is told under where two readings differ, e.g. "Fault: Knees fall in". */
  section: string;
  /** Said before the text, on paper and screen alike: the name of a fault, a caution, a piece of kit. */
  lead: string | null;
  text: string;
  /** The document that the line stands in, as `kind/slug`, where it is not the variation itself. */
  of: string | null;
}

/** A part of a sheet: its heading, its lines, and every document beside the variation that they are read from. */
export interface Block {
  id: BlockId;
  title: string;
  lines: BlockLine[];
  documents: string[];
}

/** Cues that lead a sheet, counted from the first; a full sheet and the screen show them all, a log none. */
export const LEADING = { floor: 3, handout: 1, 'warm-up': 1 } as const;

/** What stands on it, in the order of the work. */
const STANDS: Record<Medium, readonly BlockId[]> = {
  screen: [
    'name',
    'cautions',
    'purpose',
    'prepare',
    'equipment',
    'gettingIn',
    'stance',
    'hands',
    'range',
    'breathing',
    'gettingOut',
    'dose',
    'cues',
    'plain',
    'runThrough',
    'faults',
    'felt',
  ],
  full: [
    'name',
    'dose',
    'tempo',
    'purpose',
    'cues',
    'plain',
    'equipment',
    'gettingIn',
    'stance',
    'hands',
    'range',
    'breathing',
    'gettingOut',
    'runThrough',
    'faults',
    'felt',
    'prepare',
    'cautions',
  ],
  floor: ['name', 'cues', 'runThrough', 'dose', 'tempo', 'equipment', 'stop'],
  handout: [
    'name',
    'purpose',
    'cues',
    'plain',
    'dose',
    'tempo',
    'gettingIn',
    'stance',
    'range',
    'breathing',
    'gettingOut',
    'runThrough',
    'equipment',
    'stop',
    'cautions',
  ],
  log: ['name', 'dose', 'faults'],
  'warm-up': ['name', 'dose', 'cues', 'range'],
  // The stairs have words of their own; of a variation they print the name and the figure.
  poster: ['name'],
};

/** A log has no figure. */
export const hasFigure = (on: Medium): boolean => on !== 'log';
/** The angle of the toes is for the coach. */
export const hasToes = (on: Medium): boolean => on === 'screen' || on === 'full';

type Compose = (
  r: ResolvedVariation,
  on: Medium,
) => { title: string; lines: BlockLine[]; documents?: () => string[] };

const own = (section: string, text: string, lead: string | null = null): BlockLine => ({
  section,
  lead,
  text,
  of: null,
});
/** The lines of some fields of the variation, one after the other. */
const fields = (r: ResolvedVariation, ...names: LineField[]): BlockLine[] =>
  names.flatMap((f) => r.lines[f].map((text) => own(LINE_FIELD_WORDS[f], text)));
const feltWords = (f: Felt) => `${f.kind}, ${placeOfFelt(f)}`;

/** "2 × Foam pad", "Box" */
const needName = ({ equipment, count }: ResolvedNeed): string =>
  count > 1 ? `${count} × ${equipment.name}` : equipment.name;

const shownCues = (r: ResolvedVariation, on: Medium) =>
  on === 'screen' || on === 'full'
    ? r.cues
    : r.cues.slice(0, on in LEADING ? LEADING[on as keyof typeof LEADING] : 0);

const COMPOSE: Record<BlockId, Compose> = {
  name: (r) => ({ title: 'Name', lines: [own('Name', r.source.name)] }),
  purpose: (r, on) => ({
    title: 'What for',
    lines: [
      ...fields(r, 'purpose'),
      ...(on === 'screen'
        ? [
            ...fields(r, 'reasonsToChoose').map((l, i) => (i === 0 ? { ...l, lead: 'Choose it for' } : l)),
            own('Works', `${r.source.muscles.join(', ')}.`, 'Works'),
          ]
        : []),
    ],
  }),
  prepare: (r) => ({
    title: 'Before it',
    lines: r.drills.map((d) => ({ ...own('Before it', d.name), of: `variation/${d.slug}` })),
    documents: () => r.drills.map((d) => `variation/${d.slug}`),
  }),
  equipment: (r, on) => {
    const every = [...r.equipmentAll, ...r.equipmentAny.flat()];
    return {
      title: on === 'handout' ? 'At home instead' : 'Equipment and set-up',
      lines: [
        ...(on === 'handout'
          ? every.map((n) => needLine(n, atHome(n)))
          : on === 'floor'
            ? every.map((n) => needLine(n))
            : on === 'full'
              ? [
                  ...r.equipmentAll.map((n) => needLine(n, n.setUp.join(' ') || undefined)),
                  ...r.equipmentAny.map((group) =>
                    own('Equipment', `${group.map(needName).join(', ')}.`, 'One of'),
                  ),
                ]
              : [
                  ...r.equipmentAll.flatMap((n) => [
                    needLine(n),
                    ...n.setUp.map((text) => needLine(n, text)),
                  ]),
                  ...r.equipmentAny.flatMap((group) =>
                    group.flatMap((n) => [
                      { ...needLine(n), lead: 'One of' },
                      ...n.setUp.map((text) => needLine(n, text)),
                    ]),
                  ),
                ]),
        ...(on === 'screen' || on === 'full'
          ? [
              ...(r.source.measures ?? []).map((m) => own('Set to the person', measureWords(m))),
              ...fields(r, 'setUpMeasures'),
            ]
          : []),
      ],
      documents: () => every.map((n) => `equipment/${n.equipment.slug}`),
    };
  },
  gettingIn: (r) => ({ title: 'Getting in', lines: fields(r, 'gettingIn') }),
  stance: (r, on) => ({
    title: `Stance: ${r.source.stanceWidth}, weight on the ${r.source.footWeight}`,
    lines: [
      // On a handout the first two say enough.
      ...fields(r, 'stance').slice(0, on === 'handout' ? 2 : undefined),
      ...(hasToes(on) && r.toeOutDeg !== null ? [own('Stance', `Toes out by ${r.toeOutDeg}°.`)] : []),
    ],
  }),
  hands: (r) => ({
    title: 'Hands, eyes, contact',
    lines: fields(r, 'hands', 'gaze', 'contactPoints', 'supportNotes'),
  }),
  range: (r, on) => ({
    title: `Range: ${r.source.rangeTarget}`,
    lines: fields(r, 'rangeNotes').slice(0, on === 'warm-up' ? 1 : undefined),
  }),
  breathing: (r, on) => ({
    title: on === 'screen' ? 'Breathing and tempo' : 'Breathing',
    lines: [...fields(r, 'breathing'), ...(on === 'screen' ? [tempoLine(r, on)] : [])],
  }),
  tempo: (r, on) => ({ title: 'Tempo', lines: [tempoLine(r, on)] }),
  gettingOut: (r, on) => ({
    title: 'Getting out, and if it goes wrong',
    lines: on === 'handout' ? fields(r, 'gettingOut') : fields(r, 'gettingOut', 'ifItGoesWrong'),
  }),
  dose: (r, on) => {
    const doses =
      on === 'screen'
        ? r.dose
        : on === 'warm-up'
          ? r.dose.filter((d) => d.role === 'prepare')
          : [doseFor(r) ?? []].flat();
    const sides = sideWorkOf(r.source);
    return {
      title: 'Dose',
      lines: doses.flatMap((d) => [
        own(
          'Dose',
          `${doseWords(d, sides)}${d.restS > 0 && on !== 'warm-up' ? `, rest ${d.restS} s` : ''}`,
          on === 'screen' ? `To ${d.role}` : null,
        ),
        ...(on === 'screen' ? d.notes.map((text) => own('Dose', text)) : []),
      ]),
    };
  },
  plain: (r, on) => {
    // Paper has room for what the leading ones mean.
    const cues = (on === 'screen' ? r.cues : on === 'full' ? r.cues.slice(0, 3) : shownCues(r, on)).filter(
      (c) => c.plain !== null,
    );
    return {
      title: 'What the cues mean',
      lines: cues.map((c) => ({ ...own('Cues in plain words', c.plain!), of: `cue/${c.slug}` })),
      documents: () => cues.map((c) => `cue/${c.slug}`),
    };
  },
  cues: (r, on) => {
    const cues = shownCues(r, on);
    return {
      title: 'Cues',
      lines: cues.map((c) => ({ ...own('Cues', c.text), of: `cue/${c.slug}` })),
      documents: () => cues.map((c) => `cue/${c.slug}`),
    };
  },
  runThrough: (r) => ({ title: 'Run-through', lines: fields(r, 'runThrough') }),
  faults: (r, on) => ({
    title: on === 'full' ? 'Faults and their first answers' : 'Faults and what answers them',
    lines: r.faults.flatMap((f) =>
      on === 'log' ? [linesOfFault(f)(f.name)] : on === 'full' ? [shortFault(f)] : wholeFault(f),
    ),
    documents: () =>
      on === 'log'
        ? r.faults.map((f) => `fault/${f.slug}`)
        : r.faults.flatMap((f) => [
            `fault/${f.slug}`,
            ...f.answers.flatMap((a) => [
              ...(a.cue === null ? [] : [`cue/${a.cue}`]),
              ...a.equipment.map((e) => `equipment/${e.slug}`),
            ]),
          ]),
  }),
  felt: (r) => ({
    title: 'Where it is felt',
    lines: [
      own('Where it is felt', `${r.wanted.map(feltWords).join('; ') || 'nothing special'}.`, 'Wanted'),
      ...(r.tolerated.length > 0
        ? [own('Where it is felt', `${r.tolerated.map(feltWords).join('; ')}.`, 'Tolerated')]
        : []),
      ...r.unwanted.map(unwantedLine),
    ],
  }),
  stop: (r, on) => {
    const ending = r.faults.filter((f) => f.severity === 3);
    return {
      title: 'When to stop',
      lines: [
        ...ending.map((f) => linesOfFault(f)(f.whenToStop, f.name)),
        ...(on === 'handout'
          ? [
              ...r.unwanted
                .filter((u) => u.kind === 'pain')
                .map((u) => own('Where it is felt', u.suggests ?? 'say so.', `Pain, ${u.region}`)),
              ...r.lines.ifItGoesWrong.map((text) =>
                own(LINE_FIELD_WORDS.ifItGoesWrong, text, 'If it goes wrong'),
              ),
            ]
          : []),
      ],
      documents: () => ending.map((f) => `fault/${f.slug}`),
    };
  },
  cautions: (r, on) => ({
    title: 'Cautions',
    lines: r.cautions.flatMap((c) =>
      (on === 'screen' ? c.lines : [c.lines.join(' ')]).map((text) => ({
        section: `Caution: ${c.name}`,
        lead: c.name,
        text,
        of: `caution/${c.slug}`,
      })),
    ),
    documents: () => r.cautions.map((c) => `caution/${c.slug}`),
  }),
};

/** Four numbers; what they mean is said where there is room for it. */
const tempoLine = (r: ResolvedVariation, on: Medium): BlockLine =>
  own(
    'Tempo',
    `Tempo ${tempoWords(r.source.tempo)} s${on === 'screen' || on === 'handout' ? ': lowering, bottom, rising, top' : ''}.`,
  );

const needLine = (n: ResolvedNeed, text?: string): BlockLine => ({
  section: `Equipment: ${n.equipment.name}`,
  lead: text === undefined ? null : needName(n),
  text: text ?? needName(n),
  of: `equipment/${n.equipment.slug}`,
});

const atHome = ({ equipment }: ResolvedNeed): string =>
  equipment.homeSubstitutes.map((l) => l.text).join(' ') ||
  'nothing stands in for it; do this one at the hall.';

const unwantedLine = (u: ResolvedVariation['unwanted'][number]): BlockLine =>
  u.suggests
    ? own('Where it is felt', u.suggests, `Not ${feltWords(u)}`)
    : own('Where it is felt', `Not ${feltWords(u)}.`);

/** What the lines of a fault are told under. */
export const faultSection = (name: string) => `Fault: ${name}`;
/** Lines of a fault, each told under it. */
function linesOfFault(f: ResolvedFault) {
  const [section, of] = [faultSection(f.name), `fault/${f.slug}`];
  return (text: string, lead: string | null = null): BlockLine => ({ section, lead, text, of });
}

/** Its name and its first two answers, on one line. */
const shortFault = (f: ResolvedFault): BlockLine =>
  linesOfFault(f)(
    f.answers
      .slice(0, 2)
      .map((a) => a.text)
      .join(' ') || f.whenToStop,
    `${f.name}${f.severity === 3 ? ' (ends the set)' : ''}`,
  );

/** All that is known of it, a line each; first how it weighs, when and from where it is seen. */
function wholeFault(f: ResolvedFault): BlockLine[] {
  const line = linesOfFault(f);
  const cause = (id: string) => f.causes.find((c) => c.id === id)?.text ?? id;
  const needsFor = (a: ResolvedFault['answers'][number]) =>
    [a.needsSecondPerson ? 'second person' : '', ...a.equipment.map((e) => e.name)]
      .filter(Boolean)
      .join(', ');
  return [
    line(`${f.phase}; ${f.views.map((v) => VIEW_WORDS[v]).join(', ')}`, SEVERITY_WORDS[f.severity]),
    line(f.sign),
    ...f.causes.map((c) => line(c.text, 'Likely')),
    ...f.checks.flatMap((c) => [
      line(c.text, 'Check'),
      ...c.results.map((x) => line(x.pointsTo.map(cause).join(' '), x.result)),
    ]),
    ...f.answers.flatMap((a) => [
      line(a.text, a.answerKind),
      ...(needsFor(a) ? [line(needsFor(a), 'Needs')] : []),
    ]),
    ...(f.whenToStop ? [line(f.whenToStop, 'Stop')] : []),
    ...f.chain.flatMap((c) => [line(c.text, 'Over weeks'), line(c.gate, 'Until')]),
  ];
}

/**
 * What stands on a kind of paper, or on the screen, of a variation as it is resolved for its reader: composed here alone,
 * read by paper and screen, by what a sheet draws on and by what differs on it. Blocks without a line are left out.
 */
export const sheetBlocks = (on: Medium, r: ResolvedVariation): Block[] =>
  STANDS[on].flatMap((id) => {
    const { title, lines, documents } = COMPOSE[id](r, on);
    return lines.length > 0 ? [{ id, title, lines, documents: [...new Set(documents?.())] }] : [];
  });

/** Every line of a reading, in order. */
export const sheetLines = (on: Medium, r: ResolvedVariation): BlockLine[] =>
  STANDS[on].flatMap((id) => COMPOSE[id](r, on).lines);

/** "Knees fall in: Widen the stance." */
export const lineWords = (l: BlockLine): string => (l.lead === null ? l.text : `${l.lead}: ${l.text}`);
