import type { MakeSummary } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { makeLineEntity } from '../../db/entities.ts';

/** A make's line, and where its log stood when it was worked out. */
export interface FoldedLine {
  readonly lastSeq: number;
  /** What of the larder went into it then, as the program writes it; empty for nothing. */
  readonly taken: string;
  readonly summary: MakeSummary;
}

/** So many are stored by one statement. */
const AT_ONCE = 250;

/** The lines that this build of the server worked out before it was last stopped, by make. */
export async function linesKept(
  db: DataSource,
  kitchenId: string,
  build: string,
): Promise<Map<string, FoldedLine>> {
  const rows = await db
    .getRepository(makeLineEntity)
    .createQueryBuilder('l')
    .select(['l.makeId AS makeId', 'l.lastSeq AS lastSeq', 'l.line AS line'])
    .where('l.kitchenId = :kitchenId AND l.build = :build', { kitchenId, build })
    .getRawMany<{ makeId: string; lastSeq: number; line: string }>();
  return new Map(
    rows.map(({ makeId, lastSeq, line }) => [
      makeId,
      // Written by this very build, after it was held against its schema.
      { lastSeq, taken: '', summary: JSON.parse(line) as MakeSummary },
    ]),
  );
}

/** Keeps lines for the next start; those of an older build are written over. */
export async function keepLines(
  db: DataSource,
  kitchenId: string,
  build: string,
  lines: readonly FoldedLine[],
): Promise<void> {
  for (let from = 0; from < lines.length; from += AT_ONCE)
    await db.getRepository(makeLineEntity).upsert(
      lines.slice(from, from + AT_ONCE).map(({ lastSeq, summary }) => ({
        kitchenId,
        makeId: summary.id,
        lastSeq,
        build,
        line: JSON.stringify(summary),
      })),
      ['kitchenId', 'makeId'],
    );
}
