import {
  EXPORT_FORMAT,
  EXPORT_VERSION,
  exportFile,
  importResponse,
  type DraftEvent,
  type StoredEvent,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { Readable } from 'node:stream';
import type { DataSource } from 'typeorm';
import * as z from 'zod';
import { breathe } from '../../breathe.ts';
import { AppError } from '../../plugins/errors.ts';
import { appendWithin, checkClock } from '../events/append.ts';
import { withLog } from '../events/event-log.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { lastSeqOfMakes } from '../makes/make-service.ts';
import { storeTrace } from '../traces/trace-store.ts';
import { FileHead, headParts, takingParts } from './file-parts.ts';
import { members, pagesOf, traceOut } from './json-out.ts';
import { MAKE_PARTS, MakesOfFile } from './make-parts.ts';
import { withSpooled } from './spooled.ts';
import { takesFiles } from './takes-files.ts';
import { TRACE_PARTS, TracesOfFile } from './trace-parts.ts';

const NOTICE =
  'Times and yields are estimates. Nothing here certifies pasteurisation or safety. Follow your local rules and your licence.';
const MAX_FILE_BYTES = 512 * 1024 * 1024;

const draftOf = ({ seq: _seq, receivedAt: _receivedAt, ...draft }: StoredEvent): DraftEvent => draft;

/** The daybook as one file that is written as it is read. */
async function* exportOf(db: DataSource, kitchenId: string, nowMs: number): AsyncGenerator<string> {
  const { row } = await readKitchen(db, kitchenId);
  const head = {
    format: EXPORT_FORMAT,
    version: EXPORT_VERSION,
    exportedAt: new Date(nowMs).toISOString(),
    kitchen: row.name,
    notice: NOTICE,
  };
  yield `${JSON.stringify(head).slice(0, -1)},"makes":[`;
  const traceIds: string[] = [];
  let first = true;
  for (const { makeId } of await lastSeqOfMakes(db, kitchenId)) {
    yield `${first ? '' : ','}{"id":${JSON.stringify(makeId)},"events":[`;
    first = false;
    async function* events(): AsyncGenerator<readonly StoredEvent[]> {
      for await (const page of pagesOf(db, kitchenId, makeId)) {
        for (const e of page) if (e.type === 'trace-imported') traceIds.push(e.data.traceId);
        yield page;
      }
    }
    yield* members(events());
    yield ']}';
  }
  yield '],"traces":[';
  for (const [i, traceId] of traceIds.entries()) {
    if (i > 0) yield ',';
    yield* traceOut(db, kitchenId, traceId);
  }
  yield ']}';
}

const { format, version, exportedAt, kitchen, notice } = exportFile.shape;
const headSchema = z.object({ format, version, exportedAt, kitchen, notice });
const PARTS = { ...headParts(headSchema.shape), ...MAKE_PARTS, ...TRACE_PARTS };

/**
 * Takes makes of a file in: what is here already stays, a clash in the last make leaves nothing of the first behind.
 * @throws AppError for a file that is broken, newer or no export
 */
function importInto(
  db: DataSource,
  kitchenId: string,
  open: () => Readable,
  nowMs: number,
): Promise<{ makes: number; added: number; already: number }> {
  return takingParts(open, PARTS, (parts) =>
    withLog(db, kitchenId, async (log) => {
      const head = new FileHead({ format: EXPORT_FORMAT, version: EXPORT_VERSION, schema: headSchema });
      const counts = { added: 0, already: 0 };
      /** Rows that new entries ask for, with the name of their file. */
      const asked = new Map<string, string>();
      // Rows nobody asks for, or that came in before, are left where they are.
      const traces = new TracesOfFile(async (trace) => {
        if (asked.delete(trace.traceId)) await storeTrace(log.manager, kitchenId, trace);
      });
      const makes = new MakesOfFile(async (events) => {
        const drafts = events.map(draftOf);
        checkClock(drafts, nowMs);
        const withRows = drafts.filter((d) => d.type === 'trace-imported');
        const known = await log.find(withRows.map((d) => d.id));
        for (const { id, data } of withRows) if (!known.has(id)) asked.set(data.traceId, data.fileName);
        const { added } = await appendWithin(log, kitchenId, drafts, nowMs, { history: true });
        counts.added += added;
        counts.already += drafts.length - added;
        await breathe();
      });
      let checked = false;
      for await (const member of parts) {
        if (member.part in headSchema.shape) {
          head.take(member.part, member.value);
          continue;
        }
        if (!checked) head.check();
        checked = true;
        const [own, other] = TracesOfFile.has(member) ? [traces, makes] : [makes, traces];
        await other.end();
        await own.take(member);
      }
      await makes.end();
      await traces.end();
      head.check();
      for (const fileName of asked.values())
        throw new AppError('bad-input', [{ path: 'traces', message: `has no rows for ${fileName}` }]);
      return { makes: makes.count, ...counts };
    }),
  );
}

/** The daybook out as one JSON file, and in again without loss or doubles. */
export const exchangeRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  takesFiles(app);
  app.get('/api/export', (request, reply) => {
    void reply
      .header('content-type', 'application/json; charset=utf-8')
      .header('content-disposition', 'attachment; filename="daybook.json"');
    return reply.send(Readable.from(exportOf(app.db, request.identity.kitchenId, app.now())));
  });

  app.post(
    '/api/import',
    { bodyLimit: MAX_FILE_BYTES, config: { takesFile: true }, schema: { response: { 200: importResponse } } },
    async (request) => {
      const { kitchenId } = request.identity;
      const spool = { mostBytes: MAX_FILE_BYTES, folder: app.spoolFolder };
      const result = await withSpooled(request.body as Readable, spool, (open) =>
        importInto(app.db, kitchenId, open, app.now()),
      );
      app.hub.notify();
      return result;
    },
  );
  done();
};
