/** The kinds of documents, in the order in which an import puts them in force. */
export const KINDS = [
  'houseQuestion',
  'equipment',
  'caution',
  'cue',
  'fault',
  'variation',
  'drillList',
  'ladder',
] as const;
export type Kind = (typeof KINDS)[number];
