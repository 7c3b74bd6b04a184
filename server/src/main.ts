import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { buildApp } from './app.ts';
import { createDataSource } from './db/data-source.ts';
import { seedDemo } from './demo/seed.ts';
import { prepareKitchen } from './prepare.ts';

/** The only place that reads the environment, listens, and looks at the real clock. */
const environment = z.object({
  MC_DATABASE_FILE: z.string(),
  MC_PORT: z.coerce.number().int().min(1).max(65_535),
  MC_KITCHEN: z.string(),
  MC_ZONE: z.string(),
  MC_DEMO: z.enum(['yes', 'no']),
  MC_PAGE: z.string(),
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

await dataSource.initialize();
const demo = env.MC_DEMO === 'yes';
const kitchen = await prepareKitchen(dataSource, { name: env.MC_KITCHEN, zone: env.MC_ZONE, demo });
if (demo) await seedDemo(dataSource, kitchen.id, clock());
const app = await buildApp({ dataSource, clock, pageRoot: env.MC_PAGE });

async function stop(): Promise<void> {
  await app.close();
  await dataSource.destroy();
  process.exit(0);
}
process.once('SIGTERM', () => void stop());
process.once('SIGINT', () => void stop());

await app.listen({ host: '127.0.0.1', port: env.MC_PORT });
