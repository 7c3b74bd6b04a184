import { planOfMethod, pourDay, priced, PRODUCTS, wantsOf } from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { beginBatch } from '../../parts/goods/begin-batch.ts';
import { useGoods } from '../../parts/goods/use-goods.ts';
import { BatchAmount } from './BatchAmount.tsx';
import { milkOf } from './milk-of.ts';
import { useMethodChoice } from './use-method-choice.ts';

/** One more batch for a day that is going on: begun now, and laid into its schedule. @param props.onFault why it cannot begin; `null` when it does */
export function AddToday(props: {
  readonly going: KeptDay;
  readonly onFault: (fault: string | null) => void;
}) {
  const { going, onFault } = props;
  const { id, day } = going;
  const { kitchen } = useMethods();
  const room = useMilkRoom();
  const { batches } = useGoods();
  const { methodId, choose, method, weighed, usual, options } = useMethodChoice();
  /** As somebody typed it, `null` what cannot be; left out, as it is usually made here. */
  const [typed, setTyped] = useState<number | null>();
  const amount = typed === undefined ? usual : typed;
  const addToday = async (): Promise<void> => {
    if (!method || amount === null) return;
    const makeId = ulid();
    const { label } = PRODUCTS[method.product];
    const same = day.makes.filter(({ name }) => name === label || name.startsWith(`${label} `)).length;
    const name = same === 0 ? label : `${label} ${same + 1}`;
    const atMs = Math.round(now());
    const planned = { ...planOfMethod(method, kitchen, new Date(atMs).toISOString(), amount), name };
    // Of the milk that is here, where there is enough of it.
    const pours = pourDay(room.lots, wantsOf(makeId, planned), [], atMs, (source) => room.learned(source));
    const milk = milkOf(makeId, planned, pours, room.lots, atMs);
    const plan = priced(milk ? { ...planned, milk } : planned, kitchen);
    const refused = await beginBatch(makeId, plan, batches, atMs);
    onFault(refused === null ? null : `${name}: ${refused}`);
    if (refused !== null) return;
    await record(id, 'day-changed', {
      kind: 'laid',
      day: {
        ...day,
        version: day.version + 1,
        moved: [],
        because: `${name} was added`,
        makes: [
          ...day.makes,
          { id: ulid(), name, methodId, litres: amount, by: null, fixed: {}, who: {}, makeId },
        ],
      },
    });
  };
  return (
    <>
      <NativeSelect
        label="Product and method"
        value={methodId}
        data={options}
        onChange={(event) => {
          choose(event.currentTarget.value);
          setTyped(undefined);
        }}
      />
      <BatchAmount
        // What is usually made of another is another amount.
        key={`${methodId} ${usual}`}
        label="Amount to add"
        weighed={weighed}
        amount={amount ?? usual}
        onAmount={setTyped}
      />
      <Button variant="default" h={48} disabled={amount === null} onClick={() => void addToday()}>
        Add and start batch
      </Button>
    </>
  );
}
