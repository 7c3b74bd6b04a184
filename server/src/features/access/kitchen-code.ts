import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import type { DataSource } from 'typeorm';
import { kitchenCodeEntity } from '../../db/entities.ts';

/** Letters and digits nobody mistakes for one another. */
const ALPHABET = 'ABCDEFGHJKMNPQRTUVWXY346789';
const CODE_LETTERS = 8;
const scrypted = promisify(scrypt) as (code: string, salt: string, length: number) => Promise<Buffer>;
let last: Promise<unknown> = Promise.resolve();
/** One after another: the threads that do this also read the page's files. */
function derive(code: string, salt: string, length: number): Promise<Buffer> {
  const mine = last.then(() => scrypted(code, salt, length));
  last = mine.catch(() => undefined);
  return mine;
}

/** As typed, so that case, blanks and the stroke in the middle do not matter. */
const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** Makes a new code, keeps its hash, and gives the code away this once: "K7QD-M3XP". */
export async function newKitchenCode(db: DataSource, kitchenId: string, nowMs: number): Promise<string> {
  const code = Array.from({ length: CODE_LETTERS }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');
  const salt = randomBytes(16).toString('hex');
  const hash = (await derive(code, salt, 32)).toString('hex');
  await db.getRepository(kitchenCodeEntity).save({ kitchenId, salt, hash, createdAt: new Date(nowMs) });
  return `${code.slice(0, 4)}-${code.slice(4)}`;
}

/** Whether a typed code is the kitchen's. */
export async function isKitchenCode(db: DataSource, kitchenId: string, typed: string): Promise<boolean> {
  const row = await db.getRepository(kitchenCodeEntity).findOneBy({ kitchenId });
  if (!row) return false;
  return timingSafeEqual(await derive(plain(typed), row.salt, 32), Buffer.from(row.hash, 'hex'));
}

export const newToken = (): string => randomBytes(32).toString('base64url');
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
