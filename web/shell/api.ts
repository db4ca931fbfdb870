import { QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Problem } from '../../contract/problem.ts';

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
 * One request to the server.
 * @throws Refused when the server says no, Unreachable when it does not answer
 */
export async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    });
  } catch {
    throw new Unreachable();
  }
  if (response.ok) return (await response.json()) as T;
  let problem: Problem;
  try {
    problem = (await response.json()) as Problem;
  } catch {
    throw new Unreachable();
  }
  if (response.status === 401 && path !== '/api/sign-in') dispatchEvent(new Event('meister:signed-out'));
  throw new Refused(problem);
}

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

/** GET as a query; the path is its key. */
export function useGet<T>(path: string | null) {
  return useQuery<T>({ queryKey: [path], queryFn: () => request<T>('GET', path!), enabled: path !== null });
}

/** A request that changes something; afterwards everything shown is read anew. */
export function useSend<Body, Answer = unknown>(method: string, path: string | ((body: Body) => string)) {
  const client = useQueryClient();
  return useMutation<Answer, Error, Body>({
    mutationFn: (body) => request<Answer>(method, typeof path === 'string' ? path : path(body), body),
    // Not waited for: what the caller does next must not depend on the page still being there.
    onSuccess: () => void client.invalidateQueries(),
  });
}
