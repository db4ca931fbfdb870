import { blankItem, fieldsOf, KINDS, LEVEL as LEVEL_FIELDS } from '../../../../core/library/index.ts';
import type { DocumentField, DocumentFields, Kind } from '../../../../core/library/index.ts';
import type { FieldSpec } from './types.ts';

const optionalOf = (f: DocumentField) => (f.optional ? { optional: true } : {});
const hintOf = (f: DocumentField) => (f.hint === undefined ? {} : { hint: f.hint });

/** How a member is edited and read, by what it is (core/library/kinds). */
function specOf(key: string, f: DocumentField): FieldSpec {
  const { label } = f;
  switch (f.is) {
    case 'text':
      return { type: 'text', key, label, ...hintOf(f), ...(f.loose || f.optional ? { optional: true } : {}) };
    case 'short id':
      return { type: 'text', key, label, ...hintOf(f), ...optionalOf(f) };
    case 'date':
      return { type: 'date', key, label, ...hintOf(f) };
    case 'number': {
      const unit = f.unit === undefined ? {} : { unit: f.unit };
      const step = f.step === undefined ? {} : { step: f.step };
      return { type: 'number', key, label, ...unit, ...step, ...hintOf(f), ...optionalOf(f) };
    }
    case 'ruled number':
      return { type: 'ruled', key, label, unit: f.unit, ...optionalOf(f) };
    case 'choice': {
      const words = f.words === undefined ? {} : { words: f.words };
      const none = f.none === undefined ? {} : { none: f.none };
      return { type: 'choice', key, label, options: f.of, ...words, ...none, ...optionalOf(f) };
    }
    case 'choices':
      return { type: 'choices', key, label, options: f.of };
    case 'flag':
      return { type: 'flag', key, label };
    case 'line':
      return { type: 'line', key, label };
    case 'lines':
      return { type: 'lines', key, label, ...hintOf(f) };
    case 'house rule':
      return { type: 'under', key, label };
    case 'document':
      return { type: 'document', key, label, kind: f.of, ...optionalOf(f) };
    case 'documents':
      return { type: 'documents', key, label, kind: f.of };
    case 'short ids':
      return { type: 'ids', key, label };
    case 'names':
      return { type: 'names', key, label, ...hintOf(f) };
    case 'list': {
      const fresh = () => blankItem(f.fields);
      return { type: 'list', key, label, item: f.item, fields: specsOf(f.fields), fresh };
    }
    case 'groups': {
      const fresh = () => blankItem(f.fields);
      return { type: 'needGroups', key, label, fields: specsOf(f.fields), fresh };
    }
    case 'group': {
      const fresh = f.optional ? { fresh: () => blankItem(f.fields) } : {};
      return { type: 'group', key, label, fields: specsOf(f.fields), ...optionalOf(f), ...fresh };
    }
    case 'mechanics':
      return { type: 'mechanics', key, label, ...optionalOf(f) };
    case 'predicate':
      return { type: 'predicate', key, label };
    case 'criterion':
      return { type: 'criterion', key, label, ...(f.negated ? { negated: true } : {}) };
    case 'ways on':
      return { type: 'waysOn', key, label };
  }
}

const specsOf = (fields: DocumentFields): FieldSpec[] =>
  Object.entries(fields).flatMap(([key, f]): FieldSpec[] => [
    ...(f.section ? [{ type: 'heading' as const, key: `heading ${f.section}`, label: f.section }] : []),
    specOf(key, f),
  ]);

export const LEVEL: FieldSpec[] = specsOf(LEVEL_FIELDS);

export const FORMS = Object.fromEntries(KINDS.map((kind) => [kind, specsOf(fieldsOf(kind))])) as Record<
  Kind,
  FieldSpec[]
>;
