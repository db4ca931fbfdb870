export { seeded } from '../program/index.ts';

/** A UUID of version 4 from the generator, so that a demo hall is the same every time. */
export function uuidFrom(random: () => number): string {
  const hex = (n: number) => Array.from({ length: n }, () => Math.floor(random() * 16).toString(16)).join('');
  const variant = '89ab'[Math.floor(random() * 4)]!;
  return `${hex(8)}-${hex(4)}-4${hex(3)}-${variant}${hex(3)}-${hex(12)}`;
}
