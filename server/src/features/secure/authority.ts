// The certificates' package looks its parts up by what this adds.
import 'reflect-metadata';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';
import { DAY_MS } from '@morning-crock/core';
import { createHash, randomBytes, webcrypto } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { dirname, join } from 'node:path';
import { HOME, isOfHome } from './home-names.ts';

cryptoProvider.set(webcrypto as Crypto);

const SIGNING = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
/** A device whose clock is behind trusts a certificate that begins today too. */
const BEFORE_MS = 2 * DAY_MS;
const AUTHORITY_DAYS = 3650;
/** Short, so that a certificate that got out is soon worth nothing; it is renewed by itself. */
export const CERTIFICATE_DAYS = 90;
/** An authority that ends sooner than this is replaced: what it vouches for must not outlive it. */
const LAST_DAYS = CERTIFICATE_DAYS + 30;

const KEY_FILE = 'authority-key.pem';
const CERTIFICATE_FILE = 'authority.pem';

/** What a server shows to whoever connects. */
export interface OwnCertificate {
  readonly keyPem: string;
  readonly certificatePem: string;
  readonly validUntilMs: number;
}

/** The kitchen's own authority: devices that trust it trust this kitchen at all its addresses, and nothing else. */
export interface Authority {
  /** DER, as devices install it. */
  readonly certificate: Buffer;
  /** SHA-256 of it in groups of four hexadecimal digits, to be compared by eye. */
  readonly fingerprint: string;
  readonly validUntilMs: number;
  /**
   * A certificate for these names and addresses; those that are not of a home are left out.
   * @throws Error when none is left
   */
  issue(hosts: readonly string[], nowMs: number): Promise<OwnCertificate>;
}

const serial = (): string => {
  const bytes = randomBytes(16);
  // A serial number is above nothing and has a first digit.
  bytes[0] = (bytes[0]! & 0x7f) | 0x40;
  return bytes.toString('hex');
};

const newKeys = (): Promise<webcrypto.CryptoKeyPair> =>
  webcrypto.subtle.generateKey(SIGNING, true, ['sign', 'verify']);

const keyPem = async (key: webcrypto.CryptoKey): Promise<string> =>
  PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), PemConverter.PrivateKeyTag);

const onlyHome = (): Extension =>
  new Extension(
    id_ce_nameConstraints,
    true,
    AsnConvert.serialize(
      new NameConstraints({
        permittedSubtrees: new GeneralSubtrees([
          ...HOME.domains.map((dNSName) => new GeneralSubtree({ base: new GeneralName({ dNSName }) })),
          ...HOME.networks.map((iPAddress) => new GeneralSubtree({ base: new GeneralName({ iPAddress }) })),
        ]),
      }),
    ),
  );

/** Makes an authority in a folder; it is there whole or not at all. */
async function makeAuthority(folder: string, nowMs: number): Promise<void> {
  const keys = await newKeys();
  const certificate = await X509CertificateGenerator.createSelfSigned({
    name: 'CN=Morning Crock kitchen',
    serialNumber: serial(),
    notBefore: new Date(nowMs - BEFORE_MS),
    notAfter: new Date(nowMs + AUTHORITY_DAYS * DAY_MS),
    signingAlgorithm: SIGNING,
    keys,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
      onlyHome(),
    ],
  });
  const making = `${folder}.new`;
  rmSync(making, { recursive: true, force: true });
  mkdirSync(making, { recursive: true, mode: 0o700 });
  writeFileSync(join(making, KEY_FILE), await keyPem(keys.privateKey), { mode: 0o600 });
  writeFileSync(join(making, CERTIFICATE_FILE), certificate.toString('pem'), { mode: 0o600 });
  renameSync(making, folder);
}

interface Held {
  readonly certificate: X509Certificate;
  readonly key: webcrypto.CryptoKey;
}

/** What lies in the folder; `null` when it is none of ours, damaged or about to end. */
async function readAuthority(folder: string, nowMs: number): Promise<Held | null> {
  try {
    const certificate = new X509Certificate(readFileSync(join(folder, CERTIFICATE_FILE), 'utf8'));
    const pkcs8 = PemConverter.decodeFirst(readFileSync(join(folder, KEY_FILE), 'utf8'));
    const key = await webcrypto.subtle.importKey('pkcs8', pkcs8, SIGNING, false, ['sign']);
    const verifying = await webcrypto.subtle.importKey(
      'spki',
      certificate.publicKey.rawData,
      SIGNING,
      false,
      ['verify'],
    );
    const probe = randomBytes(16);
    const signed = await webcrypto.subtle.sign(SIGNING, key, probe);
    const fits = await webcrypto.subtle.verify(SIGNING, verifying, signed, probe);
    return fits && certificate.notAfter.getTime() - nowMs > LAST_DAYS * DAY_MS ? { certificate, key } : null;
  } catch {
    return null;
  }
}

/**
 * Opens the authority of a folder, made on the first start. Its key is readable by its owner alone and never leaves the
 * folder. One that is damaged or about to end is laid aside and another made: devices are then asked to trust anew.
 */
export async function openAuthority(folder: string, nowMs: number): Promise<Authority> {
  mkdirSync(dirname(folder), { recursive: true });
  let held = existsSync(folder) ? await readAuthority(folder, nowMs) : null;
  if (!held) {
    if (existsSync(folder))
      renameSync(folder, `${folder}-until-${new Date(nowMs).toISOString().slice(0, 10)}-${nowMs}`);
    await makeAuthority(folder, nowMs);
    held = await readAuthority(folder, nowMs);
  }
  if (!held) throw new Error(`the authority in ${folder} cannot be read`);
  // Copied or restored by hand, it may have come with other rights.
  chmodSync(folder, 0o700);
  chmodSync(join(folder, KEY_FILE), 0o600);
  const { certificate, key } = held;
  const der = Buffer.from(certificate.rawData);
  return {
    certificate: der,
    fingerprint: createHash('sha256').update(der).digest('hex').toUpperCase().match(/.{4}/g)!.join(' '),
    validUntilMs: certificate.notAfter.getTime(),
    issue: async (hosts, nowOfIssueMs) => {
      const vouched = [...new Set(hosts.map((host) => host.replace(/^\[(.*)\]$/, '$1')))].filter(isOfHome);
      if (vouched.length === 0) throw new Error('no address of a home to vouch for');
      const own = await newKeys();
      const validUntilMs = nowOfIssueMs + CERTIFICATE_DAYS * DAY_MS;
      const issued = await X509CertificateGenerator.create({
        subject: 'CN=Morning Crock',
        issuer: certificate.subject,
        serialNumber: serial(),
        notBefore: new Date(nowOfIssueMs - BEFORE_MS),
        notAfter: new Date(validUntilMs),
        signingAlgorithm: SIGNING,
        publicKey: own.publicKey,
        signingKey: key,
        extensions: [
          new BasicConstraintsExtension(false, undefined, true),
          new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
          new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
          new SubjectAlternativeNameExtension(
            vouched.map((value) => ({ type: isIP(value) === 0 ? ('dns' as const) : ('ip' as const), value })),
          ),
          await AuthorityKeyIdentifierExtension.create(certificate.publicKey),
          await SubjectKeyIdentifierExtension.create(own.publicKey),
        ],
      });
      return {
        keyPem: await keyPem(own.privateKey),
        certificatePem: issued.toString('pem'),
        validUntilMs,
      };
    },
  };
}
