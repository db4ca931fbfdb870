import { describe, expect, it } from 'vitest';
import { ALL_TERMS, termsOf } from './terms.ts';

const ROOMS = [
  'floor',
  'faults',
  'overview',
  'people',
  'library',
  'ladders',
  'body',
  'changes',
  'hall',
  'print',
];

describe('the words of the screens', () => {
  it.each(ROOMS)('/%s explains words of its own', (room) => {
    const words = termsOf(`/${room}`);
    expect(words.length).toBeGreaterThanOrEqual(3);
    expect(words.length).toBeLessThanOrEqual(10);
    expect(new Set(words.map(([w]) => w)).size).toBe(words.length);
  });
  it('a person’s page explains the evidence, a list of people does not', () => {
    const has = (address: string) => termsOf(address).some(([w]) => w === 'Evidence');
    expect(has('/people/7c1f')).toBe(true);
    expect(has('/people')).toBe(false);
  });
  it('a screen without words of its own still has some', () => {
    expect(termsOf('/me').length).toBeGreaterThan(0);
  });
  it('says each in one or two short sentences', () => {
    for (const [word, meaning] of ALL_TERMS) {
      expect(meaning.split(/[.!?](?:\s|$)/).filter(Boolean).length, word).toBeLessThanOrEqual(3);
      expect(meaning.length, word).toBeLessThanOrEqual(130);
    }
  });
});
