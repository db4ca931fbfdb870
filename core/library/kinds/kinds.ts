import { CAUTION } from './caution.ts';
import { CUE } from './cue.ts';
import { DRILL_LIST } from './drill-list.ts';
import { EQUIPMENT } from './equipment.ts';
import { FAULT } from './fault.ts';
import type { DocumentFields } from './field.ts';
import { HOUSE_QUESTION } from './house-question.ts';
import type { Kind } from './kind.ts';
import { LADDER } from './ladder.ts';
import { VARIATION } from './variation.ts';

/** The members of each kind of document, in the order of the work: one file a kind. */
export const DOCUMENT_FIELDS = {
  houseQuestion: HOUSE_QUESTION,
  equipment: EQUIPMENT,
  caution: CAUTION,
  cue: CUE,
  fault: FAULT,
  variation: VARIATION,
  drillList: DRILL_LIST,
  ladder: LADDER,
} as const satisfies Record<Kind, DocumentFields>;
export const fieldsOf = (kind: Kind): DocumentFields => DOCUMENT_FIELDS[kind];
