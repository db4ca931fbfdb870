import Joi from 'joi';
import { DATE_STYLES } from '../core/terms/index.ts';

const timeZone = Joi.string()
  .max(60)
  .custom((value: string, helpers) => {
    try {
      new Intl.DateTimeFormat('en', { timeZone: value });
      return value;
    } catch {
      return helpers.error('any.invalid');
    }
  })
  .messages({ 'any.invalid': '{{#label}} is not a time zone, e.g. Europe/Lisbon' });

/** What a hall measures, writes and prints in. */
export const hallValues = {
  timeZone,
  paper: Joi.string().valid('A4', 'Letter'),
  massUnit: Joi.string().valid('kg', 'lb'),
  lengthUnit: Joi.string().valid('cm', 'in'),
  dates: Joi.string().valid(...Object.keys(DATE_STYLES)),
};
