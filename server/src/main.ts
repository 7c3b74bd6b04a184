import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { toString as drawQr } from 'qrcode';
import * as z from 'zod';
import { buildApp } from './app.ts';
import { createDataSource } from './db/data-source.ts';
import { seedDemo } from './demo/seed.ts';
import { newKitchenCode } from './features/access/kitchen-code.ts';
import { findLocalNetwork } from './local-network.ts';
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
const localNetwork = env.MC_LAN === 'yes' ? findLocalNetwork(env.MC_PORT) : null;
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
  ...(localNetwork ? { localNetwork } : {}),
});

async function stop(): Promise<void> {
  await app.close();
  await dataSource.destroy();
  logger.flush(() => process.exit(0));
}
process.once('SIGTERM', () => void stop());
process.once('SIGINT', () => void stop());

await app.listen({ host: localNetwork ? '0.0.0.0' : '127.0.0.1', port: env.MC_PORT });

if (localNetwork) {
  const code = await newKitchenCode(dataSource, kitchen.id, clock());
  // The code stands behind the #: a browser keeps that part to itself.
  const link = `${localNetwork.address}/join#${code}`;
  const lines = [
    '',
    `  On tablets on this network: ${localNetwork.address}`,
    `  Kitchen code: ${code}   (asked once on each tablet; changes at every start)`,
    '',
    await drawQr(link, { type: 'terminal', small: true }),
    '  Anyone on this network who has the code can read and change this kitchen.',
  ];
  process.stdout.write(`${lines.join('\n')}\n`);
} else if (env.MC_LAN === 'yes') {
  process.stdout.write('  This computer is not on a local network. Only this computer can open the page.\n');
}
