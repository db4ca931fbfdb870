import type { OnLadder } from '../../core/floor/index.ts';
import { percent, tidy } from '../ui/index.ts';

const BAR_REM = 5;
const RISE_REM = 0.28;

/** How likely each level is the highest that somebody masters, as bars on the stairs. */
export function Belief({
  levels,
  shares,
  chosen,
}: {
  levels: OnLadder['ladder']['levels'];
  shares: readonly { level: string; share: number }[];
  /** What is tried next, or begun at. */
  chosen: string;
}) {
  const most = Math.max(0.01, ...shares.map((s) => s.share));
  return (
    <figure className="mt-2 max-w-2xl">
      <ol className="flex items-end" aria-label="How likely each level is the highest they master">
        {levels.map((l, i) => {
          const share = shares.find((s) => s.level === l.id)?.share ?? 0;
          const own = l.id === chosen;
          return (
            <li
              key={l.id}
              className="min-w-0 flex-1 text-center text-xs"
              title={`${l.name}: ${percent(share)}`}
            >
              <span className={own ? 'font-bold' : 'text-soft'}>
                {share >= 0.005 ? tidy(100 * share, 0) : ''}
              </span>
              <span
                aria-hidden="true"
                className={`mx-0.5 block ${own ? 'bg-tape' : 'bg-soft/50'}`}
                style={{ height: `${(BAR_REM * share) / most}rem` }}
              />
              <span
                className={`block border-t-4 ${own ? 'border-tape font-bold' : 'border-ink'}`}
                style={{ paddingBottom: `${i * RISE_REM}rem` }}
              >
                {i + 1}
                <span className="sr-only"> {l.name}</span>
              </span>
            </li>
          );
        })}
      </ol>
      <figcaption className="text-sm text-soft">
        How likely each level is the highest they master, in %: from what they say of themselves and the
        trials so far.
      </figcaption>
    </figure>
  );
}
