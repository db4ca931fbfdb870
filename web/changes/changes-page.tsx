import { Link } from 'react-router';
import { KIND_WORDS } from '../../core/library/index.ts';
import { useAsk, useSigned } from '../shell/index.ts';
import { Empty, Loaded, moment } from '../ui/index.ts';

/** Proposed changes waiting for the head coach, and what has been decided. */
export function Changes() {
  const { hall } = useSigned();
  const changes = useAsk('changes');
  return (
    <Loaded query={changes} what="the changes">
      {(list) => (
        <div className="mx-auto max-w-4xl">
          <h1>Changes</h1>
          {(['proposed', 'accepted', 'declined'] as const).map((state) => {
            const some = list.filter((c) => c.state === state);
            if (some.length === 0 && state !== 'proposed') return null;
            return (
              <section key={state} className="mt-5">
                <h2 className="border-b border-ink pb-1">
                  {{ proposed: 'Waiting', accepted: 'In force', declined: 'Declined' }[state]}
                </h2>
                {some.length === 0 && (
                  <Empty next={{ to: '/library', what: 'To the library' }}>
                    Nothing waits. A coach proposes from any sheet with “Propose a change”.
                  </Empty>
                )}
                <ul>
                  {some.map((c) => (
                    <li key={c.id} className="border-b border-rule">
                      <Link to={`/changes/${c.id}`} className="block py-2 no-underline hover:bg-paper">
                        <span className="font-semibold">
                          {c.documents.length > 3
                            ? `${c.documents.length} documents`
                            : c.documents.map((d) => `${d.title} (${KIND_WORDS[d.kind]})`).join(', ')}
                        </span>
                        <span className="block text-sm text-soft">
                          {c.author}, {moment(c.at, hall.timeZone)}
                          {c.reason && `: ${c.reason}`}
                          {c.decision && ` (${c.decidedBy}: ${c.decision})`}
                        </span>
                      </Link>
                    </li>
                  ))}
                </ul>
              </section>
            );
          })}
        </div>
      )}
    </Loaded>
  );
}
