import '../../parts/tables/tables.css';
import { lackingOf, PRODUCTS } from '@morning-crock/core';
import {
  kitchenSettings,
  PRODUCT_IDS,
  PRODUCT_TAKES,
  type ProductId,
  type WantedGood,
} from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { ulid } from 'ulid';
import { useKitchenQuery } from '../../data/api.ts';
import { record } from '../../data/store.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import type { LarderNow } from '../../data/use-larder.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { AmountField, PLAIN_MILK, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { WEEKDAYS } from '../../parts/words/weekdays.ts';

const KINDS = PRODUCT_IDS.filter((id) => PRODUCT_TAKES[id] !== 'packet');
const { wanted: WANTED } = kitchenSettings.shape;
const LEAST_KG = 0.01;
const MOST_KG = 200;

const whenWords = (on: number | null): string => (on === null ? 'always' : `every ${WEEKDAYS[on]}`);

/** What should be in the larder, always or for a day of the week, and what of it is missing now. */
export function Wanted({ larder, nowMs }: { readonly larder: LarderNow; readonly nowMs: number }) {
  const kitchen = useKitchen();
  const { data } = useKitchenQuery();
  const logs = useUnderWayLogs();
  const units = useUnits();
  const asTyped = useAsTyped('weight');
  const [product, setProduct] = useState<ProductId>(KINDS[0]!);
  const [on, setOn] = useState<number | null>(null);
  const [amount, setAmount] = useState<TypedAmount | null>(() => asTyped(1, PLAIN_MILK));
  /** Counts the fills of the form: its fields begin anew with each. */
  const [filled, setFilled] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  const { wanted } = kitchen;
  const lacking = lackingOf({
    wanted,
    goods: larder.goods,
    underWay: logs.flatMap(({ state }) => (state && !state.finished ? [state.plan] : [])),
    zone: kitchen.site.zone,
    nowMs,
  });
  const save = (next: readonly WantedGood[]): void => {
    const checked = WANTED.safeParse(next);
    setFault(checked.success ? null : `Not saved: ${checked.error.issues[0]!.message}. Nothing was changed.`);
    if (checked.success && data)
      void record(data.id, 'kitchen-changed', { section: 'wanted', value: checked.data });
  };
  const isFor = (one: WantedGood): boolean => one.product === product && one.on === on;
  const change = (one: WantedGood): void => {
    setProduct(one.product);
    setOn(one.on);
    setAmount(asTyped(one.massKg, PLAIN_MILK));
    setFilled(filled + 1);
  };
  return (
    <div className="column">
      <p>
        What should always be there, and what a stall or an order takes each week. <Link to="/day">Day</Link>{' '}
        suggests batches for what is missing.
      </p>
      {wanted.length > 0 && (
        <div className="table-box" role="region" aria-label="Keep in stock" tabIndex={0}>
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Product</th>
                <th scope="col" className="num">
                  Amount
                </th>
                <th scope="col">When</th>
                <th scope="col">Missing now</th>
                <th scope="col">
                  <span className="visually-hidden">Change</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {wanted.map((one) => {
                const { label } = PRODUCTS[one.product];
                const lacks = lacking.find((l) => l.product === one.product);
                // What is missing of a product is told once, in its first row.
                const first = wanted.find((other) => other.product === one.product) === one;
                return (
                  <tr key={one.id}>
                    <td>
                      <strong>{label}</strong>
                    </td>
                    <td className="num">{units.mass(one.massKg)}</td>
                    <td>{whenWords(one.on)}</td>
                    <td className={lacks ? undefined : 'quiet'}>
                      {first ? (lacks ? units.mass(lacks.massKg) : 'nothing') : ''}
                    </td>
                    <td>
                      <div className="row">
                        <Button
                          variant="default"
                          aria-label={`Change ${label}, ${whenWords(one.on)}`}
                          onClick={() => change(one)}
                        >
                          Change
                        </Button>
                        <Button
                          variant="default"
                          aria-label={`Remove ${label}, ${whenWords(one.on)}`}
                          onClick={() => save(wanted.filter(({ id }) => id !== one.id))}
                        >
                          ×
                        </Button>
                      </div>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      <EntryForm
        label="Keep in stock"
        onEntry={() => {
          if (!amount) return;
          const before = wanted.find(isFor);
          const one = { id: before?.id ?? ulid(), product, massKg: amount.massKg, on };
          save(before ? wanted.map((other) => (other === before ? one : other)) : [...wanted, one]);
        }}
      >
        <div className="row">
          <NativeSelect
            label="Product"
            value={product}
            data={KINDS.map((id) => ({ value: id, label: PRODUCTS[id].label }))}
            onChange={({ currentTarget: { value } }) => setProduct(value as ProductId)}
          />
          <AmountField
            key={filled}
            label="Amount to have"
            of={PLAIN_MILK}
            by="weight"
            amount={amount}
            check={(kg) =>
              kg < LEAST_KG
                ? `Enter ${units.mass(LEAST_KG)} or more.`
                : kg > MOST_KG
                  ? `Enter ${units.mass(MOST_KG)} or less.`
                  : null
            }
            onAmount={setAmount}
          />
          <NativeSelect
            label="When"
            value={on === null ? '' : String(on)}
            data={[
              { value: '', label: 'always' },
              ...WEEKDAYS.map((name, n) => ({ value: String(n), label: `every ${name}` })),
            ]}
            onChange={({ currentTarget: { value } }) => setOn(value === '' ? null : Number(value))}
          />
          <Button type="submit" mt="auto">
            {wanted.some(isFor) ? 'Save' : 'Add'}
          </Button>
        </div>
        {fault && (
          <p className="field-error" role="alert">
            {fault}
          </p>
        )}
      </EntryForm>
    </div>
  );
}
