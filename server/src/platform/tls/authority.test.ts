import { X509Certificate } from 'node:crypto';
import { cpSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { givenCertificate, ownCertificate } from './authority.ts';
import { isLoopback, namesOfMachine } from './names.ts';

const NOW = new Date('2026-11-24T12:00:00Z');
const NAMES = ['192.168.7.20', 'gym.local', 'fd00::7'];
const freshFolder = (): string => mkdtempSync(join(tmpdir(), 'iron-clasp-tls-'));

/** A certificate and its authority, made once: a key of theirs takes half a second. */
let made: string;
beforeAll(() => {
  made = freshFolder();
  ownCertificate(made, NAMES, NOW);
});
afterAll(() => rmSync(made, { recursive: true }));

let folder: string;
beforeEach(() => cpSync(made, (folder = freshFolder()), { recursive: true }));
afterEach(() => rmSync(folder, { recursive: true }));

const days = (n: number): Date => new Date(NOW.getTime() + n * 86_400_000);

describe('a certificate of the machine’s own', () => {
  it('names the machine by every name, and its authority vouches for it', () => {
    const { cert, authority } = ownCertificate(folder, NAMES, NOW);
    const [known, over] = [new X509Certificate(cert), new X509Certificate(authority!)];
    expect(known.verify(over.publicKey)).toBe(true);
    expect(known.checkIssued(over)).toBe(true);
    expect(over.ca).toBe(true);
    expect(known.ca).toBe(false);
    for (const name of ['gym.local', 'localhost']) expect(known.checkHost(name)).toBeDefined();
    for (const address of ['192.168.7.20', 'fd00::7', '127.0.0.1'])
      expect(known.checkIP(address)).toBeDefined();
    expect(known.checkHost('elsewhere.example')).toBeUndefined();
    // Longer than 398 days no browser takes it.
    expect(new Date(known.validTo).getTime() - new Date(known.validFrom).getTime()).toBeLessThan(
      398 * 86_400_000,
    );
  });

  it('is kept, its keys for nobody else to read', () => {
    const first = ownCertificate(folder, NAMES, NOW);
    expect(ownCertificate(folder, [...NAMES].reverse(), days(100))).toEqual(first);
    for (const file of readdirSync(folder).filter((each) => each.endsWith('.key')))
      expect(statSync(join(folder, file)).mode & 0o077).toBe(0);
  });

  it('has a serial number that every reader takes, whatever was drawn for it', () => {
    const { cert, authority } = ownCertificate(folder, NAMES, NOW);
    for (const each of [cert, authority!])
      expect(new X509Certificate(each).serialNumber).toMatch(/^01[0-9A-F]{30}$/);
  });

  it('is made anew under the same authority where names change or it runs out', () => {
    const first = ownCertificate(folder, NAMES, NOW);
    const moved = ownCertificate(folder, ['192.168.7.99'], NOW);
    expect(moved.cert).not.toBe(first.cert);
    expect(moved.authority).toBe(first.authority);
    const later = ownCertificate(folder, ['192.168.7.99'], days(380));
    expect(later.cert).not.toBe(moved.cert);
    expect(later.authority).toBe(first.authority);
  });
});

describe('a given certificate', () => {
  const give = (cert: string, key: string): [string, string] => {
    const [certFile, keyFile] = [join(folder, 'given.crt'), join(folder, 'given.key')];
    writeFileSync(certFile, cert);
    writeFileSync(keyFile, key);
    return [certFile, keyFile];
  };

  it('is taken as it is', () => {
    const { cert, key } = ownCertificate(folder, NAMES, NOW);
    expect(givenCertificate(...give(cert, key), NOW)).toEqual({ cert, key });
  });

  it('that does not fit is refused with what is wrong', () => {
    const one = ownCertificate(folder, NAMES, NOW);
    const other = ownCertificate(folder, ['gym.elsewhere'], NOW);
    expect(() => givenCertificate(...give(one.cert, other.key), NOW)).toThrow(
      /is not the one of the certificate/,
    );
    expect(() => givenCertificate(...give('nonsense', one.key), NOW)).toThrow(/no certificate in PEM/);
    expect(() => givenCertificate(...give(one.cert, 'nonsense'), NOW)).toThrow(/is not the one/);
    expect(() => givenCertificate(...give(one.cert, one.key), days(500))).toThrow(/ran out/);
    expect(() => givenCertificate(join(folder, 'nowhere'), join(folder, 'nowhere'), NOW)).toThrow(
      /cannot be read/,
    );
  });
});

it.each([
  ['localhost', true],
  ['127.0.0.1', true],
  ['127.1.2.3', true],
  ['[::1]', true],
  ['app.localhost', true],
  ['192.168.7.20', false],
  ['localhost.example', false],
  ['127.evil.example', false],
  ['', false],
])('%s is this very machine: %s', (name, is) => expect(isLoopback(name)).toBe(is));

it('names of the machine are those that others can use', () => {
  const names = namesOfMachine(['gym.example', 'no name at all', '10.0.0.2']);
  expect(names.slice(0, 2)).toEqual(['gym.example', '10.0.0.2']);
  for (const name of names) expect(isLoopback(name)).toBe(false);
});
