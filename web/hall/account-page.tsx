import { useState } from 'react';
import type { Account, Colleague } from '../../contract/access.ts';
import { mayLeave, Refused, signOut, useAsk, useSend, useSendTo, useSigned } from '../shell/index.ts';
import { Qr } from '../sheets/index.ts';
import { Button, Dialog, Loaded, moment, Notice, TextField } from '../ui/index.ts';

/** One's own account: change of coach on a shared tablet, password, codes, PIN, and where one is signed in. */
export function AccountPage() {
  const { me } = useSigned();
  return (
    <div className="mx-auto max-w-5xl">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>{me.name}</h1>
          <p className="text-soft">
            {me.role}, signs in as {me.login}
          </p>
        </div>
        <Button onClick={signOut}>Sign out</Button>
      </div>
      {me.role !== 'viewer' && <ChangeCoach />}
      {me.floorOnly ? (
        <Notice>
          You took this tablet over by PIN: the floor is open, and nothing else. For the rest sign in with
          name and password.
        </Notice>
      ) : (
        <Own />
      )}
    </div>
  );
}

function Own() {
  const account = useAsk('account');
  const { me } = useSigned();
  return (
    <Loaded query={account} what="your account">
      {(data) => (
        <div className="grid gap-8 md:grid-cols-2">
          <Password />
          <Sessions account={data} />
          {me.role !== 'viewer' && <Pin has={data.pin} />}
          <Codes account={data} />
        </div>
      )}
    </Loaded>
  );
}

/** Another coach takes a shared tablet over, by tapping their name and their PIN. */
function ChangeCoach() {
  const colleagues = useAsk('colleagues');
  const [who, setWho] = useState<Colleague | null>(null);
  return (
    <section className="mb-8" aria-label="Change of coach">
      <h2 className="border-b border-ink pb-1">Change of coach on this tablet</h2>
      {colleagues.data?.length === 0 ? (
        <p className="py-2 text-soft">Nobody else has a PIN yet. Each coach sets their own on this page.</p>
      ) : (
        <div className="mt-2 flex flex-wrap gap-2">
          {colleagues.data?.map((c) => (
            <Button key={c.id} floor onClick={() => mayLeave() && setWho(c)}>
              {c.name}
            </Button>
          ))}
        </div>
      )}
      <Dialog title={`${who?.name ?? ''}: your PIN`} open={who !== null} onClose={() => setWho(null)}>
        {who && <PinPad who={who} />}
      </Dialog>
    </section>
  );
}

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];

function PinPad({ who }: { who: Colleague }) {
  const send = useSend('changeCoach');
  const [pin, setPin] = useState('');
  const over = send.error instanceof Refused && send.error.problem.needs === 'sign-in';
  const add = (d: string) => setPin((now) => (now + d).slice(0, 8));
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate(
          { staff: who.id, pin },
          { onSuccess: () => location.assign('/floor'), onError: () => setPin('') },
        );
      }}
    >
      <input
        className="field min-h-14 text-center text-2xl tracking-[0.5em]"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        aria-label="PIN"
        autoFocus
        value={pin}
        onChange={(e) => setPin(e.target.value.replace(/\D/g, '').slice(0, 8))}
      />
      <div className="grid grid-cols-3 gap-2" aria-hidden="true">
        {DIGITS.map((d) => (
          <Button key={d} floor tabIndex={-1} onClick={() => add(d)}>
            {d}
          </Button>
        ))}
        <Button floor tone="quiet" tabIndex={-1} onClick={() => setPin('')}>
          Clear
        </Button>
        <Button floor tabIndex={-1} onClick={() => add('0')}>
          0
        </Button>
      </div>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" floor tone="main" disabled={pin.length < 4 || send.isPending || over}>
        Take the tablet over
      </Button>
      <p className="text-sm text-soft">
        Opens the floor only. After five wrong ones the password is asked for.
      </p>
    </form>
  );
}

function Password() {
  const send = useSend('savePassword');
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const differs = again !== '' && again !== password;
  const error = send.error instanceof Refused ? send.error : null;
  const clear = () => [setOld, setPassword, setAgain].forEach((set) => set(''));
  return (
    <section aria-label="Password">
      <h2 className="border-b border-ink pb-1">Password</h2>
      <form
        className="mt-2 grid gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (!differs) send.mutate({ old, password }, { onSuccess: clear });
        }}
      >
        <TextField
          label="Password now"
          type="password"
          autoComplete="current-password"
          required
          value={old}
          onChange={(e) => setOld(e.target.value)}
        />
        <TextField
          label="New password"
          type="password"
          autoComplete="new-password"
          required
          minLength={10}
          hint="At least 10 characters; three or four words that have nothing to do with one another do well."
          error={error?.field('password')}
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        <TextField
          label="New password again"
          type="password"
          autoComplete="new-password"
          required
          error={differs ? 'The two passwords differ.' : undefined}
          value={again}
          onChange={(e) => setAgain(e.target.value)}
        />
        {error && <Notice tone="warn">{error.message}</Notice>}
        {send.isSuccess && <Notice>Changed. Everywhere else you are signed out.</Notice>}
        <div>
          <Button type="submit" tone="main" disabled={send.isPending || differs}>
            Change the password
          </Button>
        </div>
      </form>
    </section>
  );
}

