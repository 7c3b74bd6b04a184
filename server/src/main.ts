import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { toString as drawQr } from 'qrcode';
import * as z from 'zod';
import { buildApp, CONNECTION_LIMITS } from './app.ts';
import { createDataSource } from './db/data-source.ts';
import { seedDemo } from './demo/seed.ts';
import { newKitchenCode } from './features/access/kitchen-code.ts';
import { openAuthority } from './features/secure/authority.ts';
import { secureServer } from './features/secure/secure-server.ts';
import { keepCertificate } from './keep-certificate.ts';
import { localNetwork } from './local-network.ts';
import { createLog } from './log.ts';
import { watchDisk } from './plugins/disk.ts';
import { prepareKitchen } from './prepare.ts';
import { createPool } from './work/work.ts';

/** The only place that reads the environment, listens, and looks at the real clock. */
const environment = z.object({
  MC_DATABASE_FILE: z.string(),
  /** Where this kitchen's data lies; its log of faults too. */
  MC_DATA_DIR: z.string(),
  /** Where files lie while they come in. */
  MC_SPOOL: z.string().optional(),
  MC_PORT: z.coerce.number().int().min(1).max(65_535),
  MC_KITCHEN: z.string(),
  MC_ZONE: z.string(),
  MC_DEMO: z.enum(['yes', 'no']),
  MC_PAGE: z.string(),
  /** `yes` lets devices of the local network in, with the kitchen code. */
  MC_LAN: z.enum(['yes', 'no']).default('no'),
  /** Where the same is served securely to devices that trust this kitchen. */
  MC_SECURE_PORT: z.coerce.number().int().min(1).max(65_535).optional(),
  /** What this kitchen is called on its network. */
  MC_NAME: z.string().optional(),
});
const address = z.object({
  host: z.string(),
  port: z.number(),
  user: z.string(),
  password: z.string(),
  database: z.string(),
});

const env = environment.parse(process.env);
const dataSource = createDataSource(address.parse(JSON.parse(readFileSync(env.MC_DATABASE_FILE, 'utf8'))));
const clock = (): number => Date.now();

const logger = await createLog(join(env.MC_DATA_DIR, 'faults.log'));
process.on('uncaughtException', (error) => {
  logger.fatal(error, 'ends');
  logger.flush(() => process.exit(1));
});
await dataSource.initialize();
const demo = env.MC_DEMO === 'yes';
const kitchen = await prepareKitchen(dataSource, { name: env.MC_KITCHEN, zone: env.MC_ZONE, demo });
if (demo) await seedDemo(dataSource, kitchen.id, clock());
const network =
  env.MC_LAN === 'yes' && env.MC_SECURE_PORT !== undefined
    ? localNetwork({
        port: env.MC_PORT,
        securePort: env.MC_SECURE_PORT,
        ...(env.MC_NAME === undefined ? {} : { name: env.MC_NAME }),
      })
    : null;
const authority = network ? await openAuthority(join(env.MC_DATA_DIR, 'authority'), clock()) : null;
const app = await buildApp({
  dataSource,
  clock,
  loggerInstance: logger,
  work: createPool(fileURLToPath(new URL('./work.mjs', import.meta.url))),
  disk: watchDisk(env.MC_DATA_DIR, clock),
  ...(env.MC_SPOOL === undefined ? {} : { spoolFolder: env.MC_SPOOL }),
  pageRoot: env.MC_PAGE,
  // All of it is in one file.
  build: createHash('sha256')
    .update(readFileSync(fileURLToPath(import.meta.url)))
    .digest('hex'),
  ...(network && authority ? { localNetwork: network, authority } : {}),
});

async function stop(): Promise<void> {
  await app.close();
  await dataSource.destroy();
  logger.flush(() => process.exit(0));
}
process.once('SIGTERM', () => void stop());
process.once('SIGINT', () => void stop());

/** Whether this computer has got another address, so often. */
const LOOK_EVERY_MS = 30_000;

async function listenSecurely(): Promise<void> {
  if (!network || !authority) return;
  const vouchedFor = (): string[] => [...network.hosts, 'localhost', '127.0.0.1', '::1'];
  const hosts = vouchedFor();
  const certificate = await authority.issue(hosts, clock());
  const server = secureServer(app, certificate, CONNECTION_LIMITS);
  const renew = keepCertificate({
    authority,
    server,
    hosts: vouchedFor,
    clock,
    shown: { hosts, validUntilMs: certificate.validUntilMs },
  });
  setInterval(() => {
    renew().catch((error: unknown) => logger.error(error, 'the certificate was not renewed'));
  }, LOOK_EVERY_MS).unref();
  await server.listen({ host: EVERYWHERE, port: network.securePort! });
}

const EVERYWHERE = '0.0.0.0';
await listenSecurely();
await app.listen({ host: network ? EVERYWHERE : '127.0.0.1', port: env.MC_PORT });

if (network && authority) {
  const code = await newKitchenCode(dataSource, kitchen.id, clock());
  const { address } = network;
  const lines =
    address === null
      ? [
          '',
          '  This computer is not on a network yet. Kitchen, Tablets shows the address as soon as it is.',
          `  Kitchen code: ${code}`,
        ]
      : [
          '',
          `  On tablets and phones on this network: ${address}`,
          `  Kitchen code: ${code}   (asked once on each tablet; changes at every start)`,
          '',
          // The code stands behind the #: a browser keeps that part to itself.
          await drawQr(`${address}/join#${code}`, { type: 'terminal', small: true }),
          '  Scan this with a phone. It leads through the rest.',
          `  Fingerprint of this kitchen: ${authority.fingerprint.slice(0, 19)} …`,
          '  Anyone on this network who has the code can read and change this kitchen.',
        ];
  process.stdout.write(`${lines.join('\n')}\n`);
}
