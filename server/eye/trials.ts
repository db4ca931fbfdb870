import { desc, eq } from 'drizzle-orm';
import type { TrialRequest, Trials } from '../../contract/eye.ts';
import { schema } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../refusal.ts';

const { eyeTrial, staff } = schema;

/** The newest tell how somebody sees now. */
const SHOWN = 3000;

/** @throws Refusal 422 for something that could not be said or shown; 409 where it is somebody else's */
export async function keepTrial({ db, me, at }: Context, id: string, said: TrialRequest): Promise<void> {
  for (const name of ['shown', 'said'] as const) {
    const fault = said[name];
    if (fault !== null && !said.offered.includes(fault))
      throw new Refusal(422, `${name}: ${fault} was not among what was offered. Nothing was kept.`);
  }
  const [before] = await db.select().from(eyeTrial).where(eq(eyeTrial.id, id)).for('update');
  if (before && before.staffId !== me.id)
    throw new Refusal(409, 'This belongs to somebody else. Nothing was changed.');
  // It stays as first judged.
  if (before) return;
  await db.insert(eyeTrial).values({ id, staffId: me.id, at: at.toISOString(), said });
}

/** One's own; the head coach sees who needs which fault. */
export async function trialsOf({ db, me }: Context): Promise<Trials> {
  const rows = await db
    .select({ coach: staff.name, said: eyeTrial.said })
    .from(eyeTrial)
    .innerJoin(staff, eq(staff.id, eyeTrial.staffId))
    .where(me.role === 'head coach' ? undefined : eq(eyeTrial.staffId, me.id))
    .orderBy(desc(eyeTrial.at))
    .limit(SHOWN);
  return { trials: rows.reverse().map(({ coach, said }) => ({ coach, ...said })) };
}
