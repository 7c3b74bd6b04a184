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

test('what spoils fastest takes the clock line; the others are stepped through', async () => {
  const makes = [make(1, alarm('cool', 2, -9), alarm('look', 3, -1)), make(2, alarm('over', 0, -1))];
  const { user } = show(
    <Alarms makes={makes} nowMs={NOW}>
      <span>10:00</span>
    </Alarms>,
  );
  const told = (): string | null => screen.getByRole('alert').textContent;
  expect(told()).toBe('Title over Make 2Do over.');
  expect(screen.queryByText('10:00')).toBeNull();
  expect(screen.getByRole('link', { name: 'Open batch' }).getAttribute('href')).toBe(
    `/makes/${makes[1]!.id}`,
  );
  await user.click(screen.getByRole('button', { name: 'Alarm 1 of 3. Show next' }));
  expect(told()).toContain('Title cool Make 1');
  expect(screen.getByRole('link', { name: 'Open batch' }).getAttribute('href')).toBe(
    `/makes/${makes[0]!.id}`,
  );
  await user.click(screen.getByRole('button', { name: 'Alarm 2 of 3. Show next' }));
  await user.click(screen.getByRole('button', { name: 'Alarm 3 of 3. Show next' }));
  expect(told()).toContain('Title over');
});

test('while nothing rings the line says what it says, and the bell whether one would be heard', async () => {
  const { user } = show(
    <Alarms makes={[]} nowMs={NOW}>
      <span>10:00</span>
    </Alarms>,
  );
  expect(screen.getByText('10:00')).toBeDefined();
  await user.click(screen.getByRole('button', { name: 'Sound is off. Turn on' }));
  // This page has no sound at all.
  expect(await screen.findByText(/browser blocks sound/)).toBeDefined();
});

test('heard is written down for the make that rang, and for no other', async () => {
  const makes = [make(1, alarm('cool', 2, -9)), make(2, alarm('over', 0, -1))];
  const { user } = show(<Alarms makes={makes} nowMs={NOW} />);
  const region = within(screen.getByRole('region', { name: 'Alarms' }));
  await user.click(region.getByRole('button', { name: 'Got it' }));
  await user.click(region.getByRole('button', { name: 'Alarm 1 of 2. Show next' }));
  await user.click(region.getByRole('button', { name: 'Got it' }));
  expect(kept().map(({ draft }) => [draft.streamId, draft.type, draft.data])).toEqual([
    [makes[1]!.id, 'alarm-acknowledged', { alarm: 'over' }],
    [makes[0]!.id, 'alarm-acknowledged', { alarm: 'cool' }],
  ]);
});
