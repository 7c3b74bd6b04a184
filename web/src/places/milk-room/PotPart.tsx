import { butterBalance, freeKg, litresIn } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { ulid } from 'ulid';
import { record } from '../../app/store.ts';
import { useKitchen, useUnits } from '../../app/use-units.ts';
import { AmountField, useAsTyped, type TypedAmount } from './AmountField.tsx';
import { ThawPlan } from './ThawPlan.tsx';
import { percent, type MilkRoomNow } from './use-milk.ts';

/** A churn is filled to half. */
const CHURN_FILL = 0.5;
const BUTTER = { buttermilkFatFraction: 0.005, butterFatFraction: 0.81 } as const;
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
          {fat < MAY_NOT_BREAK_FAT && ' Under 18 % fat it may not break.'}
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
    <form
      className="lot-form"
      aria-label="Weighed churning"
      onSubmit={(event) => {
        event.preventDefault();
        if (!cream || !butter || !buttermilk || tooMuch) return;
        void record(lot.id, 'milk-moved', {
          kind: 'churn',
          massKg: cream.massKg,
          butterKg: butter.massKg,
          buttermilkKg: buttermilk.massKg,
          typed: butter.typed,
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
      <Button type="submit" h={56} disabled={!cream || !butter || !buttermilk || tooMuch !== null}>
        That came of it
      </Button>
      <Button variant="default" onClick={onDone}>
        Back
      </Button>
    </form>
  );
}

/** Pours a jar of cream, or what is thawed, together with others. */
function PoolForm({ lot, pots }: { readonly lot: Lot; readonly pots: readonly Lot[] }) {
  const asTyped = useAsTyped('weight');
  const [into, setInto] = useState(pots[0]?.id ?? 'cold');
  const pool = (): void => {
    const pot = pots.find((p) => p.id === into);
    const { massKg, typed } = asTyped(freeKg(lot), lot.of);
    void record(lot.id, 'milk-moved', {
      kind: 'pool',
      into: pot
        ? { lotId: pot.id, name: pot.name, place: pot.place }
        : {
            lotId: ulid(),
            name: into === 'freezer' ? 'Cream pot, frozen' : 'Cream pot',
            place: into === 'freezer' ? 'freezer' : 'cold',
          },
      massKg,
      soured: lot.soured,
      typed,
    });
  };
  return (
    <div className="field-row">
      <NativeSelect
        label="Pour it into"
        value={into}
        data={[
          ...pots.map((p) => ({ value: p.id, label: p.name })),
          { value: 'cold', label: 'a new pot in the cold' },
          ...(lot.thawed ? [] : [{ value: 'freezer', label: 'a new pot in the freezer' }]),
        ]}
        onChange={(e) => setInto(e.currentTarget.value)}
      />
      <Button onClick={pool}>Pool it</Button>
    </div>
  );
}

/** Cream: its portions, what it is enough for, thawing, and a weighed churning. */
export function PotPart(props: {
  readonly lot: Lot;
  readonly room: MilkRoomNow;
  readonly nowMs: number;
  readonly onGo: (lotId: string | null) => void;
}) {
  const { lot, room, nowMs, onGo } = props;
  const units = useUnits();
  const [churning, setChurning] = useState(false);
  const pots = room.lots.filter(
    (l) => l.role === 'pot' && l.id !== lot.id && (l.place !== 'freezer' || !lot.thawed),
  );
  if (churning) return <ChurnForm lot={lot} onDone={() => setChurning(false)} />;
  return (
    <>
      {lot.readyAtMs !== null && lot.readyAtMs > nowMs && (
        <p>
          <strong>Thawing: liquid about {units.time(lot.readyAtMs, nowMs)}.</strong>
        </p>
      )}
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
      {lot.mixedSourSweet && (
        <p className="caution note">Sweet and soured are mixed: it keeps only as sweet cream does.</p>
      )}
      <ChurnLoads lot={lot} />
      {lot.place === 'freezer' ? (
        <ThawPlan lot={lot} nowMs={nowMs} onThawed={onGo} />
      ) : (
        <>
          {lot.role === 'cream' && <PoolForm lot={lot} pots={pots} />}
          <Button variant="default" onClick={() => setChurning(true)}>
            Weighed churning
          </Button>
        </>
      )}
    </>
  );
}
