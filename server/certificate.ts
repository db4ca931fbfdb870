import { X509Certificate } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import path from 'node:path';
import { generate } from 'selfsigned';

export interface Certificate {
  key: string;
  cert: string;
  /** SHA-256 of it, as a tablet shows it before it is trusted. */
  fingerprint: string;
  until: Date;
}

/** No device trusts one for longer (common practice: 825 days). */
const DAYS = 800;
/** A new one is made so long before the end of the old. */
const LEFT_DAYS = 30;
const DAY_MS = 24 * 3600_000;

const read = async (file: string) => readFile(file, 'utf8').catch(() => null);

/** Whether a certificate is good for these names for some time yet. */
function isGood(cert: string, names: readonly string[], now: Date): boolean {
  const x = new X509Certificate(cert);
  return (
    new Date(x.validTo).getTime() - now.getTime() > LEFT_DAYS * DAY_MS &&
    names.every((n) => (isIP(n) ? x.checkIP(n) : x.checkHost(n)) !== undefined)
  );
}

const aboutOf = (key: string, cert: string): Certificate => {
  const x = new X509Certificate(cert);
  return { key, cert, fingerprint: x.fingerprint256, until: new Date(x.validTo) };
};

/**
 * The hall's own certificate, made once and kept in its folder: with it the hall answers over HTTPS, so that tablets give
 * their camera. A tablet has to trust it once.
 * @param names under which the hall answers: host names and addresses
 */
export async function ownCertificate(
  folder: string,
  names: readonly string[],
  now: Date,
): Promise<Certificate> {
  const own = path.join(folder, 'https');
  const [keyFile, certFile] = [path.join(own, 'hall.key'), path.join(own, 'hall.crt')];
  const [key, cert] = await Promise.all([read(keyFile), read(certFile)]);
  if (key && cert && isGood(cert, names, now)) return aboutOf(key, cert);
  const made = await generate([{ name: 'commonName', value: 'Meister, the hall’s own' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - DAY_MS),
    notAfterDate: new Date(now.getTime() + DAYS * DAY_MS),
    extensions: [
      // It vouches for itself: what a tablet trusts has to be an authority.
      { name: 'basicConstraints', cA: true, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyCertSign: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((n) => (isIP(n) ? { type: 7 as const, ip: n } : { type: 2 as const, value: n })),
      },
    ],
  });
  await mkdir(own, { recursive: true, mode: 0o700 });
  await writeFile(keyFile, made.private, { mode: 0o600 });
  await writeFile(certFile, made.cert);
  return aboutOf(made.private, made.cert);
}

/** What whoever runs the hall reads: how a tablet comes to trust it. */
export const howToTrust = (publicUrl: string, { fingerprint, until }: Certificate): string =>
  [
    `On each tablet, once: open ${publicUrl}/hall.crt (the code below), past the warning, and install the file.`,
    '  Android: Settings > Security > Encryption and credentials > Install a certificate > CA certificate.',
    '  iPad: install the profile, then Settings > General > About > Certificate Trust Settings, and switch it on.',
    '  Laptop: add it to the trusted authorities of the browser.',
    `Its SHA-256 is ${fingerprint}; good until ${until.toISOString().slice(0, 10)}.`,
    'Then the camera works there. Whoever has the key in the data folder could pass for the hall: keep it as you keep the data.',
  ].join('\n');
