import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, screen, waitFor } from '@testing-library/react';
import { beginPlan, defaultKitchen, goodsFor, planFromGood, type GoodInput } from '@morning-crock/core';
import { goodLike } from '@morning-crock/core/fixtures';
import { errorOf, ulid, type Good, type MakePlan } from '@morning-crock/core/contract';
import { record } from '../../data/store.ts';
import { unitsOf } from '../../data/units-of.ts';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../../testing/page.tsx';
import { beginBatch } from './begin-batch.ts';
import { fedId } from './fed-id.ts';
import { goodsGroups } from './goods-group.ts';
import { takeGoods, takeStarterLot, useGoods } from './use-goods.ts';

const kitchen = defaultKitchen('UTC');
const START = Date.parse('2026-03-02T06:00:00.000Z');
const AT = new Date(START).toISOString();
const MAKE = '01HMMMMMMMMMMMMMMMMMMMMM01';
const INTO = '01HNNNNNNNNNNNNNNNNNNNNN01';
const GOOD = '01HGGGGGGGGGGGGGGGGGGGGG01';
const BATCH: Good = {
  ...goodLike({ what: 'butter', name: 'Butter from the pot', makeId: MAKE }),
  id: GOOD,
  madeMs: START,
  putUpMs: START,
  sizesKg: [0.4],
  putUpKg: 0.4,
  stocks: [
    { place: 'cold', size: 0, massKg: 0.4, sinceMs: START, used: [0, 0], thawed: false, thawFor: null },
  ],
};
const ghee = beginPlan('ghee', kitchen, AT);
const input: GoodInput = { good: BATCH, stock: BATCH.stocks[0]! };
const entries = () => kept().map(({ draft }) => [draft.streamId, draft.type, draft.data] as const);

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

describe('a batch that waits for another one', () => {
  test('begins with one identity on every tablet, and each has its own', () => {
    const days = ['01M8R6K43J1GT3NE2K1H89KFBF', '01M8R6K43JQT9791AWDWV65ZER'];
    const ids = days.flatMap((day) =>
      Array.from({ length: 400 }, (_, n) => fedId(day, `01H${String(n).padStart(23, '0')}`)),
    );
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) expect(ulid.safeParse(id).success).toBe(true);
    expect(fedId(days[0]!, INTO)).toBe(fedId(days[0]!, INTO));
    expect(ids[0]!.slice(0, 10)).toBe(days[0]!.slice(0, 10));
  });

  test('was begun by another tablet in the same moment: it is begun, and nothing is taken twice', async () => {
    answerWith((path, entry) =>
      entry
        ? {
            status: 409,
            body: errorOf('already-started', [
              { path: 'streamId', message: 'this batch has already been started' },
            ]),
          }
        : quietKitchen(path, null),
    );
    expect(await beginBatch(INTO, planFromGood(ghee, input, 0.15), [BATCH], START)).toBeNull();
    expect(entries()).toEqual([]);
  });
});

describe('what a batch is made from is taken when it begins', () => {
  test('from a batch under way: as much as is taken is put up and taken out; the batch goes on', async () => {
    await takeGoods(planFromGood(ghee, input, 0.15), [BATCH], INTO, START);
    expect(entries()).toMatchObject([
      [GOOD, 'larder-moved', { kind: 'put-up', place: 'cold', pieces: [{ count: 1, eachKg: 0.15 }] }],
      [GOOD, 'larder-moved', { kind: 'take', for: 'made-into', massKg: 0.15, into: INTO }],
    ]);
    // What is put up says what it is and where it comes from, and nothing of how the page kept it.
    const { good } = entries()[0]![2] as { good: object };
    expect(good).toMatchObject({ what: 'butter', makeId: MAKE, name: 'Butter from the pot' });
    expect(good).not.toHaveProperty('stocks');
  });

  test('all of it: the batch is over, and its record says for what', async () => {
    await takeGoods({ ...planFromGood(ghee, input, 0.4), name: 'Ghee of spring' }, [BATCH], INTO, START);
    expect(entries().at(-1)).toMatchObject([
      MAKE,
      'finished',
      { verdict: 'kept', reason: 'used in Ghee of spring' },
    ]);
  });

  test('from the larder: it is only taken', async () => {
    await takeGoods(planFromGood(ghee, input, 0.4), [], INTO, START);
    expect(entries().map(([, type]) => type)).toEqual(['larder-moved']);
  });

  test('a starter of the milk room leaves its lot as it is dosed; another starter leaves nothing', async () => {
    const plan = beginPlan('buttermilk', kitchen, AT);
    await takeStarterLot(plan, INTO, START);
    expect(entries()).toEqual([]);
    const lot = { lotId: GOOD, name: 'Ripe cream', massKg: 0.04, costPerKg: null };
    const starter: MakePlan['starter'] = { ...plan.starter, massKg: 0.055, lot };
    await takeStarterLot({ ...plan, name: 'Sunday', starter }, INTO, START);
    expect(entries()).toMatchObject([
      [
        GOOD,
        'milk-moved',
        { kind: 'give', to: 'used', massKg: 0.055, into: INTO, note: 'starter for Sunday' },
      ],
    ]);
  });
});

/** What the page offers, and a choice of it. */
function Offered() {
  const here = useGoods();
  return (
    <>
      <p>{here.batches.length} offered</p>
      <select aria-label="From">
        {goodsGroups(here, (goods) => goodsFor(ghee, goods), unitsOf(kitchen)).map(({ group, items }) => (
          <optgroup key={group} label={group}>
            {items.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </>
  );
}

test('butter that is churned but not finished stands under From; churning cream does not', async () => {
  show(<Offered />);
  const plan = beginPlan('butter', kitchen, AT);
  await record(MAKE, 'make-started', { plan: { ...plan, name: 'Butter from the pot' } }, START);
  for (const step of ['take-out', 'temper']) await record(MAKE, 'step-done', { step }, START + 1);
  expect(screen.getByText('0 offered')).toBeTruthy();
  await record(MAKE, 'stage-seen', { stage: 'broken' }, START + 2);
  await record(MAKE, 'step-done', { step: 'churn' }, START + 3);
  await waitFor(() => expect(screen.getByText('1 offered')).toBeTruthy());
  const option = screen.getByRole('option', { name: /^Butter from the pot, / });
  expect(option.parentElement?.getAttribute('label')).toBe('Batches under way');
  expect(goodsFor(ghee, [BATCH])).toHaveLength(1);
});
