import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { MINUTE_MS } from '@morning-crock/core';
import type { DayDoc } from '@morning-crock/core/contract';
import ICAL from 'ical.js';
import { ulid } from 'ulid';
import { createTestKitchen, draft, READ_ROUTES, startDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const AWAY = '192.168.7.20';
const running = ulid();
let kitchen: TestKitchen;
let path: string;

const enter = async (...events: object[]): Promise<void> => {
  const answer = await kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
  if (answer.statusCode !== 200) throw new Error(answer.body);
};
/** As a calendar on a phone asks, which never joined. */
const asPhone = (url: string) =>
  kitchen.app.inject({ url, remoteAddress: AWAY, headers: { host: '192.168.7.5:4620' } });
const makeAddress = async (): Promise<string> =>
  (await kitchen.app.inject({ method: 'POST', url: '/api/calendar' })).json<{ path: string }>().path;

interface Moment {
  readonly uid: string;
  readonly summary: string;
  readonly description: string;
  readonly atMs: number;
}
async function moments(): Promise<Moment[]> {
  const answer = await asPhone(path);
  expect([answer.statusCode, answer.headers['content-type']]).toEqual([200, 'text/calendar; charset=utf-8']);
  const calendar = new ICAL.Component(ICAL.parse(answer.body) as unknown[]);
  return calendar.getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component);
    return {
      uid: event.uid,
      summary: event.summary,
      description: event.description,
      atMs: event.startDate.toJSDate().getTime(),
    };
  });
}

beforeAll(async () => {
  kitchen = await createTestKitchen({
    startMs: START,
    localNetwork: { hosts: ['192.168.7.5'], address: 'http://192.168.7.5:4620' },
  });
  await enter(startDraft(running, START));
  path = await makeAddress();
});
afterAll(() => kitchen.close());

test('a phone that never joined reads what is coming at the address with the secret, and nothing else', async () => {
  const coming = await moments();
  expect(coming.length).toBeGreaterThan(3);
  expect(coming[0]!.summary).toMatch(/, Yogurt$/);
  expect(coming.every(({ description }) => description.includes('This time is a forecast'))).toBe(true);
  expect(coming.map(({ atMs }) => atMs)).toEqual(coming.map(({ atMs }) => atMs).sort((a, b) => a - b));
  for (const url of READ_ROUTES) expect([url, (await asPhone(url)).statusCode]).toEqual([url, 401]);
  for (const wrong of [`/calendar/${'A'.repeat(43)}.ics`, '/calendar/.ics', path.replace('.ics', '')])
    expect([wrong, (await asPhone(wrong)).statusCode]).toEqual([wrong, 404]);
  // The secret is given away once; what is stored does not open it.
  const [row] = await kitchen.rows<{ hash: string }>('calendar_address');
  expect(path).not.toContain(row!.hash);
});

test('what is done goes, what is late stands at the present; the same moment keeps its identity', async () => {
  const before = await moments();
  kitchen.clock.nowMs += 30 * MINUTE_MS;
  const late = await moments();
  expect(late[0]!.uid).toBe(before[0]!.uid);
  expect(late[0]!.atMs).toBe(kitchen.clock.nowMs);
  await enter(draft(running, kitchen.clock.nowMs, 'step-done', { step: 'pour' }));
  const after = await moments();
  expect(after.map(({ uid }) => uid)).not.toContain(before[0]!.uid);
  expect(after.map(({ uid }) => uid)).toContain(before.at(-1)!.uid);
});

test('of a day that is going on it tells what is not a batch yet', async () => {
  const id = ulid();
  const [first, second] = [ulid(), ulid()];
  const make = { methodId: 'yogurt', litres: 2, by: null, fixed: {}, who: {} };
  const slot = { cook: ulid(), task: 'pour' };
  const day: DayDoc = {
    name: 'Today',
    version: 1,
    zeroAt: new Date(START).toISOString(),
    days: 1,
    makes: [
      { ...make, id: first, name: 'Yogurt', makeId: running },
      { ...make, id: second, name: 'Kefir for the stall', makeId: ulid() },
    ],
    keptFree: [],
    skims: [],
    every: null,
    begunAt: new Date(START).toISOString(),
    slots: [
      { ...slot, make: first, title: 'Pour the milk', from: 90, to: 95 },
      { ...slot, make: second, title: 'Pour the milk', from: 120, to: 125 },
      { ...slot, make: second, task: 'past', title: 'Set out jars', from: 0, to: 5 },
    ],
    moved: [],
    because: '',
    broken: 0,
  };
  await enter(draft(id, START, 'day-changed', { kind: 'laid', day }));
  const coming = await moments();
  const ofDay = coming.filter(({ uid }) => uid.startsWith(id));
  expect(ofDay.map(({ summary, atMs }) => [summary, atMs])).toEqual([
    ['Pour the milk, Kefir for the stall', START + 120 * MINUTE_MS],
  ]);
});

test('a new address ends the old one; revoked, there is none', async () => {
  const old = path;
  path = await makeAddress();
  expect((await asPhone(old)).statusCode).toBe(404);
  expect((await moments()).length).toBeGreaterThan(0);
  const revoke = () => kitchen.app.inject({ method: 'POST', url: '/api/calendar/revoke' });
  expect((await revoke()).statusCode).toBe(200);
  expect((await asPhone(path)).statusCode).toBe(404);
  expect((await revoke()).statusCode).toBe(404);
  expect((await kitchen.app.inject('/api/calendar')).json()).toEqual({ since: null });
  expect(
    (
      await kitchen.app.inject({
        method: 'POST',
        url: '/api/calendar',
        remoteAddress: AWAY,
        headers: { host: '192.168.7.5' },
      })
    ).statusCode,
  ).toBe(401);
});
