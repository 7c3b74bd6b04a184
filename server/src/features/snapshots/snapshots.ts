import { createHash } from 'node:crypto';
import { FOLD_VERSION } from '@morning-crock/core';
import type { DataSource } from 'typeorm';
import { snapshotEntity } from '../../db/entities.ts';

/** What is kept: lines of the Daybook, what makes taught, where each log stands, and the registers. */
export type SnapshotKind = 'line' | 'lesson' | 'rate' | 'heads' | 'milk' | 'cultures' | 'larder';

/** Something worked out, and where the log stood then. */
export interface Snapshot {
  /** Whose it is; empty for what a kitchen has one of. */
  readonly name: string;
  readonly lastSeq: number;
  /** What else it follows from, as a hash; empty for nothing. */
  readonly asked: string;
  readonly build: string;
  readonly data: Buffer;
}

/** So many are stored by one statement, and so many bytes at most. */
const AT_ONCE = 250;
const BYTES_AT_ONCE = 4_000_000;

/** What something follows from, short enough to be kept beside it. @example hashOf('') // '' */
export const hashOf = (text: string): string =>
  text === '' ? '' : createHash('sha256').update(text).digest('hex');

/** What this fold worked out before the server was last stopped, by name. */
export async function snapshotsOf(
  db: DataSource,
  kitchenId: string,
  kind: SnapshotKind,
): Promise<Map<string, Snapshot>> {
  const rows = await db
    .getRepository(snapshotEntity)
    .createQueryBuilder('s')
    .select([
      's.name AS name',
      's.lastSeq AS lastSeq',
      's.asked AS asked',
      's.build AS build',
      's.data AS data',
    ])
    .where('s.kitchenId = :kitchenId AND s.kind = :kind AND s.fold = :fold', {
      kitchenId,
      kind,
      fold: FOLD_VERSION,
    })
    .getRawMany<Snapshot>();
  return new Map(rows.map((row) => [row.name, row]));
}

/** Keeps what was worked out; what another fold kept is written over. */
export async function keepSnapshots(
  db: DataSource,
  kitchenId: string,
  kind: SnapshotKind,
  snapshots: readonly Snapshot[],
): Promise<void> {
  let rows: (Snapshot & { kitchenId: string; kind: string; fold: number })[] = [];
  let bytes = 0;
  const store = async (): Promise<void> => {
    if (rows.length > 0) await db.getRepository(snapshotEntity).upsert(rows, ['kitchenId', 'kind', 'name']);
    rows = [];
    bytes = 0;
  };
  for (const snapshot of snapshots) {
    rows.push({ ...snapshot, kitchenId, kind, fold: FOLD_VERSION });
    bytes += snapshot.data.length;
    if (rows.length >= AT_ONCE || bytes >= BYTES_AT_ONCE) await store();
  }
  await store();
}
