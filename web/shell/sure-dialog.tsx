import { useEffect, useRef, useState } from 'react';
import { Button, Dialog, Notice, TextField } from '../ui/index.ts';
import { Refused, useSend } from './api.ts';
import { askedBy } from './sure.ts';

/** Asks for the password again before what the server lets nobody do by a tablet that was left open. */
export function SureDialog() {
  const answer = useRef<((given: boolean) => void) | null>(null);
  const [open, setOpen] = useState(false);
  useEffect(
    () =>
      askedBy(() => {
        // One that was asked for and not answered is over.
        answer.current?.(false);
        setOpen(true);
        return new Promise((done) => (answer.current = done));
      }),
    [],
  );
  const end = (given: boolean) => {
    setOpen(false);
    answer.current?.(given);
    answer.current = null;
  };
  return (
    <Dialog title="Your password again" open={open} onClose={() => end(false)}>
      <Again onGiven={() => end(true)} />
    </Dialog>
  );
}

function Again({ onGiven }: { onGiven: () => void }) {
  const send = useSend('makeSure');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const asksCode = send.error instanceof Refused && send.error.problem.needs === 'code';
  const [wantsCode, setWantsCode] = useState(false);
  if (asksCode && !wantsCode) setWantsCode(true);
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate({ password, ...(code ? { code } : {}) }, { onSuccess: onGiven });
      }}
    >
      <p>This goes out whole, is gone for good, or gives somebody power. It holds for five minutes.</p>
      <TextField
        label="Password"
        type="password"
        autoComplete="current-password"
        required
        autoFocus
        value={password}
        onChange={(e) => setPassword(e.target.value)}
      />
      {wantsCode && (
        <TextField
          label="Code of your authenticator"
          autoComplete="one-time-code"
          inputMode="numeric"
          autoFocus
          value={code}
          onChange={(e) => setCode(e.target.value)}
        />
      )}
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <Button type="submit" tone="main" disabled={send.isPending}>
        Go on
      </Button>
    </form>
  );
}
