import { FREEZER_C, FRIDGE_C, isCream, THAW_SPREAD, thawTimes, HOUR_MS } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { ulid } from 'ulid';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { DayTimeFields, useDayTime } from '../../parts/words/DayTime.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { lotAmount } from '../../parts/words/milk-words.ts';

/** The pieces an amount is taken in: whole portions, the oldest first; the largest decides how long it takes. */
function largestPieceKg(lot: Lot, massKg: number): number {
  let left = massKg;
  let largest = 0;
  for (const portion of [...lot.portions].sort((a, b) => a.oldestMs - b.oldestMs)) {
    if (left <= 0) break;
    largest = Math.max(largest, portion.massKg);
    left -= portion.massKg;
  }
  return largest > 0 ? largest : massKg;
}

/** When what is frozen must go into the fridge to be liquid at a time. */
export function ThawPlan(props: {
  readonly lot: Lot;
  readonly nowMs: number;
  readonly onThawed: (lotId: string) => void;
}) {
  const { lot, nowMs, onThawed } = props;
  const units = useUnits();
  const by = isCream(lot) ? 'weight' : 'volume';
  const asTyped = useAsTyped(by);
  const [amount, setAmount] = useState<TypedAmount | null>(() => asTyped(lot.has.massKg, lot.of));
  const [search] = useSearchParams();
  const asked = Number(search.get('ready'));
  const ready = useDayTime(asked > nowMs ? asked : nowMs + 24 * HOUR_MS, asked > nowMs ? undefined : '09:00');
  const readyMs = ready.atMs;
  const pieceKg = amount ? largestPieceKg(lot, amount.massKg) : 0;
  const { softH, wholeH: hours } =
    pieceKg > 0
      ? thawTimes({ composition: lot.of, pieceKg, freezerC: FREEZER_C, airC: FRIDGE_C, where: 'fridge' })
      : { softH: 0, wholeH: 0 };
  const outMs = readyMs - hours * (1 + THAW_SPREAD) * HOUR_MS;
  const past = !(readyMs > nowMs);
  const soonMs = nowMs + hours * HOUR_MS;
  return (
    <EntryForm
      label="Thaw plan"
      onEntry={() => {
        if (!amount) return;
        const lotId = ulid();
        void record(lot.id, 'milk-moved', {
          kind: 'thaw',
          into: { lotId, name: `${lot.name}, thawed` },
          massKg: Math.min(amount.massKg, lot.has.massKg),
          readyAt: new Date(Math.round(nowMs + hours * HOUR_MS)).toISOString(),
          typed: amount.typed,
        }).then(() => onThawed(lotId));
      }}
    >
      <h3>Thaw plan</h3>
      <AmountField
        label="Amount"
        of={lot.of}
        by={by}
        amount={amount}
        check={(massKg) =>
          massKg > lot.has.massKg * 1.005 ? `Only ${lotAmount(lot, units)} in the freezer.` : null
        }
        onAmount={setAmount}
      />
      <DayTimeFields at={ready} dayLabel="Thawed by" timeLabel="at" />
      {amount && !past && (
        <p role="status">
          {outMs > nowMs ? (
            <>
              <strong className="number">Move to the fridge by {units.time(outMs, nowMs)}</strong> to be ready{' '}
              {units.time(readyMs, nowMs)}.
            </>
          ) : (
            <>
              Too late for {units.time(readyMs, nowMs)}. Move it to the fridge now and it is liquid about{' '}
              <strong className="number">{units.time(soonMs, nowMs)}</strong>.
            </>
          )}{' '}
          <span className="quiet">
            In the fridge it is soft enough to pour after about {Math.round(softH)} h, and wholly thawed after{' '}
            {Math.round(hours)} h (± {Math.round(hours * THAW_SPREAD)} h). The largest piece is{' '}
            {units.mass(pieceKg)}.
          </span>
        </p>
      )}
      {past && (
        <p className="field-error" role="alert">
          {Number.isNaN(readyMs) ? 'Enter a day and time.' : 'That time has passed. Choose a later one.'}
        </p>
      )}
      <Link to={`/sums/thaw?lot=${lot.id}`}>Try other sizes and places</Link>
      <p className="quiet">
        Use thawed {isCream(lot) ? 'cream' : 'milk'} within a day or two. Never refreeze it.
      </p>
      <Button type="submit" h={56}>
        Move to fridge
      </Button>
    </EntryForm>
  );
}
