import { beforeEach, expect, it, vi } from 'vitest';
import type { OwnDay } from '../../contract/session.ts';

const text = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (k: string) => text.get(k) ?? null,
  setItem: (k: string, v: string) => text.set(k, v),
  removeItem: (k: string) => text.delete(k),
});
vi.stubGlobal('addEventListener', () => undefined);
const { keepDay, keptDay, ownSession, purge, sessionOf } = await import('./kept-day.ts');

const NOW = Date.parse('2026-12-01T12:00:00Z');
const HOUR = 3600_000;
const day = (until: string) => ({ name: 'Ida', until }) as OwnDay;

beforeEach(purge);

it('keeps today’s plan of its link, and nothing after seven days or the end of the link', () => {
  keepDay('a', day('2026-12-20T00:00:00Z'), NOW);
  expect(keptDay('a', NOW + HOUR)?.day.name).toBe('Ida');
  expect(keptDay('b', NOW + HOUR)).toBeNull();
  expect(keptDay('a', NOW + 7 * 24 * HOUR + 1)).toBeNull();
  expect([...text.values()].join()).not.toContain('Ida');
  keepDay('a', day('2026-12-01T13:00:00Z'), NOW);
  expect(keptDay('a', NOW + 2 * HOUR)).toBeNull();
  expect([...text.values()].join()).not.toContain('Ida');
});

it('begins a new session each day, with the same things at home', () => {
  const s = {
    ...ownSession.current(),
    date: '2026-12-01',
    have: ['chair' as const],
    began: true,
    ended: true,
  };
  expect(sessionOf(s, '2026-12-01')).toBe(s);
  expect(sessionOf(s, '2026-12-02')).toMatchObject({ have: ['chair'], began: false, ended: false });
});
