import { useState } from 'react';
import type { CoverRow } from '../../contract/people.ts';
import { useAsk, useSend, useSendTo } from '../shell/index.ts';
import { Button, Dialog, Empty, Loaded, Notice, TextField } from '../ui/index.ts';

/** Who is covered today: what the one who asks has taken over, and who has taken over theirs. */
export function CoverToday() {
  const covers = useAsk('covers');
  const end = useSendTo('endCover');
  const rows = covers.data ?? [];
  if (rows.length === 0) return null;
  const mine = rows.filter((r) => r.mine);
  const others = rows.filter((r) => !r.mine);
  const list = (of: CoverRow[], words: (r: CoverRow) => string, button: string) => (
    <ul>
      {of.map((r) => (
        <li key={r.id} className="flex flex-wrap items-center gap-x-3">
          <span>{words(r)}</span>
          <Button tone="quiet" disabled={end.isPending} onClick={() => end.mutate({ id: r.id })}>
            {button}
          </Button>
        </li>
      ))}
    </ul>
  );
  return (
    <section aria-label="Cover today" className="mb-5 border-l-[6px] border-tape bg-paper px-4 py-2">
      {mine.length > 0 && (
        <>
          <h2 className="text-base">You cover until midnight</h2>
          <p className="text-sm text-soft">
            You see the next set, cues, settings and what is barred, log, report pain and confirm a step back
            or a stop. Moving up is for those who look after them; they have been told.
          </p>
          {list(mine, (r) => r.name, 'Give back')}
        </>
      )}
      {others.length > 0 && (
        <>
          <h2 className="text-base">Covered by others today</h2>
          {list(others, (r) => `${r.name}: ${r.by}, ${r.reason}`, 'End the cover')}
        </>
      )}
      {end.error && <Notice tone="warn">{end.error.message}</Notice>}
    </section>
  );
}

/** Taking over somebody else's people for a day: who is expected, and why. */
export function TakeCover() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button floor tone="quiet" onClick={() => setOpen(true)}>
        Cover for a colleague
      </Button>
      {open && (
        <Dialog title="Cover for a colleague today" open wide onClose={() => setOpen(false)}>
          <Choose onDone={() => setOpen(false)} />
        </Dialog>
      )}
    </>
  );
}

function Choose({ onDone }: { onDone: () => void }) {
  const expected = useAsk('coverable');
  const take = useSend('takeCover');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [reason, setReason] = useState('');
  const change = (ids: string[], on: boolean) => {
    const next = new Set(chosen);
    for (const id of ids) {
      if (on) next.add(id);
      else next.delete(id);
    }
    setChosen(next);
  };
  return (
    <Loaded query={expected} what="who is expected today">
      {(squads) =>
        squads.length === 0 ? (
          <Empty>Nobody of another squad is expected today.</Empty>
        ) : (
          <form
            className="grid gap-4"
            onSubmit={(e) => {
              e.preventDefault();
              take.mutate({ people: [...chosen], reason: reason.trim() }, { onSuccess: onDone });
            }}
          >
            <p className="text-soft">
              Only who is expected today, until midnight. Their coach and the head coach see it at once.
            </p>
            {squads.map(({ squad, people }) => {
              const ids = people.map((p) => p.id);
              return (
                <fieldset key={squad}>
                  <legend className="label">{squad}</legend>
                  <label className="flex min-h-11 items-center gap-2 font-semibold">
                    <input
                      type="checkbox"
                      className="size-5"
                      checked={ids.every((id) => chosen.has(id))}
                      onChange={(e) => change(ids, e.target.checked)}
                    />
                    All {people.length}
                  </label>
                  <ul className="grid gap-x-6 sm:grid-cols-2">
                    {people.map((p) => (
                      <li key={p.id}>
                        <label className="flex min-h-11 items-center gap-2">
                          <input
                            type="checkbox"
                            className="size-5"
                            checked={chosen.has(p.id)}
                            onChange={(e) => change([p.id], e.target.checked)}
                          />
                          {p.name}
                        </label>
                      </li>
                    ))}
                  </ul>
                </fieldset>
              );
            })}
            <TextField
              label="Why (their coach reads it)"
              required
              maxLength={200}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
            {take.error && <Notice tone="warn">{take.error.message}</Notice>}
            <div>
              <Button
                type="submit"
                floor
                tone="main"
                disabled={chosen.size === 0 || reason.trim() === '' || take.isPending}
              >
                {chosen.size === 0
                  ? 'Choose whom you cover'
                  : `Cover ${chosen.size === 1 ? 'one person' : `${chosen.size} people`} until midnight`}
              </Button>
            </div>
          </form>
        )
      }
    </Loaded>
  );
}
