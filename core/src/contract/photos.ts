import * as z from 'zod';
import { PRODUCT_IDS, STEP_KINDS, stepRef } from './methods.ts';
import { deviceName, instant, shortName, ulid } from './quantities.ts';

/** A picture is made small before it is sent: no side longer, no file larger. */
export const PHOTO_SIDE_PX = 1024;
export const MOST_PHOTO_BYTES = 1_200_000;

/** A picture of a make at one of its steps; the picture itself lies beside the log. */
export const photoFacts = z.strictObject({
  photoId: ulid,
  step: stepRef,
  stepKind: z.enum(STEP_KINDS as [string, ...string[]]),
  product: z.enum(PRODUCT_IDS),
  widthPx: z.number().int().min(8).max(4096),
  heightPx: z.number().int().min(8).max(4096),
  bytes: z.number().int().min(100).max(MOST_PHOTO_BYTES),
});
export type PhotoFacts = z.infer<typeof photoFacts>;

/** The picture itself, as a file carries it. */
export const photoRow = z.strictObject({
  photoId: ulid,
  jpeg: z
    .base64('is not a picture')
    .max(Math.ceil((MOST_PHOTO_BYTES * 4) / 3) + 4, 'is too large for a picture'),
});
export type PhotoRow = z.infer<typeof photoRow>;

export const photoUpload = photoRow.extend({ step: stepRef, deviceId: deviceName, at: instant });
export type PhotoUpload = z.infer<typeof photoUpload>;
export const photoStored = z.strictObject({ photoId: ulid });

/** A picture of an earlier make at the same step. */
export const earlierPhoto = z.strictObject({
  photoId: ulid,
  makeId: ulid,
  makeName: shortName,
  at: instant,
  widthPx: z.number().int(),
  heightPx: z.number().int(),
});
export type EarlierPhoto = z.infer<typeof earlierPhoto>;
export const photosResponse = z.strictObject({ photos: z.array(earlierPhoto) });
