import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, screen, waitFor } from '@testing-library/react';
import { batchOf, beginPlan, defaultKitchen, foldMake, type MakeState, MINUTE_MS } from '@morning-crock/core';
import type { DraftEvent } from '@morning-crock/core/contract';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../../testing/page.tsx';
import { sharesOf } from './butter-shares.ts';
import { GoesInto } from './GoesInto.tsx';
import { PartingButter } from './PartingButter.tsx';

const MAKE = '01HZZZZZZZZZZZZZZZZZZZZZZM';
const START = Date.parse('2026-03-02T06:00:00.000Z');

/** Butter of some loads after some of its entries, twenty minutes between them. */
function butter(loads: number, ...entries: readonly (readonly [string, object])[]): MakeState {
  const begun = beginPlan('butter', defaultKitchen('UTC'), new Date(START).toISOString());
  const plan = {
    ...begun,
    method: {
      ...begun.method,
      steps: begun.method.steps.map((step) => (step.kind === 'churn' ? { ...step, loads } : step)),
    },
  };
  return foldMake(
    MAKE,
    [['make-started', { plan }] as const, ...entries].map(
      ([type, data], n) =>
        ({
          id: `01HYYYYYYYYYYYYYYYYYYYYY${String(n).padStart(2, '0')}`,
          streamId: MAKE,
          at: new Date(START + n * 20 * MINUTE_MS).toISOString(),
          cookId: null,
          deviceId: 'tablet',
          version: 2,
          type,
          data,
        }) as DraftEvent,
    ),
  )!;
}
const done = (step: string) => ['step-done', { step }] as const;
const CHURNED = [
  done('take-out'),
  done('temper'),
  ['stage-seen', { stage: 'broken' }],
  done('churn'),
] as const;

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

test('loads by number, one churning by its parts', () => {
  expect(sharesOf(3).map(({ label }) => label)).toEqual(['1 load of 3', '2 loads of 3']);
  expect(sharesOf(3)[1]!.share).toBeCloseTo(2 / 3, 12);
  expect(sharesOf(1).map(({ label }) => label)).toEqual(['a quarter', 'a third', 'half']);
  for (const loads of [1, 2, 5, 12])
    for (const { share } of sharesOf(loads)) expect(share > 0 && share < 1).toBe(true);
});

test('before it is churned there is nothing to part, and nothing to make ghee from', () => {
  show(
    <>
      <PartingButter state={butter(3, done('take-out'))} />
      <GoesInto state={butter(3, done('take-out'))} />
    </>,
  );
  expect(screen.queryByText('Finish part of the butter another way')).toBeNull();
  expect(screen.queryByRole('link')).toBeNull();
});

test('churned, it may become ghee; curd would be churned by a method of its own', () => {
  show(<GoesInto state={butter(1, ...CHURNED)} />);
  expect(screen.getByRole('link', { name: 'Make ghee from this' }).getAttribute('href')).toBe(
    `/new?make=ghee&batch=${MAKE}`,
  );
});

test('two loads of three go another way: both streams say so, and the page goes to the new batch', async () => {
  const state = butter(3, ...CHURNED);
  const { user, router } = show(<PartingButter state={state} />, `/makes/${MAKE}`);
  await user.click(screen.getByText('Finish part of the butter another way'));
  await user.click(await screen.findByRole('radio', { name: '2 loads of 3' }));
  await user.click(screen.getByRole('radio', { name: 'to eat within a week' }));
  const name = screen.getByLabelText('Name of the new batch');
  await user.clear(name);
  expect(screen.getByText('Enter a name.')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Split batch' })).toHaveProperty('disabled', true);
  await user.type(name, 'For the table');
  await user.click(screen.getByRole('button', { name: 'Split batch' }));
  await waitFor(() => expect(router.state.location.pathname).not.toBe(`/makes/${MAKE}`));
  const id = router.state.location.pathname.split('/').at(-1)!;
  const drafts = kept().map(({ draft }) => draft);
  expect(drafts[0]).toMatchObject({
    type: 'make-started',
    streamId: id,
    data: { plan: { name: 'For the table', splitFrom: MAKE } },
  });
  const parted = drafts.filter(({ type }) => type === 'split-off');
  expect(parted.map(({ streamId }) => streamId)).toEqual([id, MAKE]);
  const shares = parted.map(({ data }) => (data as { share: number }).share);
  // What goes from the one is all that is left to the other.
  expect(shares[0]! + shares[1]!).toBeCloseTo(1, 12);
  expect(shares[1]).toBeCloseTo(2 / 3, 12);
  const part = foldMake(
    id,
    drafts.filter(({ streamId }) => streamId === id),
  )!;
  expect(batchOf(part.plan).massKg).toBeCloseTo((2 / 3) * batchOf(state.plan).massKg, 9);
  expect(part.plan.method.steps.find((step) => step.kind === 'wash')!.washes).toBeLessThan(
    state.plan.method.steps.find((step) => step.kind === 'wash')!.washes,
  );
});
