import type { LoggedSet } from '../log/index.ts';
import type { Aid } from '../terms/index.ts';

/** Amount of an aid used in a set: nought where aids were noted and it is not among them, null where none were noted. */
export function aidUsed(set: Pick<LoggedSet, 'aids'>, aid: Aid): number | null {
  if (set.aids === null) return null;
  const used = set.aids.find((a) => a.name === aid);
  if (!used) return 0;
  const amount = Number(used.setting);
  return used.setting.trim() !== '' && Number.isFinite(amount) ? amount : null;
}
