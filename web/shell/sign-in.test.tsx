import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { inHall, No, signedAs } from '../testing/in-hall.tsx';
import { FirstAccount, SignIn } from './sign-in.tsx';

const demo = {
  ...signedAs('head coach'),
  me: null,
  demoAccounts: [{ login: 'coach', role: 'coach' as const, name: 'Jonas', password: 'kestrel' }],
};

describe('signing in', () => {
  it('sends name and password, and tells a refusal', async () => {
    const { user, sent } = inHall(<SignIn start={demo} />, {
      answers: { 'POST /api/sign-in': new No(401, 'Name or password is wrong.') },
    });
    await user.type(screen.getByLabelText('Sign-in name'), 'jo');
    await user.type(screen.getByLabelText('Password'), 'a secret one');
    await user.click(screen.getByRole('button', { name: 'Sign in' }));
    expect((await screen.findByRole('alert')).textContent).toBe('Name or password is wrong.');
    expect(sent.map((s) => s.body)).toEqual([{ login: 'jo', password: 'a secret one' }]);
  });

  it('takes one press for an account of the demo, and shows none in a real hall', async () => {
    const { user, sent, unmount } = inHall(<SignIn start={demo} />, {
      answers: { 'POST /api/sign-in': { ok: true } },
    });
    await user.click(screen.getByRole('button', { name: /coach \(coach\)/ }));
    await waitFor(() => expect(sent.map((s) => s.body)).toEqual([{ login: 'coach', password: 'kestrel' }]));
    unmount();
    inHall(<SignIn start={{ ...demo, demoAccounts: [] }} />);
    expect(screen.queryByText(/Demo hall/)).toBeNull();
  });
});

describe('the first account', () => {
  const fill = async (user: ReturnType<typeof inHall>['user'], again: string) => {
    await user.type(screen.getByLabelText('Name of the hall'), 'Lower Basin');
    await user.type(screen.getByLabelText('Your name'), 'Sunniva');
    await user.type(screen.getByLabelText('Sign-in name'), 'sunniva');
    await user.type(screen.getByLabelText('Password'), 'long enough 1');
    await user.type(screen.getByLabelText('Password again'), again);
    await user.click(screen.getByRole('button', { name: 'Open the hall' }));
  };

  it('is not sent while the two passwords differ', async () => {
    const { user, sent } = inHall(<FirstAccount needsCode={false} />);
    await fill(user, 'long enough 2');
    expect(screen.getByText('The two passwords differ.')).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it('names the field that the server refuses', async () => {
    const { user, sent } = inHall(<FirstAccount needsCode={false} />, {
      answers: {
        'POST /api/first-account': new No(
          422,
          'password: Needs at least 10 characters. Nothing was changed.',
          {
            errors: [{ field: 'password', detail: 'Needs at least 10 characters.' }],
          },
        ),
      },
    });
    await fill(user, 'long enough 1');
    expect(await screen.findByText('Needs at least 10 characters.')).toBeTruthy();
    // Units, paper and days come as the browser has them, here an American one.
    expect(sent.map((s) => s.body)).toEqual([
      {
        hallName: 'Lower Basin',
        name: 'Sunniva',
        login: 'sunniva',
        password: 'long enough 1',
        massUnit: 'lb',
        lengthUnit: 'in',
        paper: 'Letter',
        dates: 'en-US',
        timeZone: 'UTC',
      },
    ]);
  });
});
