import { butterBalance, HAND_WORKED_FAT, litresIn } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { EntryForm } from '../../parts/EntryForm.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/AmountField.tsx';
import { PoolForm } from './PoolForm.tsx';
import { percent } from '../../parts/milk-words.ts';
import { type MilkRoomNow } from '../../data/use-milk.ts';

/** A churn is filled to half. */
const CHURN_FILL = 0.5;
const BUTTER = { buttermilkFatFraction: 0.005, butterFatFraction: HAND_WORKED_FAT } as const;
/** Thinner cream may not break; much thinner is not promised anything. Source: docs/SCIENCE.md, settling. */
const MAY_NOT_BREAK_FAT = 0.18;
const NO_PROMISE_FAT = 0.12;

/** How many loads of each churn there are, and the butter in them. */
function ChurnLoads({ lot }: { readonly lot: Lot }) {
  const units = useUnits();
  const { churns } = useKitchen();
  const litres = litresIn(lot);
  const fat = lot.of.fatFraction;
  const { butterKg } = butterBalance({
    creamKg: Math.max(0, lot.has.massKg),
    creamFatFraction: fat,
    ...BUTTER,
  });
  return (
    <>
      {churns.length === 0 && (
        <p className="quiet">
          Enough for a churning? <Link to="/kitchen">Tell the Kitchen which churns you have.</Link>
        </p>
      )}
      {churns.map((churn) => {
        const load = churn.litres * CHURN_FILL;
        const loads = Math.floor(litres / load + 1e-6);
        return (
          <p key={churn.id}>
            {loads >= 1 ? (
              <strong>
                Enough for {loads === 1 ? 'a load' : `${loads} loads`} of {churn.name}
              </strong>
            ) : (
              <>
                {units.volume(load - litres)} more make a load of {churn.name}
              </>
            )}
            <span className="quiet"> ({units.volume(load)} each)</span>
          </p>
        );
      })}
      {fat < NO_PROMISE_FAT ? (
        <p className="caution">
          Under 12 % fat: nobody can promise that it breaks. Let it settle and skim again.
        </p>
      ) : (
        <p>
          About {units.mass(butterKg)} of butter in it.
          {fat < MAY_NOT_BREAK_FAT && ' Under 18 % fat it may not break.'}{' '}
          <Link to={`/sums/churn?lot=${lot.id}`}>When will it break?</Link>
        </p>
      )}
    </>
  );
}

/** What a churning weighed: the cream's own fat is learned from it. */
function ChurnForm({ lot, onDone }: { readonly lot: Lot; readonly onDone: () => void }) {
  const asTyped = useAsTyped('weight');
  const units = useUnits();
  const [cream, setCream] = useState<TypedAmount | null>(() => asTyped(lot.has.massKg, lot.of));
  const [butter, setButter] = useState<TypedAmount | null>(null);
  const [buttermilk, setButtermilk] = useState<TypedAmount | null>(null);
  const tooMuch =
    cream && butter && buttermilk && butter.massKg + buttermilk.massKg > cream.massKg * 1.1
      ? `Butter and buttermilk weigh more than the ${units.mass(cream.massKg)} of cream.`
      : null;
  return (
    <EntryForm
      label="Weighed churning"
      onEntry={() => {
        if (!cream || !butter || !buttermilk || tooMuch) return;
        void record(lot.id, 'milk-moved', {
          kind: 'churn',
          massKg: cream.massKg,
          butterKg: butter.massKg,
          buttermilkKg: buttermilk.massKg,
          typed: butter.typed,
          typedCream: cream.typed,
          typedButtermilk: buttermilk.typed,
        }).then(onDone);
      }}
    >
      <AmountField label="Cream churned" of={lot.of} by="weight" amount={cream} onAmount={setCream} />
      <AmountField label="Butter" of={lot.of} by="weight" amount={butter} onAmount={setButter} />
      <AmountField label="Buttermilk" of={lot.of} by="weight" amount={buttermilk} onAmount={setButtermilk} />
      {tooMuch && (
        <p className="field-error" role="alert">
          {tooMuch}
        </p>
      )}
      <Button type="submit" h={56}>
        That came of it
      </Button>
      <Button variant="default" onClick={onDone}>
        Back
      </Button>
    </EntryForm>
  );
}

/** Cream: its portions, what it is enough for, and a weighed churning. */
export function PotPart(props: {
  readonly lot: Lot;
  readonly room: MilkRoomNow;
  readonly onGo: (lotId: string | null) => void;
}) {
  const { lot, room, onGo } = props;
  const units = useUnits();
  const [churning, setChurning] = useState(false);
  if (churning) return <ChurnForm lot={lot} onDone={() => setChurning(false)} />;
  return (
    <>
      {lot.portions.length > 0 && (
        <div>
          <h3>Portions, the oldest governs</h3>
          <ul className="portions">
            {[...lot.portions]
              .sort((a, b) => a.oldestMs - b.oldestMs)
              .map((portion) => (
                <li key={portion.eventId}>
                  <span className="number">{units.day(portion.oldestMs)}</span> {units.mass(portion.massKg)},{' '}
                  {percent(portion.fatFraction, 0)} fat{portion.soured && ', soured'}
                </li>
              ))}
          </ul>
        </div>
      )}
      <ChurnLoads lot={lot} />
      {lot.place !== 'freezer' && (
        <>
          {lot.role === 'cream' && <PoolForm lot={lot} lots={room.lots} onDone={onGo} />}
          <Button variant="default" onClick={() => setChurning(true)}>
            Weighed churning
          </Button>
        </>
      )}
    </>
  );
}
