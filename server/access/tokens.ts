import { createHash, randomBytes } from 'node:crypto';

/** A token for a link that opens without sign-in: 192 random bits. */
export const newToken = (): string => randomBytes(24).toString('base64url');

/** What the hall keeps of a token: enough to recognise it, too little to use it. */
export const hashOfToken = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Whether a link still opens. */
export function linkState(
  row: { revokedAt: string | null; expiresAt: string },
  now: Date,
): 'open' | 'expired' | 'revoked' {
  if (row.revokedAt !== null) return 'revoked';
  return Date.parse(row.expiresAt) <= now.getTime() ? 'expired' : 'open';
}
