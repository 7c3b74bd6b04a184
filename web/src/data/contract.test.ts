import { describe, expect, test } from '@jest/globals';
import type { StoredEvent } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { readLog } from './contract.ts';

const AT = '2026-03-02T06:00:00.000Z';
const MAKE = ulid();
const entry = (seq: number): StoredEvent => ({
  id: ulid(),
  streamId: MAKE,
  seq,
  receivedAt: AT,
  at: AT,
  cookId: null,
  deviceId: 'probe',
  version: 4,
  type: 'temperature-read',
  data: { celsius: 42, instrument: 'Probe', typed: { value: 42, unit: 'C' } },
});
const log = (length: number): StoredEvent[] => Array.from({ length }, (_, i) => entry(i + 1));
const broken = (events: StoredEvent[], at: number): unknown => ({
  events: events.map((one, i) => (i === at ? { ...one, type: 'nothing-we-know' } : one)),
  now: AT,
});

describe('a log that came over the wire', () => {
  test('is handed on as it is, short or long', async () => {
    for (const length of [3, 4000]) {
      const body = { events: log(length), now: AT };
      expect((await readLog(body)).events).toEqual(body.events);
    }
  });

  test('a short one is refused for any entry', async () => {
    await expect(readLog(broken(log(40), 21))).rejects.toThrow();
  });

  test('a long one is refused for what differs at its ends, or all along', async () => {
    const events = log(4000);
    for (const at of [0, 99, 3900, 3999]) await expect(readLog(broken(events, at))).rejects.toThrow();
    const older = { events: events.map((one) => ({ ...one, version: 'none' })), now: AT };
    await expect(readLog(older)).rejects.toThrow();
  });

  test.each([null, 'text', {}, { events: 'none', now: AT }, { events: [1], now: AT }])(
    'what is no log is refused: %j',
    async (body) => {
      await expect(readLog(body)).rejects.toThrow();
    },
  );
});
