import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { foldMilkRoom } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { createLedger, lotId } from '@morning-crock/core/fixtures';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../../testing/page.tsx';
import { sourWords } from '../../parts/words/sour-words.ts';
import { MoveForm } from './LotForms.tsx';

const LOT = lotId('CREAM');
const nothing = (): void => undefined;
/** A lot of cream, or of milk, as its ledger leaves it. */
function lotOf(facts: Parameters<ReturnType<typeof createLedger>['intake']>[3]): Lot {
  const ledger = createLedger();
  ledger.intake(LOT, 0, 1, facts);
  return foldMilkRoom(ledger.events).lots.get(LOT)!;
}
const CREAM = { what: 'cream', fatFraction: 0.35 } as const;
const entry = () => kept().at(-1)!.draft.data;

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

test('what is sweet says nothing of it; what turns is told by how far it has', () => {
  expect(sourWords({ soured: false })).toBe('');
  expect(sourWords({ soured: false, ph: 6.5 })).toBe('');
  expect(sourWords({ soured: false, ph: 5.7 })).toBe('just sour');
  expect(sourWords({ soured: true })).toBe('soured');
  expect(sourWords({ soured: true, ph: 4.5 })).toBe('soured');
});

test('cream is moved as it is, and nothing is said of its taste', async () => {
  const { user } = show(<MoveForm lot={lotOf(CREAM)} onDone={nothing} />);
  expect(screen.getByRole('radio', { name: 'sweet' })).toHaveProperty('checked', true);
  await user.click(screen.getByRole('button', { name: 'Save move' }));
  expect(entry()).toEqual({ kind: 'move', place: 'counter', placeC: 20, container: null });
});

test('just sour is not soured yet: its pH goes along, closer where somebody measured it', async () => {
  const { user } = show(<MoveForm lot={lotOf(CREAM)} onDone={nothing} />);
  await user.click(screen.getByRole('radio', { name: 'just sour' }));
  await user.click(screen.getByRole('button', { name: /less|Less|−/ }));
  await user.click(screen.getByRole('button', { name: 'Save move' }));
  expect(entry()).toMatchObject({ kind: 'move', ph: 5.6 });
  expect(entry()).not.toHaveProperty('soured');
});

test('ripe cream is soured; heated cream that soured by itself is spoiled', async () => {
  const { user } = show(<MoveForm lot={lotOf({ ...CREAM, treatment: 'pasteurised' })} onDone={nothing} />);
  await user.click(screen.getByRole('radio', { name: 'sour, ripened' }));
  expect(screen.getByText(/soured without a starter is spoiled, not cultured. Discard it/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Save move' }));
  expect(entry()).toMatchObject({ kind: 'move', soured: true, ph: 4.6 });
});

test('milk is sour or is not: no degree is asked for', async () => {
  const { user } = show(<MoveForm lot={lotOf({})} onDone={nothing} />);
  expect(screen.queryByRole('radio', { name: 'just sour' })).toBeNull();
  await user.click(screen.getByRole('checkbox', { name: 'Now soured' }));
  await user.click(screen.getByRole('button', { name: 'Save move' }));
  expect(entry()).toMatchObject({ kind: 'move', soured: true });
});
