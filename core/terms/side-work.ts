import type { Laterality, SideOrder } from './lists.ts';

/**
 * How the sides of a movement work: both together; each on its own, done and logged apart; or in turns within one set,
 * whose number is of both.
 */
export type SideWork = 'together' | 'apart' | 'in turns';

export const sideWorkOf = (v: { laterality: Laterality; sideOrder: SideOrder }): SideWork =>
  v.laterality === 'two legs' ? 'together' : v.sideOrder === 'sides alternating' ? 'in turns' : 'apart';

/** Whether left and right are done and logged apart. */
export const sidesApart = (v: { laterality: Laterality; sideOrder: SideOrder }): boolean =>
  sideWorkOf(v) === 'apart';

/** "8–12 each side", "12 (6 each side)"; a number for both together stays as it is. */
export function withSides(amount: string, sides: SideWork, total?: { from: number; to: number }): string {
  if (sides === 'together') return amount;
  if (sides === 'apart') return `${amount} each side`;
  if (!total) return `${amount}, sides in turns`;
  const each = total.from === total.to ? `${total.from / 2}` : `${total.from / 2}–${total.to / 2}`;
  return `${amount} (${each} each side)`;
}
