import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context as Wire } from 'hono';

/**
 * Where a request comes from.
 * @param proxies how many proxies in front are trusted to say so: each adds the address it saw to `X-Forwarded-For`
 */
export function addressOf(wire: Wire, proxies: number): string {
  const said = wire.req.header('x-forwarded-for')?.split(',') ?? [];
  const seen = proxies > 0 ? said.at(-proxies)?.trim() : undefined;
  if (seen) return seen.slice(0, 60);
  try {
    return getConnInfo(wire).remote.address ?? 'unknown';
  } catch {
    // No socket beneath: called in the same process.
    return 'unknown';
  }
}