function Sessions({ account }: { account: Account }) {
  const { hall } = useSigned();
  const end = useSendTo('endSession');
  return (
    <section aria-label="Where you are signed in">
      <h2 className="border-b border-ink pb-1">Where you are signed in</h2>
      <ul>
        {account.sessions.map((s) => (
          <li key={s.id} className="flex items-center gap-3 border-b border-rule py-2">
            <span className="grow">
              <b>{s.device}</b>
              {s.current && ' (this one)'}
              {s.floorOnly && ' (floor only, by PIN)'}
              <span className="block text-sm text-soft">
                since {moment(s.startedAt, hall.timeZone)}, last used {moment(s.seenAt, hall.timeZone)}
              </span>
            </span>
            {!s.current && (
              <Button tone="danger" disabled={end.isPending} onClick={() => end.mutate({ id: s.id })}>
                Sign out there
              </Button>
            )}
          </li>
        ))}
      </ul>
      {end.error && <Notice tone="warn">{end.error.message}</Notice>}
      <p className="mt-1 text-sm text-soft">
        A sign-in ends after twelve hours in which nothing was asked, and after two weeks in any case.
      </p>
    </section>
  );
}

function Pin({ has }: { has: boolean }) {
  const send = useSend('savePin');
  const [pin, setPin] = useState('');
  return (
    <section aria-label="PIN">
      <h2 className="border-b border-ink pb-1">PIN for the change of coach</h2>
      <p className="my-2">
        With it you take over a tablet on the floor that a colleague has signed in on. It opens the floor
        only, and lasts as long as their sign-in. {has ? 'You have one.' : 'You have none yet.'}
      </p>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          send.mutate({ pin }, { onSuccess: () => setPin('') });
        }}
      >
        <TextField
          label={has ? 'A new PIN' : 'PIN, four to eight digits'}
          type="password"
          inputMode="numeric"
          autoComplete="off"
          required
          pattern="\d{4,8}"
          value={pin}
          onChange={(e) => setPin(e.target.value)}
        />
        <Button type="submit" disabled={send.isPending}>
          Set it
        </Button>
        {has && (
          <Button tone="danger" disabled={send.isPending} onClick={() => send.mutate({ pin: null })}>
            Take it away
          </Button>
        )}
      </form>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      {send.isSuccess && <Notice>Kept.</Notice>}
    </section>
  );
}

function Codes({ account }: { account: Account }) {
  const { codes, recoveryLeft } = account;
  const offer = useSend('offerCodes');
  const start = useSend('startCodes');
  const drop = useSend('dropCodes');
  const [code, setCode] = useState('');
  const offered = offer.data;
  const recovery = start.data?.recovery;
  return (
    <section aria-label="Codes of an authenticator">
      <h2 className="border-b border-ink pb-1">Codes of an authenticator</h2>
      {recovery ? (
        <Notice>
          From now on a code is asked for beside your password. Write these recovery codes down; each opens
          once, when the phone is lost. They are not shown again.
          <ul className="mt-2 grid grid-cols-2 gap-x-4 font-mono">
            {recovery.map((r) => (
              <li key={r}>{r}</li>
            ))}
          </ul>
        </Notice>
      ) : codes ? (
        <>
          <p className="my-2">
            A code is asked for beside your password. {recoveryLeft} recovery{' '}
            {recoveryLeft === 1 ? 'code is' : 'codes are'} left.
          </p>
          <Button tone="danger" disabled={drop.isPending} onClick={() => drop.mutate()}>
            Ask for no codes any more
          </Button>
        </>
      ) : offered ? (
        <form
          className="mt-2 grid gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            start.mutate({ code });
          }}
        >
          <p>
            Scan this with any authenticator that makes time-based codes, and enter the code that it shows.
          </p>
          <div className="bg-white p-2">
            <Qr text={offered.url} sizeMm={45} label="The secret as a QR code" />
          </div>
          <TextField label="Or enter the secret there" readOnly value={offered.secret} />
          <TextField
            label="Code that it shows"
            inputMode="numeric"
            autoComplete="one-time-code"
            required
            value={code}
            onChange={(e) => setCode(e.target.value)}
          />
          <div>
            <Button type="submit" tone="main" disabled={start.isPending}>
              Ask for codes from now on
            </Button>
          </div>
        </form>
      ) : (
        <>
          <p className="my-2">
            Beside the password a six-digit code of your phone can be asked for, so that a password alone
            opens nothing. Advised for head coaches.
          </p>
          <Button disabled={offer.isPending} onClick={() => offer.mutate()}>
            Set it up
          </Button>
        </>
      )}
      {[offer.error, start.error, drop.error].map(
        (e) =>
          e && (
            <Notice key={e.message} tone="warn">
              {e.message}
            </Notice>
          ),
      )}
    </section>
  );
}
