import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import type { Alarm } from '@morning-crock/core';
import type { Attended } from '../data/attended.ts';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../testing/page.tsx';
import { Alarms } from './Alarms.tsx';

const NOW = Date.parse('2026-03-02T10:00:00.000Z');
const alarm = (id: string, rank: number, minutes: number, mustAct = true): Alarm => ({
  id,
  rank,
  mustAct,
  title: `Title ${id}`,
  text: `Do ${id}.`,
  dueAtMs: NOW + minutes * 60_000,
});
const make = (n: number, ...alarms: Alarm[]): Attended => ({
  id: `01HZZZZZZZZZZZZZZZZZZZZZZ${n}`,
  name: `Make ${n}`,
  alarms,
  next: null,
  knots: [],
});

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

test('nothing is due: nothing rings, whatever comes later', () => {
  show(<Alarms makes={[make(1, alarm('a', 1, 5))]} nowMs={NOW} />);
  expect(screen.queryByRole('alert')).toBeNull();
  expect(screen.queryByRole('region', { name: 'Alarms' })).toBeNull();
});

test('what spoils fastest is told, the next one beside it, the rest counted', () => {
  const makes = [make(1, alarm('cool', 2, -9), alarm('look', 3, -1)), make(2, alarm('over', 0, -1))];
  show(<Alarms makes={makes} nowMs={NOW} />);
  expect(screen.getByRole('alert').textContent).toContain('Title over: Make 2');
  expect(screen.getByRole('alert').textContent).toContain('Do over.');
  expect(screen.getByRole('button', { name: 'Also: Title cool, Make 1 and 1 more · Got it' })).toBeDefined();
  expect(screen.getByRole('link', { name: 'Open batch' }).getAttribute('href')).toBe(
    `/makes/${makes[1]!.id}`,
  );
});

test('heard is written down for the make that rang, and for no other', async () => {
  const makes = [make(1, alarm('cool', 2, -9)), make(2, alarm('over', 0, -1))];
  const { user } = show(<Alarms makes={makes} nowMs={NOW} />);
  const region = within(screen.getByRole('region', { name: 'Alarms' }));
  await user.click(region.getByRole('button', { name: 'Got it' }));
  await user.click(region.getByRole('button', { name: /^Also/ }));
  expect(kept().map(({ draft }) => [draft.streamId, draft.type, draft.data])).toEqual([
    [makes[1]!.id, 'alarm-acknowledged', { alarm: 'over' }],
    [makes[0]!.id, 'alarm-acknowledged', { alarm: 'cool' }],
  ]);
});
