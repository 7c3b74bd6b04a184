import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import {
  batchOf,
  defaultKitchen,
  dosesOf,
  mixedIn,
  planOfMethod,
  SHIPPED_METHODS,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { useState } from 'react';
import { answerWith, emptyOutbox, quietKitchen, show } from '../../testing/page.tsx';
import { AmountByLevel, AmountOfMilk } from './AmountOfMilk.tsx';
import { DosesPart, SweetenPart } from './ExtrasPart.tsx';
import { MilkPart } from './MilkPart.tsx';
import type { PourProps } from './pour-props.ts';
import { FreezePart } from './panels/FreezePart.tsx';

const planOf = (id: string): MakePlan =>
  planOfMethod(
    SHIPPED_METHODS.find((method) => method.id === id)!,
    defaultKitchen('UTC'),
    '2026-03-02T06:00:00.000Z',
    2,
  );
const CHEESE = SHIPPED_METHODS.find(({ steps }) => steps.some(({ kind }) => kind === 'add-rennet'))!.id;
let plan: MakePlan;
const faults: [string, boolean][] = [];

/** One part of a plan, turned as on the page. */
function Turned({ of }: { readonly of: (props: PartProps) => React.ReactNode }) {
  const [now, setNow] = useState(plan);
  const [renewed, setRenewed] = useState(0);
  return of({
    plan: now,
    change: (part) => {
      plan = { ...now, ...part };
      setNow(plan);
    },
    onFault: (field, faulty) => void faults.push([field, faulty]),
    renewed,
    onRenew: () => setRenewed(renewed + 1),
  });
}
type PartProps = Omit<PourProps, 'lots'>;

beforeEach(() => {
  emptyOutbox();
  faults.splice(0);
  answerWith(quietKitchen);
});
afterEach(cleanup);

test('honey is added, turned and taken out again, and infants are spoken of', async () => {
  plan = planOf('yogurt');
  const { user } = show(<Turned of={(props) => <SweetenPart {...props} />} />);
  expect(screen.getByText(/Never give honey to a child under one year/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Add to plan' }));
  expect(mixedIn(plan).map(({ what, fraction }) => [what, fraction])).toEqual([['honey', 0.06]]);
  expect(screen.getByText(/^6\.0 %, about 1\d\d g$/)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Remove honey' }));
  expect(mixedIn(plan)).toEqual([]);
  await user.clear(screen.getByLabelText('Sweeten or flavour with'));
  expect(screen.getByText('Enter what goes in, for example honey.')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Add to plan' })).toHaveProperty('disabled', true);
});

test('calcium chloride is dosed by what its label says for a litre', async () => {
  plan = planOf(CHEESE);
  const { user } = show(<Turned of={(props) => <DosesPart {...props} />} />);
  await user.click(screen.getByRole('button', { name: 'Add calcium chloride' }));
  expect(screen.queryByRole('button', { name: 'Add calcium chloride' })).toBeNull();
  const field = screen.getByLabelText('Calcium chloride, by its label');
  await user.clear(field);
  await user.type(field, '0,5');
  expect(dosesOf(plan)).toMatchObject([{ what: 'calcium-chloride', perLitre: 0.5, unit: 'mL' }]);
  expect(screen.getByText(/^1 mL for 2 L$/)).toBeTruthy();
  await user.clear(field);
  await user.type(field, '400');
  expect(screen.getByText('Enter what the label says for one litre of milk.')).toBeTruthy();
  expect(faults.at(-1)).toEqual(['calcium-chloride', true]);
  // What the field refuses does not reach the plan.
  expect(dosesOf(plan)[0]!.perLitre).toBeLessThanOrEqual(20);
  // Taken out of the plan, it holds nothing up any more.
  await user.click(screen.getByRole('button', { name: 'Remove calcium chloride' }));
  expect(faults.at(-1)).toEqual(['calcium-chloride', false]);
  expect(dosesOf(plan)).toEqual([]);
});

test('yogurt without rennet is offered no such dose', () => {
  plan = planOf('yogurt');
  show(<Turned of={(props) => <DosesPart {...props} />} />);
  expect(screen.queryByRole('button', { name: 'Add lipase' })).toBeNull();
});

test('frozen yogurt by hand or by machine: what the machine must hold is said', async () => {
  plan = planOf('frozen-yogurt');
  const { user } = show(<Turned of={(props) => <FreezePart {...props} />} />);
  await user.click(screen.getByRole('radio', { name: 'machine that cools by itself' }));
  expect(plan.method.steps.find(({ kind }) => kind === 'freeze')).toMatchObject({
    machine: 'compressor',
    stirEveryMin: null,
  });
  expect(screen.getByText(/must hold at least/).textContent).toContain('30–50 min');
  await user.click(screen.getByRole('radio', { name: 'by hand, in the freezer' }));
  const freeze = plan.method.steps.find(({ kind }) => kind === 'freeze');
  expect(freeze).toMatchObject({ stirEveryMin: 40 });
  expect(freeze).not.toHaveProperty('machine');
});

test('cream is added to the jar of two, and makes the whole richer by its fat', async () => {
  plan = planOf('jar-of-two-heated');
  const before = batchOf(plan).composition.fatFraction;
  const { user } = show(<Turned of={(props) => <MilkPart {...props} />} />);
  await user.click(screen.getByRole('button', { name: 'Add cream' }));
  const { litres, fatFraction } = plan.milk.second!;
  const mixed = (before * plan.milk.litres + fatFraction! * litres) / (plan.milk.litres + litres);
  expect(batchOf(plan).composition.fatFraction).toBeCloseTo(mixed, 2);
  expect(screen.getByText(/of cream: .* in all\./)).toBeTruthy();
  const fat = screen.getByLabelText('Fat of the cream');
  await user.clear(fat);
  await user.type(fat, '75');
  expect(screen.getByText('Cream has 10–60 % fat.')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Remove cream' }));
  expect(faults.slice(-2)).toEqual([
    ['cream', false],
    ['cream fat', false],
  ]);
  expect(plan.milk.second).toBeUndefined();
});

test('no jug: how full a jar is counts as an amount, called about', async () => {
  plan = planOf('yogurt');
  const { user } = show(
    <Turned
      of={(props) => (
        <>
          <AmountOfMilk {...props} lots={[]} />
          <AmountByLevel {...props} />
        </>
      )}
    />,
  );
  await user.click(screen.getByText('No jug? Tell by level'));
  await user.click(await screen.findByRole('button', { name: /^Use about / }));
  expect(plan.milk.byLevel).toBe(true);
  // The dose stays the same share of the milk.
  expect(plan.starter.massKg! / plan.milk.litres).toBeCloseTo(0.0206, 3);
  // Typed again, it is measured.
  const amount = screen.getByLabelText('Amount');
  await user.clear(amount);
  await user.type(amount, '1,5');
  expect(plan.milk).toMatchObject({ litres: 1.5 });
  expect(plan.milk.byLevel).toBeUndefined();
});
