import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { kitchenEntity } from './db/entities.ts';

/**
 * Migrates the database and makes sure that there is a kitchen in it.
 * A migration that fails stops here with the old data as it was.
 */
export async function prepareKitchen(
  db: DataSource,
  kitchen: { name: string; zone: string; demo: boolean },
): Promise<{ id: string; created: boolean }> {
  await db.runMigrations();
  const kitchens = db.getRepository(kitchenEntity);
  const [present] = await kitchens.find({ order: { createdAt: 'ASC' }, take: 1 });
  if (present) return { id: present.id, created: false };
  const id = ulid();
  await kitchens.insert({ id, ...kitchen, lastSeq: 0 });
  return { id, created: true };
}
