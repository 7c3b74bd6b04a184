import {
  detailsOf,
  EXPORT_FORMAT,
  EXPORT_VERSION,
  exportFile,
  importResponse,
  type ExportFile,
  type StoredEvent,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { appendWithin, checkClock } from '../events/append.ts';
import { readEvents, withLog } from '../events/event-log.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { lastSeqOfMakes } from '../makes/make-service.ts';
import { readTrace, storeTrace } from '../traces/trace-store.ts';

const NOTICE =
  'Estimates are estimates. Nothing here certifies pasteurisation or safety: follow your local rules and your licence.';
const MAX_FILE_BYTES = 64 * 1024 * 1024;

function checkedFile(body: unknown): ExportFile {
  const head = z.looseObject({ format: z.literal(EXPORT_FORMAT), version: z.number() }).safeParse(body);
  if (!head.success)
    throw new AppError('wrong-file', [{ path: 'format', message: `is not "${EXPORT_FORMAT}"` }]);
  if (head.data.version > EXPORT_VERSION) {
    throw new AppError('newer-file', [
      { path: 'version', message: `${head.data.version}; this program reads up to ${EXPORT_VERSION}` },
    ]);
  }
  const file = exportFile.safeParse(body);
  if (!file.success) throw new AppError('bad-input', detailsOf(file.error));
  return file.data;
}

const draftOf = ({ seq: _seq, receivedAt: _receivedAt, ...draft }: StoredEvent) => draft;

/** The daybook out as one JSON file, and in again without loss or doubles. */
export const exchangeRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/export', async (request, reply) => {
    const { kitchenId } = request.identity;
    const { row } = await readKitchen(app.db, kitchenId);
    const makes = new Map<string, StoredEvent[]>();
    const own = new Set((await lastSeqOfMakes(app.db, kitchenId)).map(({ makeId }) => makeId));
    for (const event of await readEvents(app.db, { kitchenId })) {
      if (!own.has(event.streamId)) continue;
      makes.set(event.streamId, [...(makes.get(event.streamId) ?? []), event]);
    }
    const file: ExportFile = {
      format: EXPORT_FORMAT,
      version: EXPORT_VERSION,
      exportedAt: new Date(app.now()).toISOString(),
      kitchen: row.name,
      notice: NOTICE,
      makes: [...makes].map(([id, events]) => ({ id, events })),
      traces: await Promise.all(
        [...makes.values()]
          .flat()
          .flatMap((e) =>
            e.type === 'trace-imported' ? [readTrace(app.db, kitchenId, e.data.traceId)] : [],
          ),
      ),
    };
    void reply.header('content-disposition', 'attachment; filename="daybook.json"');
    return file;
  });

  app.post(
    '/api/import',
    { bodyLimit: MAX_FILE_BYTES, schema: { response: { 200: importResponse } } },
    async (request) => {
      const file = checkedFile(request.body);
      const { kitchenId } = request.identity;
      for (const [m, make] of file.makes.entries()) {
        for (const [e, event] of make.events.entries()) {
          if (event.streamId !== make.id) {
            throw new AppError('bad-input', [
              { path: `makes.${m}.events.${e}.streamId`, message: 'belongs to another make' },
            ]);
          }
        }
      }
      // One transaction for the whole file: a clash in the last make leaves nothing of the first behind.
      const drafts = file.makes.flatMap((make) =>
        [...make.events].sort((a, b) => a.seq - b.seq).map(draftOf),
      );
      checkClock(drafts, app.now());
      const have = new Map((file.traces ?? []).map((t) => [t.traceId, t]));
      const added = await withLog(app.db, kitchenId, async (log) => {
        const wanted = drafts.filter((d) => d.type === 'trace-imported');
        const known = await log.find(wanted.map((d) => d.id));
        const result = await appendWithin(log, kitchenId, drafts, app.now(), { history: true });
        for (const trace of wanted) {
          if (known.has(trace.id)) continue;
          const rows = have.get(trace.data.traceId);
          if (!rows)
            throw new AppError('bad-input', [
              { path: 'traces', message: `has no rows of ${trace.data.fileName}` },
            ]);
          await storeTrace(log.manager, kitchenId, rows);
        }
        return result.added;
      });
      app.hub.notify();
      return { makes: file.makes.length, added, already: drafts.length - added };
    },
  );
  done();
};
