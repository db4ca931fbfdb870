import { useState } from 'react';
import type { NewerEdition } from '../../../contract/library.ts';
import { KIND_WORDS } from '../../../core/library/index.ts';
import type { Body } from '../../../core/library/index.ts';
import { useAsk, useSend } from '../../shell/index.ts';
import { Button, Empty, fullDay, Loaded, Notice } from '../../ui/index.ts';
import { PutTogether } from './put-together.tsx';
import { SideBySide } from './side-by-side.tsx';

type Item = NewerEdition['items'][number];

const GROUPS = [
  ['theirs alone', 'Changed in the newer edition; yours is as it came'],
  ['new', 'New in it'],
  ['both', 'Changed in it, and by your hall: look at each'],
] as const;

/** A newer edition of the library that comes along, document by document beside the hall's own. */
export function NewerPage() {
  const newer = useAsk('newerEdition');
  const take = useSend('takeOver');
  const [open, setOpen] = useState<string | null>(null);
  return (
    <div className="mx-auto max-w-5xl">
      <h1>A newer edition of the library</h1>
      <Loaded query={newer} what="the newer edition">
        {({ edition, items }) =>
          items.length === 0 ? (
            <Empty next={{ to: '/library', what: 'To the library' }}>
              Nothing to take over: the hall has all of edition {edition.number} of {fullDay(edition.date)},
              or chose its own instead.
            </Empty>
          ) : (
            <>
              <p className="text-soft">
                Edition {edition.number} of {fullDay(edition.date)} came with Meister. Nothing of it is in
                force until you take it over, and no word of your own is lost.
              </p>
              {take.error && <Notice tone="warn">{take.error.message}</Notice>}
              {GROUPS.map(([what, title]) => {
                const list = items.filter((i) => i.what === what);
                if (list.length === 0) return null;
                return (
                  <section key={what} className="mt-5">
                    <div className="flex flex-wrap items-end justify-between gap-3 border-b border-ink pb-1">
                      <h2>
                        {title} <span className="font-normal">{list.length}</span>
                      </h2>
                      {what !== 'both' && (
                        <Button
                          tone="main"
                          disabled={take.isPending}
                          onClick={() =>
                            take.mutate({
                              items: list.map(({ kind, slug, revision }) => ({ kind, slug, base: revision })),
                            })
                          }
                        >
                          Take {list.length === 1 ? 'it' : `all ${list.length}`} over
                        </Button>
                      )}
                    </div>
                    <ul>
                      {list.map((i) => {
                        const id = `${i.kind}/${i.slug}`;
                        return (
                          <li key={id} className="border-b border-rule py-1">
                            <button
                              type="button"
                              aria-expanded={open === id}
                              className="min-h-9 text-left font-semibold underline underline-offset-2"
                              onClick={() => setOpen(open === id ? null : id)}
                            >
                              {i.title}
                            </button>{' '}
                            <span className="text-sm text-soft">{KIND_WORDS[i.kind]}</span>
                            {open === id && (
                              <OneDocument
                                item={i}
                                busy={take.isPending}
                                onTake={(body) =>
                                  take.mutate({
                                    items: [
                                      {
                                        kind: i.kind,
                                        slug: i.slug,
                                        base: i.revision,
                                        ...(body === undefined ? {} : { body }),
                                      },
                                    ],
                                  })
                                }
                              />
                            )}
                          </li>
                        );
                      })}
                    </ul>
                  </section>
                );
              })}
            </>
          )
        }
      </Loaded>
    </div>
  );
}

function OneDocument({
  item,
  busy,
  onTake,
}: {
  item: Item;
  busy: boolean;
  /** As it came; put together; or null for one's own as it is. */
  onTake: (body?: Body | null) => void;
}) {
  const found = useAsk('newerDocument', { kind: item.kind, slug: item.slug });
  return (
    <Loaded query={found} what="both versions">
      {({ origin, now, newer }) => {
        const ours = (
          <Button disabled={busy} onClick={() => onTake(null)}>
            {now ? 'Keep ours, and do not ask again' : 'Leave it out'}
          </Button>
        );
        if (now && item.what === 'both') {
          return (
            <PutTogether
              title="Ours and the newer edition"
              words={{ mine: 'Ours', theirs: 'The newer edition', together: 'Take it over, put together' }}
              base={origin}
              mine={now}
              theirs={newer}
              onTogether={onTake}
              more={ours}
            />
          );
        }
        return (
          <div className="py-2">
            <SideBySide before={now} after={newer} titles={['In force here', 'In the newer edition']} />
            <p className="mt-2 flex flex-wrap gap-2">
              <Button tone="main" disabled={busy} onClick={() => onTake()}>
                Take it over
              </Button>
              {ours}
            </p>
          </div>
        );
      }}
    </Loaded>
  );
}
