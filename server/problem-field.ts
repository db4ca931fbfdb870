import type Joi from 'joi';

/** A validation error as the field it is about and a sentence. */
export const fieldOf = (d: Joi.ValidationErrorItem) => ({
  field: d.path.reduce<string>((p, k) => (typeof k === 'number' ? `${p}[${k}]` : p ? `${p}.${k}` : k), ''),
  detail: `${d.message[0]?.toUpperCase() ?? ''}${d.message.slice(1)}.`,
});
