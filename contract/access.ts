import Joi from 'joi';
import type { DateStyle } from '../core/terms/index.ts';
import { hallValues } from './hall-values.ts';
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
  /** Changed to by PIN on a shared tablet: the floor alone is open. */
  floorOnly: boolean;
}

/** Of an authenticator, or a recovery code. */
const code = Joi.string().trim().max(40);
export const signInSchema = shape({ login: text(80), password: text(200) }, { code }).prefs({
  ...strict,
  convert: true,
});
export interface SignInRequest {
  login: string;
  password: string;
  code?: string;
}

const newPassword = text(200).min(10).messages({ 'string.min': '{{#label}} needs at least 10 characters' });
export const firstAccountSchema = shape(
  {
    hallName: text(120),
    name: text(120),
    login: text(80).min(2),
    password: newPassword,
  },
  {
    setUp: Joi.string().trim().allow('').max(40),
    ...hallValues,
  },
).prefs({ ...strict, convert: true });
export interface FirstAccountRequest {
  hallName: string;
  name: string;
  login: string;
  password: string;
  /** The code on the server's console, where one is asked for. */
  setUp?: string;
  /** As the browser of whoever opens the hall has them; absent: metric, A4, day first, the server's time. */
  timeZone?: string;
  paper?: 'A4' | 'Letter';
  massUnit?: 'kg' | 'lb';
  lengthUnit?: 'cm' | 'in';
  dates?: DateStyle;
}

/** What a link carries behind its #, where no server and no log ever sees it by itself. */
export const linkSchema = shape({ token: Joi.string().pattern(/^[\w-]{16,64}$/) }).prefs(strict);
export interface LinkRequest {
  token: string;
}

/** One's own account, as one sees it. */
export interface Account {
  /** Codes of an authenticator are asked for. */
  codes: boolean;
  recoveryLeft: number;
  pin: boolean;
  sessions: SessionRow[];
}
export interface SessionRow {
  id: string;
  device: string;
  startedAt: string;
  seenAt: string;
  /** The one that asks. */
  current: boolean;
  floorOnly: boolean;
}
export const passwordSchema = shape({ old: text(200), password: newPassword }).prefs(strict);
export interface PasswordRequest {
  old: string;
  password: string;
}
export const sureSchema = shape({ password: text(200) }, { code }).prefs({ ...strict, convert: true });
export interface SureRequest {
  password: string;
  code?: string;
}
export const codeSchema = shape({ code }).prefs({ ...strict, convert: true });
export interface CodeRequest {
  code: string;
}
/** A secret for an authenticator: nothing is asked for until its first code has come. */
export interface CodesOffered {
  secret: string;
  /** `otpauth://totp/...` for a QR code. */
  url: string;
}
const pin = Joi.string()
  .pattern(/^\d{4,8}$/)
  .messages({ 'string.pattern.base': '{{#label}} is four to eight digits' });
export const pinSchema = shape({ pin: pin.allow(null) }).prefs(strict);
export interface PinRequest {
  /** null: none any more. */
  pin: string | null;
}
export interface Colleague {
  id: string;
  name: string;
}
export const changeCoachSchema = shape({ staff: Joi.string().uuid(), pin }).prefs(strict);
export interface ChangeCoachRequest {
  staff: string;
  pin: string;
}

export { newPassword };
