import { Link, useParams } from 'react-router';
import { useAsk, usePeople } from '../shell/index.ts';
import { Empty, Loaded } from '../ui/index.ts';
import { mayBegin, Trials } from './trials.tsx';

/** Placing somebody by trials where they stand on the floor. */
export function TrialsPage() {
  const { id = '' } = useParams();
  const { find } = usePeople();
  const query = useAsk('personOnLadders', { person: id });
  return (
    <Loaded query={query} what="the ladders">
      {({ ladders }) => (
        <div className="grid max-w-3xl gap-3">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <h1>{find(id)?.name}</h1>
            <Link className="inline-flex min-h-14 items-center" to={`/floor/session?people=${id}`}>
              Back to the session
            </Link>
          </div>
          {!ladders.some(mayBegin) && <Empty>They stand on every ladder that is open to them.</Empty>}
          <Trials personId={id} ladders={ladders} />
        </div>
      )}
    </Loaded>
  );
}
