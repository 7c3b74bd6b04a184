import { foldMake, jpegSize, voidedIds } from '@morning-crock/core';
import {
  EVENT_VERSION,
  MOST_PHOTO_BYTES,
  PHOTO_SIDE_PX,
  type EarlierPhoto,
  type EventOf,
  type EventType,
  type PhotoRow,
  type PhotoUpload,
  type StoredEvent,
} from '@morning-crock/core/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { photoEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { appendWithin } from '../events/append.ts';
import { latestEvents, readEvents, withLog } from '../events/event-log.ts';
import { readMake } from '../makes/make-service.ts';

const refuse = (path: string, message: string): never => {
  throw new AppError('bad-input', [{ path, message }]);
};

/** The bytes of a picture, looked at: what only calls itself one is refused. @throws AppError */
export function pictureOf({ jpeg }: Pick<PhotoRow, 'jpeg'>, path = 'jpeg') {
  const bytes = Buffer.from(jpeg, 'base64');
  if (bytes.length > MOST_PHOTO_BYTES) refuse(path, 'is too large for a picture (1.2 MB at most)');
  const size = jpegSize(bytes);
  if (!size) return refuse(path, 'is not a JPEG picture');
  if (Math.max(size.widthPx, size.heightPx) > PHOTO_SIDE_PX)
    refuse(path, `is wider or taller than ${PHOTO_SIDE_PX} pixels`);
  return { bytes, ...size };
}

/** Keeps a picture of a make and the entry that tells of it: both or neither. @throws AppError */
export async function storePhoto(
  db: DataSource,
  kitchenId: string,
  makeId: string,
  upload: PhotoUpload,
  context: { readonly nowMs: number; readonly cookId: string | null },
): Promise<void> {
  const { bytes, widthPx, heightPx } = pictureOf(upload);
  await withLog(db, kitchenId, async (log) => {
    const make = await readMake(log.manager, kitchenId, makeId);
    const step = make?.state.steps.find((s) => s.step.id === upload.step)?.step;
    if (!make || !step) throw new AppError('not-found');
    const { added } = await appendWithin(
      log,
      kitchenId,
      [
        {
          id: upload.photoId,
          streamId: makeId,
          at: upload.at,
          cookId: context.cookId,
          deviceId: upload.deviceId,
          version: EVENT_VERSION,
          type: 'photographed',
          data: {
            photoId: upload.photoId,
            step: upload.step,
            stepKind: step.kind,
            product: make.state.plan.product,
            widthPx,
            heightPx,
            bytes: bytes.length,
          },
        },
      ],
      context.nowMs,
    );
    if (added > 0) await keepPhoto(log.manager, kitchenId, upload.photoId, bytes);
  });
}

export async function keepPhoto(
  manager: EntityManager,
  kitchenId: string,
  photoId: string,
  bytes: Buffer,
): Promise<void> {
  await manager.getRepository(photoEntity).insert({ kitchenId, photoId, bytes });
}

export const readPhoto = async (db: DataSource, kitchenId: string, photoId: string): Promise<Buffer | null> =>
  (await db.getRepository(photoEntity).findOneBy({ kitchenId, photoId }))?.bytes ?? null;

/** What is read of a make to tell whose picture it is. */
const OF_A_PICTURE: readonly EventType[] = [
  'make-started',
  'waking-started',
  'photographed',
  'corrected',
  'voided',
];

/** Entries read at once: mostly the first few are those that are wanted. */
const PAGE = 20;

/** Entries that tell of a picture, the latest first, a few at a time. */
async function* latestFirst(
  db: DataSource,
  kitchenId: string,
): AsyncGenerator<EventOf<'photographed'> & StoredEvent> {
  let beforeSeq: number | undefined;
  for (;;) {
    const page = await latestEvents(db, { kitchenId, types: ['photographed'], limit: PAGE, beforeSeq });
    for (const event of page) if (event.type === 'photographed') yield event;
    beforeSeq = page.at(-1)?.seq;
    if (page.length < PAGE) return;
  }
}

/** Pictures of the last makes of a product at a kind of step, the latest first, one a make. */
export async function earlierPhotos(
  db: DataSource,
  kitchenId: string,
  of: { readonly product: string; readonly stepKind: string; readonly notOf: string },
  most = 3,
): Promise<EarlierPhoto[]> {
  const found = new Map<string, EarlierPhoto>();
  for await (const event of latestFirst(db, kitchenId)) {
    if (found.size === most) break;
    if (event.streamId === of.notOf || found.has(event.streamId)) continue;
    if (event.data.product !== of.product || event.data.stepKind !== of.stepKind) continue;
    // How it began and what was taken back of it is enough: none of its readings are.
    const events = await readEvents(db, { kitchenId, streamId: event.streamId, types: OF_A_PICTURE });
    const state = voidedIds(events).has(event.id) ? null : foldMake(event.streamId, events);
    if (!state) continue;
    const { photoId, widthPx, heightPx } = event.data;
    found.set(event.streamId, {
      photoId,
      makeId: event.streamId,
      makeName: state.plan.name,
      at: event.at,
      widthPx,
      heightPx,
    });
  }
  return [...found.values()];
}
