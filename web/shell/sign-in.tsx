import { useState } from 'react';
import type { ReactNode } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { FirstAccountRequest, SignInRequest } from '../../contract/access.ts';
import type { Start } from '../../contract/hall.ts';
import { DATE_STYLES } from '../../core/terms/index.ts';
import type { DateStyle } from '../../core/terms/index.ts';
import { Button, Notice, TextField } from '../ui/index.ts';
import { Refused, useSend } from './api.ts';
import { HallValues } from './hall-values.tsx';

function Threshold({ title, lead, children }: { title: string; lead: string; children: ReactNode }) {
  return (
    <main className="mx-auto grid min-h-screen max-w-5xl content-center gap-10 p-6 md:grid-cols-[1fr_1.1fr]">
      <div>
        <Stairs />
        <h1 className="mt-6">{title}</h1>
        <p className="mt-2 max-w-sm text-soft">{lead}</p>
      </div>
      <div className="border-t-4 border-tape bg-paper p-6">{children}</div>
    </main>
  );
}

function Stairs() {
  return (
    <svg viewBox="0 0 300 130" className="w-full max-w-xs" aria-hidden="true">
      <path d="M4 122h60V94h60V66h60V38h60V10h52" fill="none" stroke="var(--tape)" strokeWidth="9" />
      <path d="M4 128h292 M64 128V94 M124 128V66 M184 128V38 M244 128V10" stroke="var(--soft)" fill="none" />
    </svg>
  );
}

export function SignIn({ start }: { start: Start }) {
  const send = useSend('signIn');
  const { register, handleSubmit } = useForm<SignInRequest>({ defaultValues: { login: '', password: '' } });
  const [asksCode, setAsksCode] = useState(false);
  if (!asksCode && send.error instanceof Refused && send.error.problem.needs === 'code') setAsksCode(true);
  return (
    <Threshold
      title={start.hall?.name ?? 'Meister'}
      lead="The hall’s shared library of squat, lunge, hinge and bridge variations, the log, and what follows from it."
    >
      <form
        className="grid gap-4"
        onSubmit={handleSubmit(({ code, ...values }) =>
          send.mutate({ ...values, ...(code ? { code } : {}) }),
        )}
      >
        <h2>Sign in</h2>
        <TextField label="Sign-in name" autoComplete="username" required {...register('login')} />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          required
          {...register('password')}
        />
        {asksCode && (
          <TextField
            label="Code of your authenticator, or a recovery code"
            autoComplete="one-time-code"
            autoFocus
            {...register('code')}
          />
        )}
        {send.error && <Notice tone="warn">{send.error.message}</Notice>}
        <Button type="submit" tone="main" disabled={send.isPending}>
          Sign in
        </Button>
      </form>
      {start.demoAccounts.length > 0 && (
        <section className="mt-6 border-t border-rule pt-4">
          <h3>Demo hall: sign in as</h3>
          <p className="mb-2 text-sm text-soft">
            All people and data here are invented. Password of all: {start.demoAccounts[0]?.password}
          </p>
          <ul className="grid gap-2">
            {start.demoAccounts.map(({ login, password, name, role }) => (
              <li key={login}>
                <Button className="w-full !justify-between" onClick={() => send.mutate({ login, password })}>
                  <span>{name}</span>
                  <span className="text-soft">
                    {role} ({login})
                  </span>
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </Threshold>
  );
}

/** Units, paper, days and time zone as the browser of whoever opens the hall has them. */
function ofThisBrowser(): Partial<FirstAccountRequest> {
  const { language } = navigator;
  // Pounds, inches and Letter are usual in the United States alone.
  const us = language === 'en-US';
  const style = language in DATE_STYLES ? language : language.slice(0, 2);
  return {
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    massUnit: us ? 'lb' : 'kg',
    lengthUnit: us ? 'in' : 'cm',
    paper: us ? 'Letter' : 'A4',
    dates: style in DATE_STYLES ? (style as DateStyle) : 'en-GB',
  };
}

export function FirstAccount({ needsCode }: { needsCode: boolean }) {
  const send = useSend('makeFirstAccount');
  const [again, setAgain] = useState('');
  const { register, handleSubmit, control } = useForm<FirstAccountRequest>({
    defaultValues: ofThisBrowser(),
  });
  const password = useWatch({ control, name: 'password' });
  const differs = again !== '' && again !== password;
  const error = send.error instanceof Refused ? send.error : null;
  return (
    <Threshold
      title="A new hall"
      lead="Make the head coach’s account. The head coach owns the library, adds staff and people, and answers for what is in force."
    >
      <form
        className="grid gap-4"
        onSubmit={handleSubmit((values) => {
          if (!differs && again) send.mutate(values);
        })}
      >
        <TextField
          label="Name of the hall"
          required
          error={error?.field('hallName')}
          {...register('hallName')}
        />
        <TextField label="Your name" required error={error?.field('name')} {...register('name')} />
        <TextField
          label="Sign-in name"
          autoComplete="username"
          required
          error={error?.field('login')}
          {...register('login')}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="new-password"
          required
          hint="At least 10 characters."
          error={error?.field('password')}
          {...register('password')}
        />
        <TextField
          label="Password again"
          type="password"
          autoComplete="new-password"
          required
          value={again}
          onChange={(e) => setAgain(e.target.value)}
          error={differs ? 'The two passwords differ.' : undefined}
        />
        {needsCode && (
          <TextField
            label="Code on the server’s console"
            autoComplete="off"
            required
            hint="Eight letters and digits: whoever can read them there may open the hall."
            error={error?.field('setUp')}
            {...register('setUp')}
          />
        )}
        <fieldset>
          <legend className="label mb-1">As this browser has it; change what the hall does otherwise</legend>
          <HallValues register={register} />
        </fieldset>
        {send.error && <Notice tone="warn">{send.error.message}</Notice>}
        <Button type="submit" tone="main" disabled={send.isPending}>
          Open the hall
        </Button>
      </form>
    </Threshold>
  );
}
