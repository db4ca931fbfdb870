import Joi from 'joi';
import { shape, strict, text } from './parts.ts';

export const STAFF_ROLES = ['head coach', 'coach', 'viewer'] as const;
export type StaffRole = (typeof STAFF_ROLES)[number];

/** What the client may know of the one who is signed in. */
export interface Me {
  id: string;
  name: string;
  login: string;
  role: StaffRole;
  squadIds: string[];
}

export const signInSchema = shape({ login: text(80), password: text(200) }).prefs(strict);
export interface SignInRequest {
  login: string;
  password: string;
}

const newPassword = text(200).min(10).messages({ 'string.min': '{{#label}} needs at least 10 characters' });
export const firstAccountSchema = shape({
  hallName: text(120),
  name: text(120),
  login: text(80).min(2),
  password: newPassword,
}).prefs(strict);
export interface FirstAccountRequest extends SignInRequest {
  hallName: string;
  name: string;
}

/** What a link carries behind its #, where no server and no log ever sees it by itself. */
export const linkSchema = shape({ token: Joi.string().pattern(/^[\w-]{16,64}$/) }).prefs(strict);
export interface LinkRequest {
  token: string;
}

export { newPassword };
