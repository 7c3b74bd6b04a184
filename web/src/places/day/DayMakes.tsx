import { litresOfMass, massOfLitresKg, PRODUCTS, DAY_MS } from '@morning-crock/core';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useMakesQuery } from '../../data/api.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';
import { AmountField, PLAIN_MILK, useAsTyped } from '../../parts/fields/AmountField.tsx';
import { ClockField } from '../../parts/fields/ClockField.tsx';
import type { ChangeDraft, DayDraft } from './day-draft.ts';
import type { DayPlan } from './use-day-plan.ts';

const MOST_LITRES = 60;
const MOST_MAKES = 16;
const USUAL_LITRES = 2;

/** What is made, how much, and by when. */
export function DayMakes(props: {
  readonly draft: DayDraft;
  readonly setDraft: ChangeDraft;
  readonly plan: DayPlan;
  readonly zeroMs: number;
}) {
  const { draft, setDraft, plan, zeroMs } = props;
  const { shown } = useMethods();
  const units = useUnits();
  const asTyped = useAsTyped('volume');
  const [methodId, setMethodId] = useState('yogurt');
  const { data: made = [] } = useMakesQuery();
  /** As much as last time, which the list of makes begins with. */
  const last = made.find((make) => make.methodId === methodId && make.litres > 0)?.litres;
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
        {plan.makes.map(({ id, name, method, litres, by, byDay, cooling, place }) => (
          <li key={id} className="day-make">
            <div className="row">
              <span className="grows">
                <strong>{name}</strong> <span className="quiet">{method.name}</span>
              </span>
              <Button
                variant="default"
                aria-label={`Remove ${name}`}
                onClick={() =>
                  setDraft((before) => ({ ...before, makes: before.makes.filter((m) => m.id !== id) }))
                }
              >
                ×
              </Button>
            </div>
            {(cooling ?? place) && (
              <div className="row">
                <span className="grows">
                  {[
                    ...(cooling ? ['Cooled in an iced bath.'] : []),
                    ...(place ? ['Kept warm in a towel.'] : []),
                  ].join(' ')}
                </span>
                <Button
                  variant="default"
                  aria-label={`${name}: as the method says`}
                  onClick={() => change(id, { cooling: undefined, place: undefined })}
                >
                  As the method says
                </Button>
              </div>
            )}
            <div className="row">
              <AmountField
                label={`Amount, ${name}`}
                of={PLAIN_MILK}
                by="volume"
                amount={asTyped(massOfLitresKg(litres, PLAIN_MILK), PLAIN_MILK)}
                check={(kg) =>
                  litresOfMass(kg, PLAIN_MILK) > MOST_LITRES
                    ? `Enter ${units.volume(MOST_LITRES)} or less.`
                    : null
                }
                onAmount={(amount) => {
                  if (amount)
                    change(id, { litres: Math.round(litresOfMass(amount.massKg, PLAIN_MILK) * 1000) / 1000 });
                }}
              />
              <ClockField
                label={`${name}: finish by (optional)`}
                shown="Finish by"
                value={by}
                onValue={(value) => change(id, { by: value })}
              />
              {by !== '' && draft.days > 1 && (
                <NativeSelect
                  label="on"
                  aria-label={`${name}: finish on`}
                  value={String(byDay)}
                  data={Array.from({ length: draft.days }, (_, day) => ({
                    value: String(day),
                    label: units.day(zeroMs + day * DAY_MS),
                  }))}
                  onChange={(event) => change(id, { byDay: Number(event.currentTarget.value) })}
                />
              )}
            </div>
          </li>
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
          onClick={() => add(methodId, last ?? USUAL_LITRES)}
        >
          Add batch
        </Button>
        {last !== undefined && <span className="quiet">{units.volume(last)}, as last time</span>}
      </div>
    </>
  );
}
