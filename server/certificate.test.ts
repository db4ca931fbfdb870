import { X509Certificate } from 'node:crypto';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { createServer, request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { howToTrust, ownCertificate } from './certificate.ts';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'meister-certificate-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const NOW = new Date();
const NAMES = ['192.168.7.20', '127.0.0.1', 'localhost'];

it('is made once for the names of the hall, with a key that only its owner reads', async () => {
  const first = await ownCertificate(folder, NAMES, NOW);
  const x = new X509Certificate(first.cert);
  expect(x.ca).toBe(true);
  expect(x.checkIP('192.168.7.20')).toBeDefined();
  expect(x.checkHost('localhost')).toBeDefined();
  expect(x.checkIP('192.168.7.21')).toBeUndefined();
  expect((await stat(path.join(folder, 'https', 'hall.key'))).mode & 0o077).toBe(0);
  expect(await ownCertificate(folder, NAMES, NOW)).toEqual(first);
  expect(howToTrust('https://192.168.7.20:4180', first)).toContain('https://192.168.7.20:4180/hall.crt');
});

it('is made anew for another address, and before it ends', async () => {
  const first = await ownCertificate(folder, NAMES, NOW);
  const moved = await ownCertificate(folder, [...NAMES, '10.0.0.9'], NOW);
  expect(moved.fingerprint).not.toBe(first.fingerprint);
  const later = new Date(NOW.getTime() + 780 * 24 * 3600_000);
  const renewed = await ownCertificate(folder, [...NAMES, '10.0.0.9'], later);
  expect(renewed.fingerprint).not.toBe(moved.fingerprint);
});

it('is enough for somebody who trusts it to reach the hall, and for nobody else', async () => {
  const own = await ownCertificate(path.join(folder, 'another'), NAMES, NOW);
  const server = createServer({ key: own.key, cert: own.cert }, (_, res) => res.end('hall'));
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const ask = (ca?: string) =>
    new Promise<string>((done) => {
      request({ host: '127.0.0.1', port, ca, agent: false }, (res) => {
        res.setEncoding('utf8');
        res.on('data', done);
      })
        .on('error', (e) => done(e.message))
        .end();
    });
  try {
    expect(await ask(own.cert)).toBe('hall');
    expect(await ask()).not.toBe('hall');
  } finally {
    server.close();
  }
});
