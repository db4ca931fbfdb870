import { canonicalJson } from '../../../core/library/index.ts';
import type {
  Body,
  EquipmentNeed,
  HoldsUnder,
  Kind,
  Line,
  Predicate,
  WayOn,
} from '../../../core/library/index.ts';
import type { Mechanics } from '../../../core/posture/index.ts';
import type { RuledNumber } from '../../../core/terms/index.ts';
import { sentencesOf } from '../../../core/criterion/index.ts';
import { wayOnSentence } from '../../../core/ladder/index.ts';
import type { RuledCriterion } from '../../../core/criterion/index.ts';
import { FORMS } from '../write/fields/index.ts';
import type { FieldSpec, Value } from '../write/fields/index.ts';
import { mechanicsWords, predicateSentence, ruledWords } from '../read/reading.tsx';

const show = (v: unknown) => (typeof v === 'string' ? v : JSON.stringify(v));

const underText = (holdsUnder: HoldsUnder | undefined) =>
  Object.entries(holdsUnder ?? {})
    .map(([q, a]) => `${q} is ${a.join(' or ')}`)
    .join(' and ');
const lineText = (l: Line) => {
  const under = underText(l.holdsUnder);
  return under ? `${l.text} [while ${under}]` : l.text;
};

/** What a document is called. */
export type Naming = (kind: Kind, slug: string) => string;

function linesOf(f: FieldSpec, v: unknown, name: Naming): string[] {
  if (v === undefined || v === null || v === '') return [];
  switch (f.type) {
    case 'line':
      return [lineText(v as Line)];
    case 'under':
      return [`while ${underText(v as HoldsUnder)}`];
    case 'lines':
      return (v as Line[]).map(lineText);
    case 'choices':
    case 'ids':
    case 'names':
      return v as string[];
    case 'documents':
      return (v as string[]).map((slug) => name(f.kind, slug));
    case 'document':
      return [name(f.kind, v as string)];
    case 'choice':
      return [f.words?.[show(v)] ?? show(v)];
    case 'flag':
      return v ? ['yes'] : [];
    case 'number':
      return [`${show(v)}${f.unit ? ` ${f.unit}` : ''}`];
    case 'ruled':
      return [ruledWords(v as RuledNumber)];
    case 'group':
      return f.fields.flatMap((g) => linesOf(g, (v as Value)[g.key], name).map((t) => `${g.label}: ${t}`));
    case 'list':
      return (v as Value[]).flatMap((item, i) =>
        f.fields.flatMap((g) => linesOf(g, item[g.key], name).map((t) => `${i + 1}. ${g.label}: ${t}`)),
      );
    case 'needGroups':
      return (v as EquipmentNeed[][]).map(
        (g) => `One of: ${g.map((n) => name('equipment', n.equipment)).join(', ')}`,
      );
    case 'criterion':
      return sentencesOf(v as RuledCriterion);
    case 'waysOn':
      return (v as WayOn[]).map(wayOnSentence);
    case 'predicate':
      return [predicateSentence(v as Predicate)];
    case 'mechanics':
      return [mechanicsWords(v as Mechanics)];
    case 'heading':
      return [];
    default:
      return [show(v)];
  }
}

/** The fields in which two versions differ, as words in reading order; a missing version is empty. */
export function differingFields(before: Body | null, after: Body | null, name: Naming) {
  const kind = (after ?? before)!.kind;
  return FORMS[kind].flatMap((f) => {
    const b = (before as Value | null)?.[f.key];
    const a = (after as Value | null)?.[f.key];
    if (f.type === 'heading' || canonicalJson(b ?? null) === canonicalJson(a ?? null)) return [];
    return [{ label: f.label, before: linesOf(f, b, name), after: linesOf(f, a, name) }];
  });
}
