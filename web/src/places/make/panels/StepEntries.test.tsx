import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { beginPlan, defaultKitchen, foldMake, pointForecast, type MakeState } from '@morning-crock/core';
import type { DraftEvent } from '@morning-crock/core/contract';
import { completeStep } from '../../../data/complete-step.ts';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../../../testing/page.tsx';
import { Pad } from '../Pad.tsx';
import { StepEntries } from './StepEntries.tsx';

const MAKE = '01HZZZZZZZZZZZZZZZZZZZZZZM';
const START = Date.parse('2026-03-02T06:00:00.000Z');

/** A churning after some of its entries, a quarter of an hour between them. */
function butter(...entries: readonly (readonly [string, object])[]): MakeState {
  const plan = beginPlan('butter', defaultKitchen('UTC'), new Date(START).toISOString());
  const all = [['make-started', { plan }] as const, ...entries];
  return foldMake(
    MAKE,
    all.map(
      ([type, data], n) =>
        ({
          id: `01HYYYYYYYYYYYYYYYYYYYYY${String(n).padStart(2, '0')}`,
          streamId: MAKE,
          at: new Date(START + n * 15 * 60_000).toISOString(),
          cookId: null,
          deviceId: 'tablet',
          version: 2,
          type,
          data,
        }) as DraftEvent,
    ),
  )!;
}
const Entries = ({ state }: { readonly state: MakeState }) => (
  <StepEntries state={state} point={pointForecast(state, START)} />
);
const done = (step: string) => ['step-done', { step }] as const;
const CHURNING = [done('take-out'), done('temper')] as const;
const DRAINED = [...CHURNING, done('churn'), done('drain')] as const;
const entries = () => kept().map(({ draft }) => [draft.type, draft.data]);

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

test('a stage is one tap, and what lies behind it can be tapped no more', async () => {
  const { user } = show(<Entries state={butter(...CHURNING)} />);
  await user.click(screen.getByRole('button', { name: 'stiff' }));
  expect(entries()).toEqual([['stage-seen', { stage: 'stiff' }]]);
  cleanup();
  show(<Entries state={butter(...CHURNING, ['stage-seen', { stage: 'stiff' }])} />);
  expect(screen.getByRole('button', { name: 'soft cream' })).toHaveProperty('disabled', true);
  expect(screen.getByRole('button', { name: 'yellow and heavy' })).toHaveProperty('disabled', false);
});

test('the large button says that it broke, once, and that it was stopped', async () => {
  await completeStep(butter(...CHURNING));
  expect(entries()).toEqual([
    ['stage-seen', { stage: 'broken' }],
    ['step-done', { step: 'churn' }],
  ]);
  emptyOutbox();
  // The same again at once would be a finger that trembled.
  await new Promise((resolve) => setTimeout(resolve, 450));
  await completeStep(butter(...CHURNING, ['stage-seen', { stage: 'lump' }]));
  expect(entries()).toEqual([['step-done', { step: 'churn' }]]);
});

test('each wash is told with how its water ran', async () => {
  const { user } = show(<Entries state={butter(...DRAINED)} />);
  await user.click(screen.getByRole('button', { name: 'Record clear wash' }));
  expect(entries()).toEqual([['rinsed', { clear: true }]]);
});

test('nothing sours in butter: no pH is asked for, and its weight is believed only as far as its fat goes', async () => {
  const state = butter(...DRAINED, done('wash'), done('work'));
  const { user } = show(<Pad state={state} focus={false} />);
  expect(screen.queryByRole('button', { name: 'pH' })).toBeNull();
  await user.type(screen.getByLabelText('Weight of the butter'), '900{Enter}');
  expect(screen.getByRole('alert').textContent).toMatch(/more butter than the fat allows \(5\d\d g at most/);
  expect(screen.getByLabelText<HTMLInputElement>('Weight of the butter').value).toBe('900');
  expect(entries()).toEqual([]);
  await user.clear(screen.getByLabelText('Weight of the butter'));
  await user.type(screen.getByLabelText('Weight of the butter'), '385{Enter}');
  expect(entries()).toEqual([['weighed', { massKg: 0.385, typed: { value: 385, unit: 'g' } }]]);
});

test('butter that is weighed is cut into pieces, and all of it is in them', async () => {
  const whole = butter(...DRAINED, done('wash'), done('work'), [
    'weighed',
    { massKg: 0.4, typed: { value: 400, unit: 'g' } },
  ]);
  const { user } = show(<Entries state={whole} />);
  await user.type(screen.getByLabelText('Weight of each piece'), '4000');
  expect(screen.getByText('There is only 400 g of butter in total.')).toBeTruthy();
  await user.clear(screen.getByLabelText('Weight of each piece'));
  await user.type(screen.getByLabelText('Weight of each piece'), '150');
  await user.click(screen.getByRole('button', { name: 'Save pieces' }));
  const [[type, data]] = entries() as [[string, { pieces: { count: number; massKg: number }[] }]];
  expect(type).toBe('shaped');
  expect(data.pieces.reduce((sum, p) => sum + p.count * p.massKg, 0)).toBeCloseTo(0.4, 9);
  expect(data.pieces[0]).toEqual({ count: 2, massKg: 0.15 });
});

test('fresh garlic in it is told with why it must be kept cold', async () => {
  const { user } = show(<Entries state={butter(...DRAINED, done('wash'))} />);
  await user.click(screen.getByText('Add herbs or garlic'));
  await user.click(screen.getByRole('radio', { name: 'garlic' }));
  expect(screen.getByText(/eat it within four days, or freeze it/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Mark as added' }));
  expect(entries()).toEqual([['flavoured', { with: 'garlic', text: '' }]]);
});
