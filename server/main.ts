import { randomInt, randomUUID } from 'node:crypto';
import { access, chmod, mkdir, rm } from 'node:fs/promises';
import { createServer } from 'node:https';
import path from 'node:path';
import QRCode from 'qrcode';
import { serve } from '@hono/node-server';
import { allowedHosts, isLoopback, LASTING, ownAddress } from './access/index.ts';
import { createApp, keepWarm } from './app.ts';
import { howToTrust, ownCertificate } from './certificate.ts';
import { complaintOf } from './complaint.ts';
import { PersonMemo } from './memo.ts';
import { workPool } from './work-pool.ts';
import {
  backupApart,
  backupFile,
  FolderInUse,
  keepSnapshots,
  newestSnapshot,
  lockFolder,
  openEmbedded,
  openServer,
  kitApart,
} from './db/index.ts';
import { dayIn, hallRow } from './hall/index.ts';
import { shippedLibraryFile } from './library/index.ts';
import { reportsFromLog } from './log/index.ts';
import { loadDemo } from './demo/index.ts';

/** Eight letters and digits that are not mistaken for one another. */
const newSetUpCode = () =>
  Array.from({ length: 8 }, () => 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'[randomInt(31)]).join('');

const SNAPSHOT_EVERY_MS = 3 * 60_000;

/** A very large hall is served before all of its day is put together. */
const LONGEST_WARMING_MS = 10_000;

/** A folder that cannot be opened any more, and how to go on from its newest snapshot. */
class Damaged extends Error {}

async function openHere(folder: string, tell: ((line: string) => void) | undefined) {
  try {
    return await openEmbedded(path.join(folder, 'db'), { tell });
  } catch (error) {
    console.error(error);
    const snapshot = await newestSnapshot(path.join(folder, 'snapshots'));
    throw new Damaged(
      `The data in ${folder} cannot be opened: it is damaged, perhaps by a power cut. It is left as it is.\n${
        snapshot
          ? `Go on from its newest snapshot:\n  npm run restore -- ${snapshot} ${folder}-again --keep-access\n  MEISTER_DATA=${folder}-again npm start`
          : 'There is no snapshot in it. Restore a backup with npm run restore.'
      }`,
    );
  }
}

async function main(): Promise<void> {
  // What is written here is for whoever runs the server, and nobody else on the machine.
  process.umask(0o077);
  const demo = process.argv.includes('--demo');
  const https = process.argv.includes('--https');
  // An empty variable means the default, as an unset one does.
  const port = Number(process.env.PORT || 4180);
  const host = process.env.HOST || (https ? '0.0.0.0' : '127.0.0.1');
  const folder = path.resolve(process.env.MEISTER_DATA || (demo ? 'data/demo' : 'data/hall'));
  const publicUrl = (
    process.env.PUBLIC_URL || `http${https ? 's' : ''}://${ownAddress(host)}:${port}`
  ).replace(/\/$/, '');
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT is not a port: ${process.env.PORT}`);
  if (https && publicUrl.startsWith('http:'))
    throw new Error(`PUBLIC_URL begins with http, and the hall is served over HTTPS: ${publicUrl}`);

  const shipped = process.env.MEISTER_LIBRARY
    ? path.resolve(process.env.MEISTER_LIBRARY)
    : shippedLibraryFile;
  await access(shipped).catch(() => {
    throw new Error(`MEISTER_LIBRARY is no file that can be read: ${shipped}`);
  });
  const tell = process.env.MEISTER_DEBUG === '1' ? (line: string) => console.log(line) : undefined;
  const url = process.env.DATABASE_URL;
  await mkdir(folder, { recursive: true, mode: 0o700 });
  await chmod(folder, 0o700);
  const unlock = await lockFolder(folder);
  const here = url ? null : await openHere(folder, tell);
  const { db, close } = here ?? (await openServer(url!, tell));
  const clock = () => new Date();
  if (demo && (await hallRow(db)) === null) {
    console.log('Loading the demo hall …');
    await loadDemo(db, clock());
  }
  await kitApart(db);
  const hall = await hallRow(db);
  if (hall) await reportsFromLog(db, dayIn(hall.timeZone, clock()));
  // Who reaches an empty hall from elsewhere has to see the console, or the first account would be anybody's.
  const reached = !isLoopback(host) || !isLoopback(new URL(publicUrl).hostname);
  const setUpCode = hall === null && reached ? newSetUpCode() : null;
  if (setUpCode) console.log(`To make the first account, enter this code: ${setUpCode}`);
  const certificate = https
    ? await ownCertificate(
        folder,
        [...new Set([new URL(publicUrl).hostname.replace(/^\[|\]$/g, ''), '127.0.0.1', 'localhost'])],
        clock(),
      )
    : null;
  const copy = path.join(folder, '.copy');
  // What a server that was killed left behind may name people who have been erased since.
  await rm(copy, { recursive: true, force: true });
  const takeBackup = backupApart(here ? { copyTo: here.copyTo, copy } : { url: url! });
  const snapshots = keepSnapshots(takeBackup, path.join(folder, 'snapshots'), clock, SNAPSHOT_EVERY_MS);
  const pool = workPool();
  const memo = new PersonMemo();
  const services = {
    db,
    clock,
    boot: randomUUID(),
    snapshots,
    backup: (at: Date) => backupFile(takeBackup, at, folder),
    publicUrl,
    proxies: Math.max(0, Math.trunc(Number(process.env.TRUSTED_PROXIES || 0))) || 0,
    tell,
    answersAt: allowedHosts(host, publicUrl, process.env.ALLOWED_HOSTS),
    setUpCode,
    lasting: LASTING,
    shipped,
    work: pool.work,
    ...(certificate ? { certificate: certificate.cert } : {}),
  };
  const app = createApp(services, memo);
  const { warm, cool } = keepWarm(services, memo);
  // A squad that is waiting for the server is served soonest if its day is put together in one go.
  await Promise.race([warm, new Promise((go) => setTimeout(go, LONGEST_WARMING_MS).unref())]);
  // A tablet that asks again after a pause finds its connection still open.
  const serverOptions = {
    keepAliveTimeout: 60_000,
    ...(certificate ? { key: certificate.key, cert: certificate.cert } : {}),
  };
  const served = { fetch: app.fetch, port, hostname: host, serverOptions };
  const server = serve(certificate ? { ...served, createServer } : served, () => {
    console.log(`Meister is at ${publicUrl}`);
    if (certificate) {
      console.log(howToTrust(publicUrl, certificate));
      void QRCode.toString(`${publicUrl}/hall.crt`, { type: 'terminal', small: true }).then((code) =>
        console.log(code),
      );
    }
    console.log(`Data: ${url ? 'the PostgreSQL server of DATABASE_URL' : folder}`);
  });

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    cool();
    void pool.close();
    server.close();
    void snapshots
      .stop()
      .catch((error: unknown) => console.error('The last snapshot could not be written:', complaintOf(error)))
      .then(close)
      .then(unlock)
      .then(() => process.exit(0));
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(error.code === 'EADDRINUSE' ? `Port ${port} is taken; set PORT to another one.` : error);
    void close()
      .then(unlock)
      .then(() => process.exit(1));
  });
}

main().catch((error: unknown) => {
  console.error(error instanceof FolderInUse || error instanceof Damaged ? error.message : error);
  process.exit(1);
});
