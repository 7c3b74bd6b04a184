import { createHash } from 'node:crypto';
import { clockTime, localDate, MILKING_COLUMNS, type MilkRoom, MINUTE_MS } from '@morning-crock/core';
import { EVENT_VERSION, type DraftEvent, type MilkingRow } from '@morning-crock/core/contract';
import Papa from 'papaparse';
import { encodeTime } from 'ulid';

const BASE32 = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** An identity that follows from what it stands for: the same row of a file is the same milking for ever. */
function identityOf(atMs: number, text: string): string {
  const hash = createHash('sha256').update(text).digest();
  return encodeTime(atMs, 10) + [...hash.subarray(0, 16)].map((byte) => BASE32[byte & 31]).join('');
}

/** A row of a milkings file as the event it stands for: on record, not in stock. */
export function milkingDraft(
  row: MilkingRow,
  sender: { readonly kitchenId: string; readonly deviceId: string; readonly cookId: string | null },
): DraftEvent {
  const atMs = Date.parse(row.at);
  const text = `${sender.kitchenId} ${row.at} ${row.source} ${row.litres.toFixed(4)}`;
  return {
    id: identityOf(atMs, `event ${text}`),
    streamId: identityOf(atMs, `lot ${text}`),
    at: row.at,
    cookId: sender.cookId,
    deviceId: sender.deviceId,
    version: EVENT_VERSION,
    type: 'milk-moved',
    data: {
      kind: 'intake',
      lot: {
        name: `${row.source}, ${row.at.slice(0, 10)}`.slice(0, 80),
        source: row.source,
        what: 'milk',
        kind: row.kind,
        treatment: 'raw',
        homogenised: false,
        fatFraction: row.fatFraction,
        feed: null,
        costPerLitre: null,
        place: 'cold',
        placeC: null,
        container: null,
      },
      litres: row.litres,
      typed: { value: row.litres, unit: 'L' },
      forRecord: true,
      ...(row.note === '' ? {} : { note: row.note }),
    },
  };
}

/** What tells one milking from another, whichever way it came in: the minute, the animal, the amount. */
export const milkingKey = (milking: { atMs: number; source: string; litres: number }): string =>
  `${Math.floor(milking.atMs / MINUTE_MS)} ${milking.source.toLowerCase()} ${milking.litres.toFixed(3)}`;

/** Every milking as CSV, in the columns a milkings file is read by. */
export function milkingsCsv(room: MilkRoom, zone: string): string {
  const lines = [...room.milkings]
    .sort((a, b) => a.atMs - b.atMs)
    .map((milking) => {
      return {
        date: localDate(zone, milking.atMs),
        time: clockTime(zone, milking.atMs),
        source: milking.source,
        kind: milking.kind,
        amount: Math.round(milking.litres * 1e4) / 1e4,
        unit: 'L',
        fat_percent: milking.fatFraction === null ? '' : Math.round(milking.fatFraction * 1e4) / 100,
        note: milking.note,
      };
    });
  return `${Papa.unparse(lines, { columns: [...MILKING_COLUMNS], escapeFormulae: true, newline: '\n' })}\n`;
}
