import { QueryClient, queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { UseQueryResult } from '@tanstack/react-query';
import { addressOf, ENDPOINTS, SENT_AS } from '../../contract/endpoints.ts';
import type {
  Answer,
  Asked,
  Body,
  Endpoint,
  EndpointName,
  Matter,
  Of,
  SentTo,
} from '../../contract/endpoints.ts';
import type { Problem } from '../../contract/problem.ts';
import { askAgain } from './sure.ts';

/** An answer that says no, in words meant for the one who asked. */
export class Refused extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
  /** The sentence for one field of the form, if the answer named it. */
  field(name: string): string | undefined {
    return this.problem.errors?.find((e) => e.field === name)?.detail;
  }
}

export class Unreachable extends Error {
  constructor() {
    super('The hall’s computer cannot be reached. What you entered is kept here; try again in a moment.');
  }
}

/**
 * One request to the server. Where it wants the password again, that is asked for, and the request goes out once more.
 * @throws Refused when the server says no, Unreachable when it does not answer
 */
async function answerTo(method: string, path: string, body?: unknown, as?: string): Promise<Response> {
  const once = async (): Promise<Response> => {
    try {
      return await fetch(path, {
        method,
        headers: {
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...(as === undefined ? {} : { [SENT_AS]: as }),
        },
        body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
      });
    } catch {
      throw new Unreachable();
    }
  };
  let response = await once();
  if (response.ok) return response;
  let problem = await problemOf(response);
  if (problem.needs === 'password again' && (await askAgain())) {
    response = await once();
    if (response.ok) return response;
    problem = await problemOf(response);
  }
  if (response.status === 401 && path !== ENDPOINTS.signIn.path && problem.needs === undefined)
    dispatchEvent(new Event('meister:signed-out'));
  throw new Refused(problem);
}

async function problemOf(response: Response): Promise<Problem> {
  try {
    return (await response.json()) as Problem;
  } catch {
    throw new Unreachable();
  }
}

// The one place where an answer gets its type: the server is held to the same table.
const request = async <K extends EndpointName>(
  method: string,
  path: string,
  body?: unknown,
  as?: string,
): Promise<Answer<K>> => (await (await answerTo(method, path, body, as)).json()) as Answer<K>;

/** A file that the server makes, and what it is called. @throws as `ask` */
export async function fetchFile<K extends Asked>(
  name: K,
  of: Of<K>,
): Promise<{ blob: Blob; fileName: string }> {
  const response = await answerTo('GET', addressOf(name, of));
  const said = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '');
  return { blob: await response.blob(), fileName: said?.[1] ?? 'meister' };
}

/** An address may be left out where it has no parts. */
type Optional<T> = object extends T ? [of?: T] : [of: T];
/** null: not asked. */
type Whether<T> = object extends T ? [of?: T | null] : [of: T | null];

/** @throws Refused when the server says no, Unreachable when it does not answer */
export const ask = <K extends Asked>(name: K, ...[of]: Optional<Of<K>>): Promise<Answer<K>> =>
  request<K>('GET', addressOf(name, (of ?? {}) as Of<K>));

/** @throws Refused when the server says no, Unreachable when it does not answer */
export const send = <K extends SentTo>(name: K, of: Of<K>, body: Body<K>): Promise<Answer<K>> =>
  request<K>(ENDPOINTS[name].method, addressOf(name, of), body);

/** Something to be sent later, as it lies in the outbox: the versions after this one can still send it. */
export interface Letter {
  method: string;
  path: string;
  body: unknown;
}
export const letterOf = <K extends SentTo>(name: K, of: Of<K>, body: Body<K>): Letter => ({
  method: ENDPOINTS[name].method,
  path: addressOf(name, of),
  body,
});
/** What the server says to any letter of the outbox. @param as whose it is: the server takes it from nobody else */
export const sendLetter = ({ method, path, body }: Letter, as?: string) =>
  request<'saveCheckIn' | 'keepCase'>(method, path, body, as);

/** Sends as one member of the staff, whoever has signed in meanwhile. @throws as `send` */
export const sendAs = <K extends SentTo>(
  as: string | undefined,
  name: K,
  of: Of<K>,
  body: Body<K>,
): Promise<Answer<K>> => request<K>(ENDPOINTS[name].method, addressOf(name, of), body, as);

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      networkMode: 'always',
      retry: (count, error) => error instanceof Unreachable && count < 2,
    },
    mutations: { networkMode: 'always', retry: false },
  },
});

/** An address asked, as a query: what it is called and of whom is its key. */
export const queryOf = <K extends Asked>(name: K, ...[of]: Optional<Of<K>>) =>
  queryOptions({
    queryKey: [name, (of ?? {}) as Of<K>],
    queryFn: () => request<K>('GET', addressOf(name, (of ?? {}) as Of<K>)),
  });

/** Asks, and asks again when something that the answer was read from is touched. */
export function useAsk<K extends Asked>(name: K, ...[of]: Whether<Of<K>>): UseQueryResult<Answer<K>> {
  return useQuery({
    queryKey: [name, of ?? {}],
    queryFn: () => request<K>('GET', addressOf(name, (of ?? {}) as Of<K>)),
    enabled: of !== null,
  });
}

const endpoints: Record<string, Endpoint | undefined> = ENDPOINTS;
const personIn = (of: unknown) =>
  typeof of === 'object' && of !== null && 'person' in of ? of.person : undefined;

/** Asks anew for what was read from any of these matters; of one person only, where one is given. */
export const refresh = (client: QueryClient, touched: readonly Matter[], person?: unknown): Promise<void> =>
  client.invalidateQueries({
    predicate: ({ queryKey: [name, of] }) => {
      const reads = endpoints[String(name)]?.reads ?? [];
      const whose = personIn(of);
      return (
        reads.some((m) => touched.includes(m)) &&
        (person === undefined || whose === undefined || whose === person)
      );
    },
  });

/** Asks anew for all that what was sent there may have changed. */
export const refreshAfter = <K extends SentTo>(
  client: QueryClient,
  name: K,
  of: object = {},
): Promise<void> => {
  const { touches } = endpoints[name]!;
  return touches ? refresh(client, touches, personIn(of)) : client.invalidateQueries();
};

/** What is sent: nothing where the address takes no body. */
type Sent<K extends SentTo> = Body<K> extends undefined ? void : Body<K>;

/** Sends something that changes something; afterwards what it touched is read anew. */
export function useSend<K extends SentTo>(name: K, ...[of]: Optional<Of<K>>) {
  const client = useQueryClient();
  return useMutation<Answer<K>, Error, Sent<K>>({
    mutationFn: (body) =>
      request<K>(ENDPOINTS[name].method, addressOf(name, (of ?? {}) as Of<K>), body ?? undefined),
    // Not waited for: what the caller does next must not depend on the page still being there.
    onSuccess: () => void refreshAfter(client, name, of),
  });
}

/** The same where it is only known at the press of the button which one it is about. */
export function useSendTo<K extends SentTo>(name: K) {
  const client = useQueryClient();
  return useMutation<Answer<K>, Error, Of<K>>({
    mutationFn: (of) => request<K>(ENDPOINTS[name].method, addressOf(name, of)),
    onSuccess: (_answer, of) => void refreshAfter(client, name, of),
  });
}
