import type { OnLadder } from '../../core/floor/index.ts';
import { useSend } from '../shell/index.ts';
import { Button, Notice } from '../ui/index.ts';

/** Side flights of the ladders somebody stands on, which they have not begun: open ones are opened by a press. */
export function Branches({ personId, ladders }: { personId: string; ladders: readonly OnLadder[] }) {
  const send = useSend('place', { person: personId });
  const own = new Set(ladders.flatMap((l) => (l.standing ? [l.ladder.slug] : [])));
  const branches = ladders.filter(
    ({ standing, branch, ladder }) => !standing && branch && own.has(ladder.branchOf!.ladder),
  );
  if (branches.length === 0) return null;
  return (
    <section aria-label="Branches">
      <h2 className="border-b border-ink pb-1">Branches not begun</h2>
      <p className="py-1 text-soft">
        Side work beside a ladder. Opening one begins it at its first level; where they stand now stays as it
        is.
      </p>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <ul>
        {branches.map(({ ladder, branch }) => (
          <li
            key={ladder.slug}
            className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-2"
          >
            <span>
              <b>{ladder.name}</b>,{' '}
              {ladder.levels.length === 1 ? '1 level' : `${ladder.levels.length} levels`}, from{' '}
              {ladder.levels[0]!.name}
            </span>
            {branch!.open ? (
              <Button
                disabled={send.isPending}
                onClick={() =>
                  send.mutate({
                    ladder: ladder.slug,
                    level: ladder.levels[0]!.id,
                    reason: `Branch opened: ${branch!.opensWith} is held.`,
                  })
                }
              >
                Open {ladder.name}
              </Button>
            ) : (
              <span className="text-soft">opens once {branch!.opensWith} is held</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
