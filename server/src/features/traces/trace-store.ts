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

/** Reads a trace, or the part of it that touches a stretch of time. */
export async function readTrace(
  db: DataSource | EntityManager,
  kitchenId: string,
  traceId: string,
  stretch?: { readonly fromMs: number; readonly toMs: number },
): Promise<TraceRows> {
  const chunks = await db.getRepository(traceChunkEntity).find({
    where: { kitchenId, traceId },
    order: { chunk: 'ASC' },
  });
  const at: number[] = [];
  const values: number[] = [];
  for (const chunk of chunks) {
    if (stretch && (chunk.toAt.getTime() < stretch.fromMs || chunk.fromAt.getTime() > stretch.toMs)) continue;
    const part = JSON.parse(chunk.data) as { at: number[]; values: number[] };
    for (const [i, ms] of part.at.entries()) {
      if (stretch && (ms < stretch.fromMs || ms > stretch.toMs)) continue;
      at.push(ms);
      values.push(part.values[i]!);
    }
  }
  return { traceId, at, values };
}
