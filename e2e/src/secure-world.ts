import {
  CONNECTION_LIMITS,
  localNetwork,
  openAuthority,
  secureServer,
  type Authority,
  type SecureServer,
} from '@morning-crock/server/testing';
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser } from 'puppeteer-core';
import { openDoor } from './door.ts';
import { createWorld, type World } from './world.ts';

/** What the kitchen is called on its network. To a browser it is no name of its own computer. */
export const NAME = 'dairy.local';

/** A kitchen with a secure address of its own, and devices of its network that come to it. */
export interface SecureWorld extends World {
  /** Open to every device. */
  readonly plain: string;
  readonly secure: string;
  readonly authority: Authority;
  /**
   * A browser of another device.
   * @param options.trusts whether it trusts the kitchen's authority, as after installing its certificate
   * @param options.camera a film that its camera sees, in a file that may be written anew
   */
  openBrowser(options: { readonly trusts: boolean; readonly camera?: string }): Promise<Browser>;
}

async function freePort(): Promise<number> {
  const probe = createServer();
  await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
  const { port } = probe.address() as AddressInfo;
  await new Promise<void>((resolve) => probe.close(() => resolve()));
  return port;
}

export async function createSecureWorld(startMs: number): Promise<SecureWorld> {
  const folder = mkdtempSync(join(tmpdir(), 'mc-secure-'));
  // Browsers hold certificates against their own clock.
  const authority = await openAuthority(join(folder, 'authority'), Date.now());
  const [plainDoor, secureDoor] = [await openDoor(), await openDoor()];
  const network = localNetwork({
    port: plainDoor.port,
    securePort: secureDoor.port,
    name: NAME,
    addresses: () => [],
  });
  const certificate = await authority.issue([NAME, '127.0.0.1'], Date.now());
  const securePort = await freePort();
  let server: SecureServer | null = null;
  const world = await createWorld(startMs, {
    localNetwork: network,
    authority,
    built: (app) => {
      server = secureServer(app, certificate, CONNECTION_LIMITS);
    },
    listening: async () => server?.listen({ host: '127.0.0.1', port: securePort }),
  });
  plainDoor.leadTo(Number(new URL(world.address).port));
  secureDoor.leadTo(securePort);
  const browsers: Browser[] = [];
  // What it adds stands beside what the world has; a copy would stand still while the world goes on.
  return Object.assign(Object.create(world) as World, {
    plain: `http://${NAME}:${plainDoor.port}`,
    secure: `https://${NAME}:${secureDoor.port}`,
    authority,
    openBrowser: async ({ trusts, camera }: { readonly trusts: boolean; readonly camera?: string }) => {
      const home = join(folder, `home-${browsers.length}`);
      const store = join(home, '.pki', 'nssdb');
      mkdirSync(store, { recursive: true });
      const certutil = (...args: string[]): unknown =>
        execFileSync('certutil', ['-d', `sql:${store}`, ...args]);
      certutil('-N', '--empty-password');
      if (trusts) {
        const file = join(home, 'morning-crock.crt');
        writeFileSync(file, authority.certificate);
        certutil('-A', '-t', 'C,,', '-n', 'kitchen', '-i', file);
      }
      const browser = await puppeteer.launch({
        executablePath: '/usr/bin/chromium-headless-shell',
        env: { ...process.env, HOME: home },
        args: [
          '--no-sandbox',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
          `--host-resolver-rules=MAP ${NAME} 127.0.0.1`,
          ...(camera === undefined
            ? []
            : [
                '--use-fake-device-for-media-stream',
                '--use-fake-ui-for-media-stream',
                `--use-file-for-fake-video-capture=${camera}`,
              ]),
        ],
      });
      browsers.push(browser);
      return browser;
    },
    close: async () => {
      for (const browser of browsers) await browser.close();
      await world.close();
      await plainDoor.close();
      await secureDoor.close();
      rmSync(folder, { recursive: true, force: true });
    },
  });
}
