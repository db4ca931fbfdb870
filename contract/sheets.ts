import Joi from 'joi';
import type { EditionHeader } from '../core/exchange/index.ts';
import type { Criterion } from '../core/criterion/index.ts';
import type { Target } from '../core/ladder/index.ts';
import type { CriterionEffect } from '../core/review/index.ts';
import type { Kind, ResolvedVariation, SettledLadder } from '../core/library/index.ts';
import type { AidUsed } from '../core/log/index.ts';
import type { Pattern, SettingUsed, Stage } from '../core/terms/index.ts';
import type { SettledMechanics } from '../core/posture/index.ts';
import type { JobItem, SheetEffect, WarmUp, WarmUpEntry } from '../core/sheets/index.ts';
import type { HallSettings } from './hall.ts';
import { shape, strict, text, whole } from './parts.ts';

/** What the paper says about the one it is printed for. */
export interface PrintedFor {
  id: string;
  name: string;
}

/** One variation on paper. */
export interface PrintedVariation {
  resolved: ResolvedVariation;
  revision: number;
  /** Stage the cues are chosen for; null where the sheet is for nobody in particular. */
  stage: Stage | null;
  /** The person's own dose where they stand on a level of it. */
  target: Target | null;
  /** Aids and settings of the last set that told any. */
  lastAids: AidUsed[] | null;
  lastSettings: SettingUsed[] | null;
  /** How it is set to them as computed. */
  setTo: SettingUsed[];
  /** A restriction of the person bars it; which, and who said so, is not for paper. */
  barred: boolean;
}

export interface PrintedLevel {
  id: string;
  name: string;
  mechanics: SettledMechanics;
  pattern: Pattern;
  main: string;
  equals: string[];
  dose: string;
  advance: Criterion;
}

/** A sheet about one variation. */
export interface SheetOfOne {
  kind: 'floor' | 'full' | 'handout';
  item: JobItem;
  of: PrintedVariation;
}

export type PrintedSheet =
  | SheetOfOne
  | { kind: 'log'; item: JobItem; of: PrintedVariation[] }
  | {
      kind: 'warm-up';
      item: JobItem;
      of: string[];
      seconds: number;
      entries: (Omit<WarmUpEntry, 'variation'> & { of: PrintedVariation })[];
      leftOut: WarmUp['leftOut'];
    }
  | {
      kind: 'poster';
      item: JobItem;
      ladder: SettledLadder;
      levels: PrintedLevel[];
      standing: string | null;
      /** Side flights: what leaves from a level of the trunk, with the names of its steps. */
      branches: { from: string; name: string; steps: string[]; standing: string | null }[];
    };

/** Everything that a print job prints; a shared link gives the same. */
export interface PrintJob {
  sheets: PrintedSheet[];
  person: PrintedFor | null;
  hall: Pick<HallSettings, 'name' | 'paper' | 'massUnit' | 'lengthUnit' | 'dates'> & { today: string };
  edition: EditionHeader;
  /** State of the library that was printed: the QR code carries it. */
  state: number;
  /** Where the QR code leads: the application’s own address. */
  publicUrl: string;
  /** Things asked for that are not in the library any more. */
  missing: string[];
  /** For a shared link: when it ends. */
  until: string | null;
}

/** A document that a sheet draws on and that has changed since it was printed. */
export interface ChangedSince {
  kind: Kind;
  slug: string;
  title: string;
  from: number;
  to: number;
  at: string;
  author: string;
  reason: string;
}

/** What scanning a printed sheet tells. */
export interface PrintedState {
  verdict: 'current' | 'outdated';
  item: JobItem;
  title: string;
  /** State that was printed, and that of now. */
  printed: number;
  now: number;
  changed: ChangedSince[];
  /** What reads or is drawn differently on it, sheet by sheet; empty: every line is as it was. */
  differs: SheetEffect[];
  /** Criteria of a poster that read differently. */
  criteria: CriterionEffect[];
}

export const shareSchema = shape({
  job: text(3000),
  person: Joi.string().uuid().allow(null),
  days: whole(1, 365),
}).prefs(strict);
export interface ShareRequest {
  job: string;
  person: string | null;
  days: number;
}

/** Told once, when the link is made: the hall keeps only what recognises it. */
export interface ShareMade {
  id: string;
  url: string;
  expiresAt: string;
}

export interface ShareRow {
  id: string;
  titles: string[];
  person: string | null;
  madeBy: string;
  madeAt: string;
  expiresAt: string;
  revokedAt: string | null;
  opened: number;
  state: 'open' | 'expired' | 'revoked';
}
