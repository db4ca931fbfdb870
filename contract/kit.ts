import { looseText, shape, strict, whole } from './parts.ts';

/** What the hall has of a kind of equipment. */
export interface KitRow {
  /** Slug of the equipment. */
  equipment: string;
  /** 0: none. */
  count: number;
  /** Where it stands. */
  place: string;
}
export type KitRequest = Omit<KitRow, 'equipment'>;

export const KIT_MOST = 500;
export const KIT_PLACE_MOST = 200;
export const kitSchema = shape({ count: whole(0, KIT_MOST), place: looseText(KIT_PLACE_MOST) }).prefs(strict);
