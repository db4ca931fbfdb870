import type { OwnDay } from '../../contract/session.ts';
import type { HomeThing } from '../../core/kit/index.ts';
import type { Led } from '../plan/index.ts';
import { firstOf } from '../plan/index.ts';
import { kept } from '../ui/index.ts';

/** Today's plan as it was last read, for where there is no connection; nothing older is kept. */
interface KeptDay {
  link: string;
  savedAt: string;
  day: OwnDay;
}
/** Nothing of the holder stays on the device for longer. */
export const KEPT_MS = 7 * 24 * 3600_000;

const store = kept<KeptDay | null>('meister-own-day', { none: null });

/** How far a session alone has come, and what is there for it. */
export interface OwnSession {
  date: string;
  /** null: it is done as in the hall. */
  have: HomeThing[] | null;
  minutes: number | null;
  began: boolean;
  warmedUp: boolean;
  led: Led;
  /** Ended here and now: by pain, or by the press of stop. */
  ended: boolean;
}
const NONE: OwnSession = {
  date: '',
  have: null,
  minutes: null,
  began: false,
  warmedUp: false,
  led: firstOf(),
  ended: false,
};
export const ownSession = kept<OwnSession>('meister-own-session', { none: NONE });

/** The session of today; what is at home stays ticked from one day to the next. */
export function sessionOf(s: OwnSession, date: string): OwnSession {
  return s.date === date ? s : { ...NONE, date, have: s.have };
}

/** Too old, or of a link that has ended: nothing of it stays on the device. */
const isOver = ({ savedAt, day }: KeptDay, now: number) =>
  now - Date.parse(savedAt) > KEPT_MS || Date.parse(day.until) < now;

export function keepDay(link: string, day: OwnDay, now = Date.now()): void {
  store.put({ link, day, savedAt: new Date(now).toISOString() });
}

/** What is on this device of the link, unless it is over: then it goes. */
export function keptDay(link: string, now = Date.now()): KeptDay | null {
  const found = store.current();
  if (found === null) return null;
  if (isOver(found, now)) {
    purge();
    return null;
  }
  return found.link === link ? found : null;
}

/** Everything of the holder leaves the device. */
export function purge(): void {
  store.put(null);
  ownSession.put(NONE);
}
