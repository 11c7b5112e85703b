import { createPrivateKey, generateKeyPairSync, randomBytes, X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { addDays, addYears, subDays } from 'date-fns';
import forge from 'node-forge';
import { isLoopback } from './names.ts';

/** The authority lasts for as long as a club is likely to keep its machine, years. */
const AUTHORITY_YEARS = 10;
/** Browsers refuse certificates that last longer than this, days. */
const CERTIFICATE_DAYS = 397;
/** A certificate is made anew so long before it runs out, days. */
const RENEW_DAYS = 30;
const BITS = 2048;

/** What an https server shows, and who vouches for it; all PEM. */
export interface Certificate {
  readonly key: string;
  readonly cert: string;
  /** Of the machine's own authority, for a tablet to trust; undefined for a given certificate. */
  readonly authority?: string;
}

/**
 * The certificate of this machine for its names, signed by an authority of its own that is made on first use and kept: a tablet
 * that trusts it once is served for as long as the folder is kept. The certificate is made anew where the names change or it
 * is about to run out.
 */
export function ownCertificate(folder: string, names: readonly string[], now: Date): Certificate {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = keptPair(folder, 'authority', () => makeAuthority(now));
  const wanted = [...new Set([...names, 'localhost', '127.0.0.1'])].sort();
  const server = keptPair(
    folder,
    'server',
    () => makeCertificate(authority, wanted, now),
    (cert) => stillGood(cert, authority.cert, wanted, now),
  );
  return { key: server.key, cert: server.cert, authority: authority.cert };
}

/**
 * A certificate as it was given.
 * @throws Error that says what is wrong with it: unreadable, not of this key, or out of date.
 */
export function givenCertificate(certFile: string, keyFile: string, now: Date): Certificate {
  const read = (file: string, variable: string): string => {
    try {
      return readFileSync(file, 'utf8');
    } catch {
      throw new Error(`${variable} names ${file}, which cannot be read.`);
    }
  };
  const cert = read(certFile, 'IRON_CLASP_TLS_CERT');
  const key = read(keyFile, 'IRON_CLASP_TLS_KEY');
  let known: X509Certificate;
  try {
    known = new X509Certificate(cert);
  } catch {
    throw new Error(`${certFile} holds no certificate in PEM. Give the full chain, the server’s own first.`);
  }
  try {
    if (!known.checkPrivateKey(createPrivateKey(key))) throw new Error('another');
  } catch {
    throw new Error(`The key in ${keyFile} is not the one of the certificate in ${certFile}.`);
  }
  if (new Date(known.validTo) <= now)
    throw new Error(
      `The certificate in ${certFile} ran out on ${known.validTo}. Renew it, then start again.`,
    );
  return { cert, key };
}

interface Pair {
  readonly key: string;
  readonly cert: string;
}

/** What is kept in the folder under a name, or what is made and kept where there is nothing, or nothing good. */
function keptPair(
  folder: string,
  name: string,
  make: () => Pair,
  good: (cert: string) => boolean = () => true,
): Pair {
  const [keyFile, certFile] = [join(folder, `${name}.key`), join(folder, `${name}.crt`)];
  if (existsSync(keyFile) && existsSync(certFile)) {
    const kept = { key: readFileSync(keyFile, 'utf8'), cert: readFileSync(certFile, 'utf8') };
    if (good(kept.cert)) return kept;
  }
  const made = make();
  write(keyFile, made.key, 0o600);
  write(certFile, made.cert, 0o644);
  return made;
}

/** Whole or not at all: a half-written key would keep the server from starting. */
function write(file: string, text: string, mode: number): void {
  writeFileSync(`${file}.half`, text, { mode });
  renameSync(`${file}.half`, file);
}

function stillGood(cert: string, authority: string, names: readonly string[], now: Date): boolean {
  const known = new X509Certificate(cert);
  const covered = names.every(
    (name) => (isIP(name) ? known.checkIP(name) : known.checkHost(name)) !== undefined,
  );
  const lasts = new Date(known.validTo) > addDays(now, RENEW_DAYS) && new Date(known.validFrom) <= now;
  return covered && lasts && known.verify(new X509Certificate(authority).publicKey);
}

function makeAuthority(now: Date): Pair {
  const name = [{ name: 'commonName', value: `Iron Clasp of this club, ${randomBytes(3).toString('hex')}` }];
  return sign(name, undefined, { from: now, to: addYears(now, AUTHORITY_YEARS) }, [
    { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
    { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    { name: 'subjectKeyIdentifier' },
  ]);
}

function makeCertificate(authority: Pair, names: readonly string[], now: Date): Pair {
  const first = names.find((each) => !isLoopback(each)) ?? 'localhost';
  const altNames = names.map((each) => (isIP(each) ? { type: 7, ip: each } : { type: 2, value: each }));
  return sign(
    [{ name: 'commonName', value: first }],
    authority,
    { from: now, to: addDays(now, CERTIFICATE_DAYS - 1) },
    [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames },
    ],
  );
}

/** A new key with its certificate, signed by an issuer or, without one, by itself. */
function sign(
  subject: forge.pki.CertificateField[],
  issuer: Pair | undefined,
  { from, to }: { readonly from: Date; readonly to: Date },
  extensions: object[],
): Pair {
  // Made by Node: node-forge takes many times as long for it.
  const made = generateKeyPairSync('rsa', {
    ...{ modulusLength: BITS, publicKeyEncoding: { type: 'spki', format: 'pem' } },
    privateKeyEncoding: { type: 'pkcs1', format: 'pem' },
  });
  const cert = forge.pki.createCertificate();
  cert.publicKey = forge.pki.publicKeyFromPem(made.publicKey);
  // It begins with a one: a number below zero, or one padded with zeros, is no serial number, and nothing reads the certificate.
  cert.serialNumber = `01${randomBytes(15).toString('hex')}`;
  // Clocks of tablets lag behind.
  cert.validity.notBefore = subDays(from, 1);
  cert.validity.notAfter = to;
  cert.setSubject(subject);
  cert.setIssuer(issuer ? forge.pki.certificateFromPem(issuer.cert).subject.attributes : subject);
  cert.setExtensions(extensions);
  cert.sign(forge.pki.privateKeyFromPem(issuer?.key ?? made.privateKey), forge.md.sha256.create());
  return { key: made.privateKey, cert: forge.pki.certificateToPem(cert) };
}
