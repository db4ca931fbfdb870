import Joi from 'joi';

/** Nothing is converted silently: what arrives as text stays text, so Joi and the JSON Schema agree. */
export const strict = { convert: false, abortEarly: false, errors: { wrap: { label: false as const } } };

export const slug = () =>
  Joi.string()
    .pattern(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .max(80)
    .messages({ 'string.pattern.base': '{{#label}} must be small letters, digits and single hyphens' });
/** Calendar day; the pattern is what both Joi and the JSON Schema check. */
export const isoDate = () =>
  Joi.string()
    .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
    .messages({ 'string.pattern.base': '{{#label}} must be a date like 2026-11-24' });
/** Nobody here trains before or after. */
const FIRST_DAY = '1900-01-01';
const LAST_DAY = '2200-12-31';
/** A day that there is: the calendar has no 31st of February. */
export const day = () =>
  isoDate()
    .custom((value: string, helpers) =>
      !new Date(`${value}T00:00:00Z`).toISOString().startsWith(value)
        ? helpers.error('any.invalid')
        : value < FIRST_DAY || value > LAST_DAY
          ? helpers.error('any.only')
          : value,
    )
    .messages({
      'any.invalid': '{{#label}} is a day that the calendar does not have',
      'any.only': '{{#label}} lies in no year from 1900 to 2200',
    });
export const text = (most = 2000) => Joi.string().min(1).max(most);
export const looseText = (most = 2000) => Joi.string().allow('').max(most);
export const oneOf = <T extends string>(list: readonly T[]) => Joi.string().valid(...list);
export const whole = (from: number, to: number) => Joi.number().integer().min(from).max(to);
export const number = (from: number, to: number) => Joi.number().min(from).max(to);
export const list = (item: Joi.Schema, most = 200) => Joi.array().items(item).max(most);

type Members = Record<string, Joi.Schema>;
/** An object all of whose members are required unless marked optional; unknown members are refused. */
export const shape = (members: Members, optional: Members = {}) =>
  Joi.object({
    ...Object.fromEntries(Object.entries(members).map(([k, s]) => [k, s.required()])),
    ...optional,
  });

/** A union told apart by one text member, with the error of the branch that was meant. */
export const union = (
  key: string,
  branches: Record<string, Members>,
  optional: Record<string, Members> = {},
) =>
  Joi.alternatives()
    .conditional(`.${key}`, {
      switch: Object.entries(branches).map(([name, members]) => ({
        is: name,
        then: shape({ [key]: Joi.string().valid(name), ...members }, optional[name]),
      })),
    } as Joi.WhenSchemaOptions)
    .messages({ 'alternatives.any': `{{#label}} has an unknown "${key}"` });
