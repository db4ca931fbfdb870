import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import { vi } from 'vitest';
import type { StaffRole } from '../../contract/access.ts';
import type { Problem } from '../../contract/problem.ts';
import { SignedIn } from '../shell/index.ts';
import type { Signed } from '../shell/index.ts';

export interface Sent {
  method: string;
  path: string;
  body: unknown;
}

/** What the stand-in for the server says, by `METHOD /path`; a function is given what was sent. */
export type Answers = Record<string, unknown>;

/** An answer that says no. */
export class No {
  readonly problem: Problem;
  constructor(status: number, detail: string, extra: Partial<Problem> = {}) {
    this.problem = { type: 'about:blank', title: 'Refused', status, detail, ...extra };
  }
}

export const TODAY = '2026-11-24';

export const signedAs = (role: StaffRole, hall: Partial<Signed['hall']> = {}): Signed => ({
  empty: false,
  hall: {
    name: 'Test hall',
    timeZone: 'UTC',
    paper: 'A4',
    massUnit: 'kg',
    lengthUnit: 'cm',
    dates: 'en-GB',
    growsByItself: false,
    placementWay: 'information',
    soleM: 0.025,
    today: TODAY,
    demo: false,
    ...hall,
  },
  me: { id: 'me', name: 'Jo Tester', login: 'jo', role, squadIds: ['squad'], floorOnly: false },
  demoAccounts: [],
  needsCode: false,
  edition: { number: 1, name: 'First', date: TODAY, changesSince: 0 },
});

/** JSON, or text that is sent as it is. */
function read(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** Stands in for the server. @returns what has been sent that changes something, in order */
export function answering(answers: Answers): Sent[] {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET';
    const body = typeof init.body === 'string' ? read(init.body) : undefined;
    if (method !== 'GET') sent.push({ method, path, body });
    const asked = `${method} ${path}`;
    const said = asked in answers ? answers[asked] : new No(404, `There is nothing at ${path}.`);
    const answer: unknown = typeof said === 'function' ? await (said as (b: unknown) => unknown)(body) : said;
    return answer instanceof No
      ? new Response(JSON.stringify(answer.problem), { status: answer.problem.status })
      : new Response(JSON.stringify(answer));
  });
  return sent;
}

/** Shows something as it stands in the signed-in application, with a stand-in for the server. */
export function inHall(
  what: ReactNode,
  { as = 'head coach', answers = {}, at = '/', hall = {} }: InHall = {},
) {
  const sent = answering(answers);
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const user = userEvent.setup();
  const shown = render(
    <QueryClientProvider client={client}>
      <SignedIn value={signedAs(as, hall)}>
        <MemoryRouter initialEntries={[at]}>
          {what}
          <Address />
        </MemoryRouter>
      </SignedIn>
    </QueryClientProvider>,
  );
  return { ...shown, user, sent };
}

interface InHall {
  as?: StaffRole;
  answers?: Answers;
  at?: string;
  hall?: Partial<Signed['hall']>;
}

function Address() {
  const { pathname, search } = useLocation();
  return <output aria-label="Address" hidden>{`${pathname}${search}`}</output>;
}
