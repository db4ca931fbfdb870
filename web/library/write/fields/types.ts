import type { Kind } from '../../../../core/library/index.ts';

/** How one member of a document is edited and read. The order of fields is the order of the work. */
export type FieldSpec =
  | { type: 'text'; key: string; label: string; long?: boolean; optional?: boolean; hint?: string }
  | { type: 'date'; key: string; label: string; hint?: string }
  | {
      type: 'number';
      key: string;
      label: string;
      unit?: string;
      step?: number;
      optional?: boolean;
      hint?: string;
    }
  | {
      type: 'choice';
      key: string;
      label: string;
      options: readonly (string | number)[];
      words?: Readonly<Record<string, string>>;
      optional?: boolean;
      /** What leaving it out means. */
      none?: string;
    }
  | { type: 'choices'; key: string; label: string; options: readonly string[] }
  | { type: 'flag'; key: string; label: string }
  | { type: 'line'; key: string; label: string }
  | { type: 'lines'; key: string; label: string; hint?: string }
  /** The house answers that the member stands under. */
  | { type: 'under'; key: string; label: string }
  | { type: 'ruled'; key: string; label: string; unit: string; optional?: boolean }
  | { type: 'document'; key: string; label: string; kind: Kind; optional?: boolean }
  | { type: 'documents'; key: string; label: string; kind: Kind; hint?: string }
  | { type: 'ids'; key: string; label: string; hint?: string }
  | { type: 'names'; key: string; label: string; hint?: string }
  | {
      type: 'group';
      key: string;
      label: string;
      fields: FieldSpec[];
      optional?: boolean;
      fresh?: () => unknown;
    }
  | { type: 'list'; key: string; label: string; item: string; fields: FieldSpec[]; fresh: () => unknown }
  | { type: 'needGroups'; key: string; label: string; fields: FieldSpec[]; fresh: () => unknown }
  | { type: 'criterion'; key: string; label: string; negated?: boolean }
  | { type: 'waysOn'; key: string; label: string }
  | { type: 'predicate'; key: string; label: string }
  | { type: 'mechanics'; key: string; label: string; optional?: boolean }
  | { type: 'heading'; key: string; label: string };

export type Value = Record<string, unknown>;
