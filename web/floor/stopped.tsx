import { Said } from '../shell/index.ts';
import { Link } from 'react-router';
import type { TodayPerson } from '../../contract/session.ts';
import { reachWords, stopSentence } from '../../core/ladder/index.ts';
import { Notice } from '../ui/index.ts';

/** What stops somebody, before anything is given to them. */
export function Stopped({ person: p }: { person: TodayPerson }) {
  if (p.stops.length === 0) return null;
  return (
    <Notice tone="warn">
      {p.stops.map((s) => (
        <span key={s.id} className="block">
          <b>
            <Said of={stopSentence(s)} />.
          </b>{' '}
          {reachWords(s.reach)} until the head coach clears it.
        </span>
      ))}{' '}
      Refer to a doctor or physiotherapist; local rules come first.{' '}
      {!p.covered && <Link to={`/people/${p.personId}`}>To the stop</Link>}
    </Notice>
  );
}
