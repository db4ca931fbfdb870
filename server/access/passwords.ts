import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

// Cost as in the OWASP password storage guidance for scrypt: N = 2^15, r = 8, p = 3 (from memory).
const COST = { N: 2 ** 15, r: 8, p: 3, maxmem: 64 * 1024 * 1024 };
const KEY_BYTES = 32;

const derive = (password: string, salt: Buffer, cost: typeof COST) =>
  new Promise<Buffer>((done, fail) => {
    scrypt(password.normalize('NFKC'), salt, KEY_BYTES, cost, (error, key) =>
      error ? fail(error) : done(key),
    );
  });

/** `scrypt$N$r$p$salt$key`, salt and key in base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(password, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join('$');
}

/** False for a wrong password and for a hash that cannot be read. */
export async function verifyPassword(password: string, hash: string): Promise<boolean> {
  const [scheme, N, r, p, salt, key] = hash.split('$');
  if (scheme !== 'scrypt' || !salt || !key) return false;
  const expected = Buffer.from(key, 'base64');
  const cost = { N: Number(N), r: Number(r), p: Number(p), maxmem: COST.maxmem };
  const actual = await derive(password, Buffer.from(salt, 'base64'), cost);
  return actual.length === expected.length && timingSafeEqual(actual, expected);
}
