import { PRODUCTS } from '@morning-crock/core';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useMakesQuery } from '../../data/api.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';
import { amountOfLitres, isWeighed } from './day-goods.ts';
import { DayMake } from './DayMake.tsx';
import type { ChangeDraft, DayDraft } from './day-draft.ts';
import type { DayPlan } from './use-day-plan.ts';

const MOST_MAKES = 16;
/** A batch of what nobody made here yet, L, and of butter, kg. */
const USUAL_LITRES = 2;
const USUAL_KG = 0.5;

/** What is made, how much, and by when. */
export function DayMakes(props: {
  readonly draft: DayDraft;
  readonly setDraft: ChangeDraft;
  readonly plan: DayPlan;
  readonly zeroMs: number;
}) {
  const { draft, setDraft, plan, zeroMs } = props;
  const { shown, kitchen } = useMethods();
  const units = useUnits();
  const [methodId, setMethodId] = useState('yogurt');
  const { data: made = [] } = useMakesQuery();
  /** As much as last time, which the list of makes begins with. */
  const lastLitres = made.find((make) => make.methodId === methodId && make.litres > 0)?.litres;
  const chosen = shown.find(({ id }) => id === methodId)?.method;
  const last = lastLitres !== undefined && chosen ? amountOfLitres(chosen, kitchen, lastLitres) : undefined;
  const weighed = chosen !== undefined && isWeighed(chosen.product);
  const full = draft.makes.length >= MOST_MAKES;
  const change = (id: string, to: Partial<DayDraft['makes'][number]>): void =>
    setDraft((before) => ({
      ...before,
      makes: before.makes.map((make) => (make.id === id ? { ...make, ...to } : make)),
    }));
  const add = (method: string, litres: number): void =>
    setDraft((before) => ({
      ...before,
      makes: [
        ...before.makes,
        { id: ulid(), methodId: method, litres, by: '', byDay: 0, fixed: {}, who: {} },
      ],
    }));
  const label = (id: string): string => {
    const method = shown.find((m) => m.id === id)?.method;
    return method ? `${PRODUCTS[method.product].label}: ${method.name}` : id;
  };
  return (
    <>
      <ul className="bare column" aria-label="Batches in this plan">
        {plan.makes.map((make) => (
          <DayMake
            key={make.id}
            make={make}
            plan={plan}
            days={draft.days}
            zeroMs={zeroMs}
            change={(to) => change(make.id, to)}
            onRemove={() =>
              setDraft((before) => ({ ...before, makes: before.makes.filter((m) => m.id !== make.id) }))
            }
          />
        ))}
      </ul>
      <div className="row wide">
        <NativeSelect
          label="Product and method"
          value={methodId}
          data={shown.map(({ id }) => ({ value: id, label: label(id) }))}
          onChange={(event) => setMethodId(event.currentTarget.value)}
        />
        <Button
          // What a day begins with.
          variant={draft.makes.length === 0 ? 'filled' : 'default'}
          h={48}
          disabled={full}
          onClick={() => add(methodId, last ?? (weighed ? USUAL_KG : USUAL_LITRES))}
        >
          Add batch
        </Button>
        {last !== undefined && (
          <span className="quiet">{weighed ? units.mass(last) : units.volume(last)}, as last time</span>
        )}
      </div>
    </>
  );
}
