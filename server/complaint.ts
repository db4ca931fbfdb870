import { randomInt } from 'node:crypto';

const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
/** Names a request, in the log and to whoever sent it: short enough to be read out over a telephone. */
export const newRequestId = (): string =>
  Array.from({ length: 8 }, () => SIGNS[randomInt(SIGNS.length)]).join('');

const MOST_FRAMES = 12;

/**
 * What a log may hold of an error: its kind, its code and where it arose. Its message is left out: the messages of
 * databases and parsers repeat what was asked and sent.
 */
export function complaintOf(error: unknown): string {
  const words: string[] = [];
  for (let e: unknown = error, depth = 0; e !== undefined && depth < 4; depth++) {
    if (!(e instanceof Error)) {
      words.push(`a thrown ${typeof e}`);
      break;
    }
    const { code } = e as { code?: unknown };
    words.push(typeof code === 'string' && /^[\w-]{1,40}$/.test(code) ? `${e.name} ${code}` : e.name);
    e = e.cause;
  }
  const stack = error instanceof Error ? (error.stack ?? '') : '';
  const frames = stack.split('\n').filter((line) => /^\s+at /.test(line));
  return [words.join(' < '), ...frames.slice(0, MOST_FRAMES)].join('\n');
}

// SQLSTATE of class 08 and the shutdown codes of 57P (PostgreSQL documentation, appendix A), and those of the socket.
const GONE = /^(08\w{3}|57P0[1-3]|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND)$/;

/** Whether the database is not there: it stops, starts or cannot be reached. */
export function isOutOfReach(error: unknown): boolean {
  for (let e: unknown = error, depth = 0; e instanceof Error && depth < 4; e = e.cause, depth++) {
    const { code } = e as { code?: unknown };
    if (typeof code === 'string' && GONE.test(code)) return true;
    if (
      e.message === 'Connection terminated unexpectedly' ||
      e.message.startsWith('timeout exceeded when trying to connect')
    )
      return true;
  }
  return false;
}
