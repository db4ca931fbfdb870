import { buildToFit, rangesLacking } from '../../core/body/index.ts';
import type { FloorBody } from '../../core/floor/index.ts';
import type { OpenContext } from '../endpoint.ts';
import { buildsOf } from './builds.ts';

/** Bodies that things are fitted to, in the shoes of the hall; those whom nobody has measured are left out. */
export async function bodiesOf(
  { db, hall }: Pick<OpenContext, 'db' | 'hall'>,
  ids: readonly string[],
): Promise<Map<string, FloorBody>> {
  const worn = { soleM: hall?.soleM ?? 0 };
  const bodies = new Map<string, FloorBody>();
  if (ids.length === 0) return bodies;
  for (const known of await buildsOf(db, ids)) {
    const found = buildToFit(known);
    if (found)
      bodies.set(known.personId, {
        build: found.build,
        worn,
        lacking: rangesLacking([found.ankle, found.hip, ...found.others]),
      });
  }
  return bodies;
}
