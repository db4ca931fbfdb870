import { hostname, networkInterfaces } from 'node:os';

const LOOPBACK: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]', '::1']);

/** Whether only this machine itself reaches an address. */
export const isLoopback = (host: string): boolean => LOOPBACK.has(host) || host.startsWith('127.');

/** Whether a server that listens there is reached at every address of the machine. */
const isAny = (host: string): boolean => host === '0.0.0.0' || host === '::' || host === '[::]';

const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).map((a) => (a.family === 'IPv6' ? `[${a.address}]` : a.address)),
  );

/** Where a server that listens there is reached from other devices: for one at every address, the first that leads out. */
export function ownAddress(host: string): string {
  if (!isAny(host)) return host.includes(':') && !host.startsWith('[') ? `[${host}]` : host;
  const outward = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find((a) => a.family === 'IPv4' && !a.internal);
  return outward?.address ?? '127.0.0.1';
}

/**
 * Under which names the hall answers, so that no other site reaches it under a name of its own (DNS rebinding): loopback,
 * where it listens, its public address, and those added.
 * @param extra host names, parted by commas
 */
export function allowedHosts(host: string, publicUrl: string, extra = ''): (asked: string) => boolean {
  const fixed = new Set([
    ...LOOPBACK,
    host,
    new URL(publicUrl).hostname,
    ...extra
      .split(',')
      .map((h) => h.trim().toLowerCase())
      .filter(Boolean),
  ]);
  return (asked) => {
    const name = asked.toLowerCase().replace(/:\d+$/, '');
    if (fixed.has(name)) return true;
    // An address may be given anew while the server runs.
    return (
      isAny(host) &&
      [hostname().toLowerCase(), `${hostname().toLowerCase()}.local`, ...ownAddresses()].includes(name)
    );
  };
}
