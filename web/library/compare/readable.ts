import { canonicalJson, fieldsOf } from '../../../core/library/index.ts';
import type {
  Body,
  DocumentField,
  EquipmentNeed,
  HoldsUnder,
  Kind,
  Line,
  WayOn,
} from '../../../core/library/index.ts';
import type { Mechanics } from '../../../core/posture/index.ts';
import { sentencesOf } from '../../../core/criterion/index.ts';
import { wayOnSentence } from '../../../core/ladder/index.ts';
import type { RuledCriterion } from '../../../core/criterion/index.ts';
import { mechanicsWords, valueWords } from '../read/words.ts';

type Value = Record<string, unknown>;

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

function linesOf(f: DocumentField, v: unknown, name: Naming): string[] {
  if (v === undefined || v === null || v === '') return [];
  switch (f.is) {
    case 'line':
      return [lineText(v as Line)];
    case 'house rule':
      return [`while ${underText(v as HoldsUnder)}`];
    case 'lines':
      return (v as Line[]).map(lineText);
    case 'choices':
    case 'short ids':
    case 'names':
      return v as string[];
    case 'documents':
      return (v as string[]).map((slug) => name(f.of, slug));
    case 'document':
      return [name(f.of, v as string)];
    case 'flag':
      return v ? ['yes'] : [];
    case 'group':
      return Object.entries(f.fields).flatMap(([key, g]) =>
        linesOf(g, (v as Value)[key], name).map((t) => `${g.label}: ${t}`),
      );
    case 'list':
      return (v as Value[]).flatMap((item, i) =>
        Object.entries(f.fields).flatMap(([key, g]) =>
          linesOf(g, item[key], name).map((t) => `${i + 1}. ${g.label}: ${t}`),
        ),
      );
    case 'groups':
      return (v as EquipmentNeed[][]).map(
        (g) => `One of: ${g.map((n) => name('equipment', n.equipment)).join(', ')}`,
      );
    case 'criterion':
      return sentencesOf(v as RuledCriterion);
    case 'ways on':
      return (v as WayOn[]).map(wayOnSentence);
    case 'mechanics':
      return [mechanicsWords(v as Mechanics)];
    default:
      return [valueWords(f, v)];
  }
}

/** The fields in which two versions differ, as words in reading order; a missing version is empty. */
export function differingFields(before: Body | null, after: Body | null, name: Naming) {
  const kind = (after ?? before)!.kind;
  return Object.entries(fieldsOf(kind)).flatMap(([key, f]) => {
    const b = (before as Value | null)?.[key];
    const a = (after as Value | null)?.[key];
    if (canonicalJson(b ?? null) === canonicalJson(a ?? null)) return [];
    return [{ label: f.label, before: linesOf(f, b, name), after: linesOf(f, a, name) }];
  });
}
