import {
  planOfMethod,
  pourDay,
  priced,
  PRODUCTS,
  wantsOf,
  type DayHands,
  formatMinutes,
  MINUTE_MS,
} from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useDayChanges } from '../../data/use-day-changes.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { useUnits } from '../../data/use-units.ts';
import { beginBatch } from '../../parts/goods/begin-batch.ts';
import { useGoods } from '../../parts/goods/use-goods.ts';
import { BatchAmount } from './BatchAmount.tsx';
import { DayPicture } from './DayPicture.tsx';
import { DayReview } from './DayReview.tsx';
import { GoingList } from './GoingList.tsx';
import { milkOf } from './milk-of.ts';
import { useMethodChoice } from './use-method-choice.ts';

const NOTHING_FIXED: ReadonlySet<string> = new Set();

/** The day that is going on: its timetable as it is now, what is done of it, what moved. */
export function GoingPanel({ going, nowMs }: { readonly going: KeptDay; readonly nowMs: number }) {
  const { id, day } = going;
  const { kitchen } = useMethods();
  const units = useUnits();
  const logs = useUnderWayLogs();
  const room = useMilkRoom();
  const { batches } = useGoods();
  const { methodId, choose, method, weighed, usual, options } = useMethodChoice();
  /** As somebody typed it, `null` what cannot be; left out, as it is usually made here. */
  const [typed, setTyped] = useState<number | null>();
  const amount = typed === undefined ? usual : typed;
  const [fault, setFault] = useState<string | null>(null);
  const [picked, setPicked] = useState<string | null>(null);
  const zeroMs = Date.parse(day.zeroAt);
  const timeOf = (minute: number): string => units.time(zeroMs + minute * MINUTE_MS, nowMs);
  const makeOf = (make: string) => day.makes.find((m) => m.id === make);
  const hands = day.slots.map(({ make, task, title, cook, from, to }): DayHands => ({
    make,
    step: task,
    title,
    act: title,
    cook: kitchen.cooks.find((c) => c.id === cook)?.name ?? '',
    cookId: cook,
    from,
    to,
    holds: [],
    heldFrom: from,
    why: { notEarlier: 'others', after: null, thing: null, latest: null },
  }));
  const isDone = ({ make, step, to }: DayHands): boolean => {
    const of = makeOf(make);
    const state = logs.find((log) => log.state?.id === of?.makeId)?.state;
    // A skimming is no make: the milk room knows of it.
    if (!of) return zeroMs + to * MINUTE_MS < nowMs;
    // It waits for the batch it is made from.
    if (of.makeId === null && of.fedBy !== undefined) return false;
    // What is not under way any more is over.
    if (!state) return true;
    const own = state.steps.find((s) => s.step.id === step);
    return own === undefined || own.status === 'done' || own.status === 'skipped';
  };
  const left = hands.filter((h) => !isDone(h)).sort((a, b) => a.from - b.from);
  const changes = useDayChanges(going);
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
    setFault(refused === null ? null : `${name}: ${refused}`);
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
    <section aria-label="Day in progress" className="column below-m">
      <div className="make-head">
        <h2>{day.name}, in progress</h2>
        <span className="quiet">
          {left.length === 0 ? 'all done' : `${left.length} of ${hands.length} still to do`}
        </span>
      </div>
      {day.moved.length > 0 && (
        <p role="status">
          <strong>New times.</strong> {day.because}. Steps that moved show their old time.
        </p>
      )}
      {changes.undoWords !== null && (
        <div className="row">
          <span className="quiet">{changes.undoWords}.</span>
          <Button variant="default" onClick={changes.undo}>
            Undo
          </Button>
        </div>
      )}
      {changes.refused && (
        <p className="field-error" role="alert">
          Another tablet had just changed the schedule. Look at it again, then change it.
        </p>
      )}
      {day.broken > 0 && (
        <p className="caution">
          Some steps will wait {formatMinutes(day.broken)} too long in total, and no schedule avoids this.
          Start them as soon as you can, or drop a batch.
        </p>
      )}
      <div className="day-going">
        <DayPicture
          makes={day.makes.filter((make) => hands.some((h) => h.make === make.id))}
          hands={hands}
          zeroMs={zeroMs}
          finish={Math.max(60, ...hands.map(({ to }) => to))}
          kept={day.keptFree}
          by="make"
          chosen={picked}
          fixed={NOTHING_FIXED}
          nowMs={nowMs}
          onChoose={setPicked}
        />
        <GoingList
          going={going}
          left={left}
          picked={picked}
          onPick={setPicked}
          changes={changes}
          timeOf={timeOf}
        />
        <div className="row wide day-going-more">
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
          <Button
            variant="default"
            h={48}
            onClick={() => void record(id, 'day-changed', { kind: 'dropped' })}
          >
            End this plan
          </Button>
        </div>
      </div>
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
      {left.length < hands.length && (
        <details>
          <summary>How it goes so far</summary>
          <DayReview day={day} nowMs={nowMs} />
        </details>
      )}
    </section>
  );
}
