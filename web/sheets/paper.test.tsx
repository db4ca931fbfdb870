import jsQR from 'jsqr';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { PrintedSheet, PrintJob } from '../../contract/sheets.ts';
import { readJob } from '../../core/sheets/index.ts';
import { scanAddress } from './paper.tsx';
import { Qr } from './qr.tsx';

/** The printed path as pixels, eight a module, read by a general-purpose decoder. */
function decoded(markup: string): string | null {
  const [, from, , side] = /viewBox="(-?\d+) (-?\d+) (\d+) \d+"/.exec(markup)!.map(Number) as [
    number,
    number,
    number,
    number,
  ];
  const scale = 8;
  const size = side * scale;
  const pixels = new Uint8ClampedArray(size * size * 4).fill(255);
  for (const [, x, y] of markup.matchAll(/M(\d+) (\d+)h1v1h-1z/g)) {
    for (let dy = 0; dy < scale; dy++) {
      for (let dx = 0; dx < scale; dx++) {
        const at = (((Number(y) - from) * scale + dy) * size + (Number(x) - from) * scale + dx) * 4;
        pixels.fill(0, at, at + 3);
      }
    }
  }
  return jsQR(pixels, size, size)?.data ?? null;
}

const sheet = (job: string) => ({ item: readJob(job)[0]! }) as PrintedSheet;
const job = (person: PrintJob['person']) =>
  ({ state: 47, person, publicUrl: 'http://hall.example:4180' }) as PrintJob;
const somebody = { id: '0b0e7c0e-2b7c-4c39-9d3a-1f6f4a6f1c11', name: 'Somebody' };

describe('the code on a sheet', () => {
  it('is read by a decoder as the address it carries, short and long', () => {
    for (const text of [
      'http://hall.example/scan?job=floor%3Abox-squat&state=1',
      `http://hall.example:4180/scan?${new URLSearchParams({
        job: `log:${Array.from({ length: 8 }, (_, i) => `a-rather-long-name-of-a-variation-${i}`).join('+')}`,
        state: '123456',
        person: somebody.id,
      })}`,
    ]) {
      expect(decoded(renderToStaticMarkup(<Qr text={text} sizeMm={24} label="Code" />))).toBe(text);
    }
  });

  it('leads to the live sheet with the printed state, for a person where it was printed for one', () => {
    const of = (person: PrintJob['person'], link: string | null = null) =>
      new URL(scanAddress({ job: job(person), link }, sheet('log:box-squat+bar-romanian')));
    const plain = of(null);
    expect([plain.origin, plain.pathname]).toEqual(['http://hall.example:4180', '/scan']);
    expect(Object.fromEntries(plain.searchParams)).toEqual({
      job: 'log:box-squat+bar-romanian',
      state: '47',
    });
    expect(of(somebody).searchParams.get('person')).toBe(somebody.id);
    // Whoever holds a link stays behind it, and no name of a person leaves with the address.
    const shared = of(somebody, 'a-link');
    expect(shared.pathname).toBe('/shared/a-link');
    expect(shared.searchParams.has('person')).toBe(false);
  });
});
