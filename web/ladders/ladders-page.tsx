import { Link } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { byPattern } from '../../core/terms/index.ts';
import { useLibrary, useSigned } from '../shell/index.ts';
import { Empty, Loaded } from '../ui/index.ts';
import { Elevation } from './elevation.tsx';
import { Flights } from './flights.tsx';
import { ladderProfile } from './profile.tsx';
import { useLadder, useStanding } from './use-ladder.ts';

/** Every ladder as its elevation. */
export function Ladders() {
  const { me } = useSigned();
  const { query: library } = useLibrary();
  return (
    <Loaded query={library} what="the ladders">
      {({ entries }) => {
        const ladders = entries
          .filter((e) => e.kind === 'ladder' && !e.retired && !e.branchOf)
          .sort((a, b) => byPattern(a, b) || a.title.localeCompare(b.title));
        return (
          <>
            <h1>Ladders</h1>
            {ladders.length === 0 && (
              <Empty
                next={
                  me.role === 'head coach' && {
                    to: '/overview',
                    what: 'Begin with the library that comes with Meister',
                  }
                }
              >
                No ladder yet.{' '}
                {me.role === 'head coach' ? (
                  <Link to="/library?kind=ladder">Write one in the library</Link>
                ) : (
                  'The head coach makes one.'
                )}
              </Empty>
            )}
            {ladders.map((l) => (
              <section key={l.slug} className="mt-6">
                <h2>
                  <Link to={`/ladders/${l.slug}`}>{l.title}</Link>
                </h2>
                <Preview slug={l.slug} entries={entries} />
              </section>
            ))}
          </>
        );
      }}
    </Loaded>
  );
}

function Preview({ slug, entries }: { slug: string; entries: EntrySummary[] }) {
  const ladder = useLadder(slug);
  const standing = useStanding(slug);
  return (
    <Loaded query={ladder} what="the ladder">
      {({ ladder: l }) => (
        <>
          <Elevation
            ladder={l}
            standing={standing}
            entries={entries}
            profile={ladderProfile(l, entries, REFERENCE_BUILD).steps}
          />
          <Flights trunk={l} entries={entries} />
        </>
      )}
    </Loaded>
  );
}
