import { faultCounts, feltSchema } from './log.ts';
import Joi from 'joi';
import { SIDES } from '../core/terms/index.ts';
import type { ResolvedFault } from '../core/library/index.ts';
import { CASE_ENDS, TRY_OUTCOMES } from '../core/fault/index.ts';
import type {
  AgreementRow,
  AnswerRow,
  ChainTry,
  Experience,
  FaultCase,
  RatedTwice,
  Seen,
  WhereRow,
} from '../core/fault/index.ts';
import type { Shown } from '../core/floor/index.ts';
import type { LoggedSet } from '../core/log/index.ts';
import type { RecurringFault } from '../core/ladder/index.ts';
import { day, list, looseText, number, oneOf, shape, slug, strict, text, whole } from './parts.ts';

const side = oneOf(SIDES).allow(null);
const seen = shape({ fault: slug(), side });
const personId = Joi.string().uuid();

/** A case as the tablet sends it, whole every time; a greater edit takes the place of a smaller. */
export interface CaseRequest extends FaultCase {
  edit: number;
  variationRevision: number;
  /** The easier variation it was left for. */
  easier: string | null;
  /** 0 to 10; null: not asked. */
  pain: number | null;
  note: string;
}
export const caseSchema = shape({
  personId,
  date: day(),
  edit: whole(1, 100_000),
  variation: slug(),
  variationRevision: whole(1, 1_000_000),
  signs: list(seen, 12),
  felt: feltSchema(20),
  checks: list(
    shape(
      { fault: slug(), check: text(), result: text(300).allow(null) },
      {
        measured: shape({
          angle: text(80),
          before: number(-360, 360),
          after: number(-360, 360),
          band: number(0, 90),
        }),
      },
    ),
    40,
  ),
  tried: list(
    shape({
      fault: slug(),
      answer: text(),
      causes: list(slug(), 12).allow(null),
      outcome: oneOf(TRY_OUTCOMES),
    }),
    60,
  ),
  end: oneOf(CASE_ENDS).allow(null),
  easier: slug().allow(null),
  pain: number(0, 10).allow(null),
  note: looseText(600),
}).prefs(strict);

export interface CaseRow extends CaseRequest {
  id: string;
  by: string;
  byId: string | null;
}

export interface ChainTryRequest extends ChainTry {
  personId: string;
}
export const chainTrySchema = shape({
  personId,
  fault: slug(),
  side,
  step: text(),
  date: day(),
  passed: Joi.boolean(),
}).prefs(strict);

/** What the desk has to know besides the sheet of the variation. */
export interface DeskKnowledge {
  experience: Experience;
  people: {
    personId: string;
    cases: Shown<CaseRow>[];
    chain: ChainTry[];
    recurring: RecurringFault[];
    /** Name and chain of every fault named above, under the house rules. */
    faults: Pick<ResolvedFault, 'slug' | 'name' | 'chain'>[];
    /** Variations that a restriction bars for them, and how. */
    barred: Record<string, string>;
  }[];
}

/** What the second coach saw of a set. */
export interface RatingRequest {
  faults: (Seen & { reps: number })[];
}
export const ratingSchema = shape({
  faults: faultCounts,
}).prefs(strict);

/** A set of today that another coach watched, without what they saw. */
export type SetToRate = Pick<
  LoggedSet,
  'id' | 'ordinal' | 'variation' | 'side' | 'doneReps' | 'holdS' | 'rounds' | 'loadKg'
> & { personId: string; loggedBy: string };

export interface FaultReport {
  from: string;
  to: string;
  names: {
    faults: Record<string, string>;
    variations: Record<string, string>;
    people: Record<string, string>;
  };
  where: WhereRow[];
  answers: AnswerRow[];
  agreement: AgreementRow[];
  rated: RatedTwice[];
  cases: number;
}
