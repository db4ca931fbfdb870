/** Short hyphenated name of a document; never changes once given. */
export type Slug = string;

/** A structured number that depends on the answer to one house question. */
export interface ByAnswer {
  question: Slug;
  byAnswer: Record<Slug, number>;
  otherwise: number;
}
export type RuledNumber = number | ByAnswer;
