import type { Criterion } from '../criterion/index.ts';
import type { ValuesOf } from './kinds/field.ts';
import type { Kind } from './kinds/kind.ts';
import type { DOCUMENT_FIELDS } from './kinds/kinds.ts';
import type { Slug } from '../terms/index.ts';

type Fields = typeof DOCUMENT_FIELDS;
interface Named<K extends Kind> {
  kind: K;
  /** Short hyphenated name of the document; never changes once given. */
  slug: Slug;
}

export interface Variation extends Named<'variation'>, ValuesOf<Fields['variation']> {}
export interface Cue extends Named<'cue'>, ValuesOf<Fields['cue']> {}
export interface Fault extends Named<'fault'>, ValuesOf<Fields['fault']> {}
export interface Caution extends Named<'caution'>, ValuesOf<Fields['caution']> {}
export interface Equipment extends Named<'equipment'>, ValuesOf<Fields['equipment']> {}
export interface HouseQuestion extends Named<'houseQuestion'>, ValuesOf<Fields['houseQuestion']> {}
export interface DrillList extends Named<'drillList'>, ValuesOf<Fields['drillList']> {}
export interface Ladder extends Named<'ladder'>, ValuesOf<Fields['ladder']> {}

export type Tempo = Variation['tempo'];
export type Dose = Variation['dose'][number];
export type EquipmentNeed = Variation['equipmentAll'][number];
/** A sensation that is looked for, or let pass, only under some answers; absent: always. */
export type RuledFelt = Variation['wanted'][number];
export type FaultAnswer = Fault['answers'][number];
export type FaultShows = NonNullable<Fault['shows']>;
export type HouseAnswer = HouseQuestion['hall'];
export type Level = Ladder['levels'][number];
export type LevelDose = Level['dose'];
/** What is asked instead of somebody who does the level in another role or is read at another stage. */
export type LevelVariant = NonNullable<Level['variants']>[number];
/** Why the order stands although a level asks less than the one below, the step is big, or the reference build cannot. */
export type DemandAnswer = NonNullable<Ladder['demandAnswers']>[number];

/** A level with its criteria under the answers in force: what is shown and decided with. */
export interface SettledVariant extends Omit<LevelVariant, 'advance' | 'stepBack'> {
  advance: Criterion;
  stepBack: Criterion;
}
export interface SettledInterval extends Omit<NonNullable<Level['interval']>, 'advance' | 'stepBack'> {
  advance: Criterion;
  stepBack: Criterion;
}
export interface SettledLevel extends Omit<Level, 'advance' | 'stepBack' | 'variants' | 'interval'> {
  advance: Criterion;
  stepBack: Criterion;
  variants?: SettledVariant[];
  interval?: SettledInterval;
  /** In the form that is worked in the level trains and earns nothing. */
  trainsOnly?: true;
}
export interface SettledLadder extends Omit<Ladder, 'levels'> {
  levels: SettledLevel[];
}

export type Body = Variation | Cue | Fault | Caution | Ladder | Equipment | HouseQuestion | DrillList;
export type BodyOf<K extends Kind> = Extract<Body, { kind: K }>;

export const KIND_WORDS: Record<Kind, string> = {
  variation: 'variation',
  cue: 'cue',
  fault: 'fault',
  caution: 'caution',
  ladder: 'ladder',
  equipment: 'equipment',
  houseQuestion: 'house question',
  drillList: 'drill list',
};

/** What a coach calls the document. */
export function titleOf(body: Body): string {
  switch (body.kind) {
    case 'cue':
      return body.line.text;
    case 'houseQuestion':
      return body.question;
    default:
      return body.name;
  }
}
