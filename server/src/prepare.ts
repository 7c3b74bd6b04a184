import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { kitchenEntity } from './db/entities.ts';

/** How a kitchen begins. */
interface NewKitchen {
  readonly name: string;
  readonly zone: string;
  readonly demo: boolean;
}

/** Adds a kitchen to a migrated database. @returns its identity */
export async function createKitchen(db: DataSource, kitchen: NewKitchen): Promise<string> {
  const id = ulid();
  await db.getRepository(kitchenEntity).insert({ id, ...kitchen, lastSeq: 0 });
  return id;
}

/**
 * Migrates the database and makes sure that there is a kitchen in it.
 * A migration that fails stops here with the old data as it was.
 */
export async function prepareKitchen(
  db: DataSource,
  kitchen: NewKitchen,
): Promise<{ id: string; created: boolean }> {
  await db.runMigrations();
  const [present] = await db.getRepository(kitchenEntity).find({ order: { createdAt: 'ASC' }, take: 1 });
  if (present) return { id: present.id, created: false };
  return { id: await createKitchen(db, kitchen), created: true };
}
