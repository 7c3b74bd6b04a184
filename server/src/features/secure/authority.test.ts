import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { DAY_MS } from '@morning-crock/core';
import { X509Certificate } from 'node:crypto';
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, get } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CERTIFICATE_DAYS, openAuthority, type Authority } from './authority.ts';
import { isOfHome } from './home-names.ts';

const NOW = Date.now();
let parent: string;
let authority: Authority;
const folder = (): string => join(parent, 'authority');
beforeAll(async () => {
  parent = mkdtempSync(join(tmpdir(), 'mc-authority-'));
  authority = await openAuthority(folder(), NOW);
});
afterAll(() => rmSync(parent, { recursive: true, force: true }));

const trusted = (of = authority): string => new X509Certificate(of.certificate).toString();

/** What a device that trusts an authority gets to see at an address of ours. */
async function seenAt(host: string, hosts: readonly string[], ca = trusted()): Promise<string> {
  const { keyPem, certificatePem } = await authority.issue(hosts, NOW);
  const server = createServer({ key: keyPem, cert: certificatePem }, (_request, response) =>
    response.end('seen'),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise<string>((resolve) => {
      get({ host: '127.0.0.1', port, ca, servername: host, headers: { host } }, (answer) => {
        answer.once('data', (text) => resolve(String(text)));
      }).once('error', (error: NodeJS.ErrnoException) => resolve(String(error.code)));
    });
  } finally {
    server.close();
    server.closeAllConnections();
  }
}

describe('the authority of a kitchen', () => {
  test('is the same at every start; its key is its owner’s alone, whatever rights it came with', async () => {
    chmodSync(join(folder(), 'authority-key.pem'), 0o644);
    chmodSync(folder(), 0o755);
    const again = await openAuthority(folder(), NOW + DAY_MS);
    expect(again.fingerprint).toBe(authority.fingerprint);
    expect(statSync(folder()).mode & 0o777).toBe(0o700);
    for (const name of readdirSync(folder())) expect(statSync(join(folder(), name)).mode & 0o077).toBe(0);
    expect(authority.fingerprint).toBe(
      new X509Certificate(authority.certificate).fingerprint256.replaceAll(':', '').match(/.{4}/g)!.join(' '),
    );
  });

  test('a device that trusts it sees the kitchen by its names; nobody else does, nor by another name', async () => {
    expect(await seenAt('dairy.local', ['dairy.local', '192.168.7.5'])).toBe('seen');
    expect(await seenAt('other.local', ['dairy.local'])).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    const stranger = await openAuthority(join(parent, 'stranger'), NOW);
    expect(await seenAt('dairy.local', ['dairy.local'], trusted(stranger))).not.toBe('seen');
  });

  test('vouches for addresses of a home alone, and says so in its own certificate', async () => {
    const { certificatePem } = await authority.issue(
      ['192.168.7.5', '203.0.113.9', 'kitchen.example.org', 'dairy.local'],
      NOW,
    );
    expect(new X509Certificate(certificatePem).subjectAltName).toBe(
      'IP Address:192.168.7.5, DNS:dairy.local',
    );
    await expect(authority.issue(['203.0.113.9'], NOW)).rejects.toThrow('no address of a home');
    // NameConstraints, critical: 2.5.29.30.
    expect(authority.certificate.includes(Buffer.from('0603551d1e0101ff', 'hex'))).toBe(true);
  });

  test('a certificate is short, begins before today and is no authority itself', async () => {
    const { certificatePem, validUntilMs } = await authority.issue(['10.0.0.4'], NOW);
    const certificate = new X509Certificate(certificatePem);
    expect(validUntilMs - NOW).toBe(CERTIFICATE_DAYS * DAY_MS);
    expect(Date.parse(certificate.validFrom)).toBeLessThan(NOW - DAY_MS);
    expect(certificate.ca).toBe(false);
    expect(certificate.checkIssued(new X509Certificate(authority.certificate))).toBe(true);
  });

  test('damaged, of another key, or about to end it is laid aside, and another is made', async () => {
    const own = join(parent, 'own');
    const first = await openAuthority(own, NOW);
    writeFileSync(join(own, 'authority.pem'), 'rain came in');
    const second = await openAuthority(own, NOW + 1);
    writeFileSync(join(own, 'authority-key.pem'), readFileSync(join(folder(), 'authority-key.pem')));
    const third = await openAuthority(own, NOW + 2);
    const fourth = await openAuthority(own, third.validUntilMs - 100 * DAY_MS);
    expect(new Set([first, second, third, fourth].map(({ fingerprint }) => fingerprint)).size).toBe(4);
    expect(readdirSync(parent).filter((name) => name.startsWith('own-until-'))).toHaveLength(3);
  });
});

test.each([
  ['192.168.7.5', true],
  ['10.1.2.3', true],
  ['172.31.0.1', true],
  ['172.32.0.1', false],
  ['203.0.113.9', false],
  ['[fe80::1]', true],
  ['2001:db8::1', false],
  ['dairy.local', true],
  ['local', true],
  ['notlocal', false],
  ['dairy.local.example.org', false],
  ['localhost', true],
])('%s is of a home: %s', (host, expected) => {
  expect(isOfHome(host)).toBe(expected);
});
