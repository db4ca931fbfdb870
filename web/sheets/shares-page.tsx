import type { ShareRow } from '../../contract/sheets.ts';
import { useAsk, useSendTo, useSigned } from '../shell/index.ts';
import { Button, Empty, fullDay, Loaded, Notice } from '../ui/index.ts';

const STATE_WORDS: Record<ShareRow['state'], string> = {
  open: 'open',
  expired: 'expired',
  revoked: 'revoked',
};

/** Every link that was given out, and its end. */
export function SharesPage() {
  const { me } = useSigned();
  const shares = useAsk('shares');
  const revoke = useSendTo('revokeShare');
  return (
    <div className="mx-auto max-w-4xl">
      <h1>Shared links</h1>
      <p className="text-soft">
        {me.role === 'head coach' ? 'Of everybody.' : 'Your own.'} Whoever holds an open link reads its sheets
        without sign-in. The link itself is shown once, when it is made.
      </p>
      {revoke.error && <Notice tone="warn">{revoke.error.message}</Notice>}
      <Loaded query={shares} what="the links">
        {(rows) =>
          rows.length === 0 ? (
            <Empty next={{ to: '/print', what: 'To the print room' }}>
              None yet. Put sheets together in the print room and share them there.
            </Empty>
          ) : (
            <ul className="mt-3 border-t border-ink">
              {rows.map((row) => (
                <li
                  key={row.id}
                  className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-2"
                >
                  <div>
                    <p className="font-semibold">
                      {row.titles.join('; ')}
                      {row.person && `, for ${row.person}`}
                    </p>
                    <p className="text-sm text-soft">
                      {row.madeBy}, {fullDay(row.madeAt.slice(0, 10))}; opened{' '}
                      {row.opened === 1 ? 'once' : `${row.opened} times`}; {STATE_WORDS[row.state]}
                      {row.state === 'open' && ` until ${fullDay(row.expiresAt.slice(0, 10))}`}
                    </p>
                  </div>
                  {row.state === 'open' && (
                    <Button
                      tone="danger"
                      disabled={revoke.isPending}
                      onClick={() => revoke.mutate({ id: row.id })}
                    >
                      Revoke
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
    </div>
  );
}
