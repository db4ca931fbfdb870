/** Takes one line of what happened. */
export type Tell = (line: string) => void;

const SLOW_MS = 50;

type Query = (asked: unknown, ...rest: unknown[]) => unknown;
interface Asked {
  query: Query;
  transaction?: (work: (tx: Asked) => Promise<unknown>, ...rest: unknown[]) => Promise<unknown>;
}

/**
 * Tells each query of the client, or of a transaction of it, that took long: its text with `$1` for what was asked
 * about, so that no person, token or body is in it.
 * @param client changed in place
 */
export function tellSlowQueries(client: object, tell: Tell, slowMs = SLOW_MS): void {
  const asked = client as Asked;
  const query = asked.query.bind(client);
  asked.query = (what, ...rest) => {
    const start = performance.now();
    const answer = query(what, ...rest);
    const done = () => {
      const ms = performance.now() - start;
      if (ms >= slowMs) tell(`  query ${Math.round(ms)} ms: ${textOf(what)}`);
    };
    // A driver that answers by a callback has its own way; those lines are left out.
    if (answer instanceof Promise) answer.then(done, done);
    return answer;
  };
  const transaction = asked.transaction?.bind(client);
  if (transaction) {
    asked.transaction = (work, ...rest) =>
      transaction(
        (tx) => {
          tellSlowQueries(tx, tell, slowMs);
          return work(tx);
        },
        ...rest,
      );
  }
}

const textOf = (what: unknown): string => {
  const text = typeof what === 'string' ? what : (what as { text?: string }).text;
  return (text ?? 'unnamed').replace(/\s+/g, ' ').slice(0, 300);
};
