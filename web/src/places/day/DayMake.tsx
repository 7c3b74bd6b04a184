import { batchOf, massOfLitresKg, DAY_MS } from '@morning-crock/core';
import { Button, NativeSelect } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import { ClockField } from '../../parts/fields/ClockField.tsx';
import { BatchAmount } from './BatchAmount.tsx';
import { DayMadeFrom } from './DayMadeFrom.tsx';
import { isWeighed } from './day-goods.ts';
import { shareWords, warmWords } from './lever-words.ts';
import type { DayDraft } from './day-draft.ts';
import type { AskedMake, DayPlan } from './use-day-plan.ts';

/** A scale tells no less of a difference, times. */
const SCALES = 1.005;

/** How much of a batch is made: no more than there is of what was chosen for it. */
function DayAmount(props: {
  readonly make: AskedMake;
  readonly plan: DayPlan;
  readonly onAmount: (amount: number) => void;
}) {
  const { make, plan, onAmount } = props;
  const { id, name, method, litres: asked } = make;
  const units = useUnits();
  const weighed = isWeighed(method.product);
  const own = plan.plans.get(id);
  const of = own && batchOf(own).composition;
  const goods = own?.milk.goods?.[0];
  const thereKg = plan.thereKg.get(id) ?? null;
  return (
    <BatchAmount
      // Another thing to make it of is another amount.
      key={goods?.goodId ?? 'usual'}
      label={`Amount, ${name}`}
      weighed={weighed}
      of={of}
      amount={asked}
      fault={(amount) => {
        // What is measured by volume weighs what it weighs, not what plain milk does.
        const kg = weighed || !of ? amount : massOfLitresKg(amount, of);
        if (!goods || thereKg === null || kg <= thereKg * SCALES) return null;
        return plan.fedBy.has(id)
          ? `${goods.name} will give only about ${units.mass(thereKg)}. Enter less.`
          : `Only ${units.mass(thereKg)} of ${goods.name} is here. Enter less.`;
      }}
      // What cannot be changes nothing.
      onAmount={(amount) => amount !== null && onAmount(amount)}
    />
  );
}

/** One batch of a day: of what, how much, and by when. */
export function DayMake(props: {
  readonly make: AskedMake;
  readonly plan: DayPlan;
  readonly days: number;
  readonly zeroMs: number;
  readonly change: (to: Partial<DayDraft['makes'][number]>) => void;
  readonly onRemove: () => void;
}) {
  const { make, plan, days, zeroMs, change, onRemove } = props;
  const { name, method, by, byDay, cooling, place, starterShare } = make;
  const otherwise = [
    ...(cooling ? ['Cooled in an iced bath.'] : []),
    ...(place ? [`Kept warm ${warmWords(place)}.`] : []),
    ...(starterShare === undefined ? [] : [`${shareWords(starterShare)} starter.`]),
  ];
  const units = useUnits();
  return (
    <li className="day-make">
      <div className="row">
        <span className="grows">
          <strong>{name}</strong> <span className="quiet">{method.name}</span>
        </span>
        <Button variant="default" aria-label={`Remove ${name}`} onClick={onRemove}>
          ×
        </Button>
      </div>
      {otherwise.length > 0 && (
        <div className="row">
          <span className="grows">{otherwise.join(' ')}</span>
          <Button
            variant="default"
            aria-label={`${name}: as the method says`}
            onClick={() => change({ cooling: undefined, place: undefined, starterShare: undefined })}
          >
            As the method says
          </Button>
        </div>
      )}
      {make.early && plan.opensMin > 0 && (
        <div className="row">
          <span className="grows">Starts before the rest, from {units.time(plan.zeroMs, zeroMs)} on.</span>
          <Button
            variant="default"
            aria-label={`${name}: start with the rest`}
            onClick={() => change({ early: undefined })}
          >
            Start with the rest
          </Button>
        </div>
      )}
      <DayMadeFrom make={make} plan={plan} change={change} />
      <div className="row">
        <DayAmount make={make} plan={plan} onAmount={(litres) => change({ litres })} />
        <ClockField
          label={`${name}: finish by (optional)`}
          shown="Finish by"
          value={by}
          onValue={(value) => change({ by: value })}
        />
        {by !== '' && days > 1 && (
          <NativeSelect
            label="on"
            aria-label={`${name}: finish on`}
            value={String(byDay)}
            data={Array.from({ length: days }, (_, day) => ({
              value: String(day),
              label: units.day(zeroMs + day * DAY_MS),
            }))}
            onChange={(event) => change({ byDay: Number(event.currentTarget.value) })}
          />
        )}
      </div>
    </li>
  );
}
