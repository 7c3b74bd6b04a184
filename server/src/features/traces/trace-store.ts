import type { DataSource, EntityManager } from 'typeorm';
import { traceChunkEntity } from '../../db/entities.ts';
import type { TraceRows } from '@morning-crock/core/contract';

/** Rows of one piece: small enough to read one alone, large enough that a hundred thousand are few. */
const CHUNK_ROWS = 5000;

/** Stores a trace whole. */
export async function storeTrace(db: EntityManager, kitchenId: string, trace: TraceRows): Promise<void> {
  const repository = db.getRepository(traceChunkEntity);
  for (let from = 0, chunk = 0; from < trace.at.length; from += CHUNK_ROWS, chunk++) {
    const at = trace.at.slice(from, from + CHUNK_ROWS);
    await repository.insert({
      kitchenId,
      traceId: trace.traceId,
      chunk,
      rows: at.length,
      fromAt: new Date(at[0]!),
      toAt: new Date(at.at(-1)!),
      data: JSON.stringify({ at, values: trace.values.slice(from, from + CHUNK_ROWS) }),
    });
  }
}

/** Reads a trace a piece at a time. */
export async function* readChunks(
  db: DataSource | EntityManager,
  kitchenId: string,
  traceId: string,
  stretch?: { readonly fromMs: number; readonly toMs: number },
): AsyncGenerator<{ readonly at: readonly number[]; readonly values: readonly number[] }> {
  const repository = db.getRepository(traceChunkEntity);
  const facts = await repository.find({
    where: { kitchenId, traceId },
    select: { kitchenId: true, traceId: true, chunk: true, fromAt: true, toAt: true },
    order: { chunk: 'ASC' },
  });
  for (const { chunk, fromAt, toAt } of facts) {
    if (stretch && (toAt.getTime() < stretch.fromMs || fromAt.getTime() > stretch.toMs)) continue;
    const row = await repository.findOneBy({ kitchenId, traceId, chunk });
    if (row) yield JSON.parse(row.data) as { at: number[]; values: number[] };
  }
}

/** Reads a trace, or the part of it that touches a stretch of time. */
export async function readTrace(
  db: DataSource | EntityManager,
  kitchenId: string,
  traceId: string,
  stretch?: { readonly fromMs: number; readonly toMs: number },
): Promise<TraceRows> {
  const at: number[] = [];
  const values: number[] = [];
  for await (const part of readChunks(db, kitchenId, traceId, stretch)) {
    for (const [i, ms] of part.at.entries()) {
      if (stretch && (ms < stretch.fromMs || ms > stretch.toMs)) continue;
      at.push(ms);
      values.push(part.values[i]!);
    }
  }
  return { traceId, at, values };
}
