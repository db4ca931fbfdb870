import { Link } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import type { Build } from '../../core/body/index.ts';
import type { Ladder } from '../../core/library/index.ts';
import { Loaded } from '../ui/index.ts';
import { Elevation } from './elevation.tsx';
import { ladderProfile } from './profile.tsx';
import { useLadder, useStanding } from './use-ladder.ts';

/** What stands where the answers of the house leave a ladder no purpose. */
export const NOT_TAUGHT =
  'Not taught under the house rules in force: nobody begins it; who stands on it stays.';

/** The branches of a trunk as side flights, each beginning beneath the step it leaves from. */
export function Flights({
  trunk,
  entries,
  build = REFERENCE_BUILD,
}: {
  trunk: Ladder;
  entries: readonly EntrySummary[];
  build?: Build;
}) {
  const at = (e: EntrySummary) => trunk.levels.findIndex((l) => l.id === e.branchOf?.level);
  const branches = entries
    .filter((e) => e.kind === 'ladder' && !e.retired && e.branchOf?.ladder === trunk.slug)
    .sort((a, b) => at(a) - at(b) || a.title.localeCompare(b.title));
  return branches.map((b) => (
    <Flight key={b.slug} slug={b.slug} trunk={trunk} from={at(b)} entries={entries} build={build} />
  ));
}

/** No flight begins so far to the right that its steps have no room. */
const MOST_INDENT = 0.5;

function Flight({
  slug,
  trunk,
  from,
  entries,
  build,
}: {
  slug: string;
  trunk: Ladder;
  from: number;
  entries: readonly EntrySummary[];
  build: Build;
}) {
  const query = useLadder(slug);
  const standing = useStanding(slug);
  const indent = Math.min(MOST_INDENT, Math.max(0, from) / trunk.levels.length);
  return (
    <Loaded query={query} what="the branch">
      {({ ladder, settled }) => {
        const { steps } = ladderProfile(ladder, entries, build);
        return (
          <section
            aria-label={`Branch ${ladder.name}`}
            className="mt-3 border-l-[7px] border-ink pl-3"
            style={{ marginLeft: `${100 * indent}%`, maxWidth: `${100 * (1 - indent)}%` }}
          >
            <h2 className="text-base">
              From step {from + 1}, once {trunk.levels[from]?.name ?? 'it'} is held:{' '}
              <Link to={`/ladders/${slug}`}>{ladder.name}</Link>
            </h2>
            {settled.purpose.length === 0 && <p className="text-soft">{NOT_TAUGHT}</p>}
            <div style={{ maxWidth: `${13 * ladder.levels.length}rem` }}>
              <Elevation
                ladder={ladder}
                standing={standing}
                entries={entries}
                build={build}
                {...(steps.some((s) => s.points !== null) ? { profile: steps } : {})}
              />
            </div>
          </section>
        );
      }}
    </Loaded>
  );
}
