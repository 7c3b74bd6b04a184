import { souringOf, soursToTheEnd } from '@morning-crock/core';
import type { Factor, KitchenSettings } from '@morning-crock/core/contract';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { ClockField } from '../../parts/fields/ClockField.tsx';
import { WorkBack } from '../../parts/fields/WorkBack.tsx';
import { backOf } from './panels/back.ts';
import type { Planning } from './use-plan.ts';
import type { Start } from './use-start.ts';

/** Its name, when it begins, or when it shall be ready. */
export function StartPart(props: {
  readonly planning: Planning;
  readonly start: Start;
  readonly kitchen: KitchenSettings;
  readonly factors: readonly Factor[];
  /** Asked as somebody is asked who does it for the first time. */
  readonly first: boolean;
}) {
  const { planning, start, kitchen, factors, first } = props;
  const { plan, state, change, replace } = planning;
  const units = useUnits();
  const [way, setWay] = useState<'forward' | 'back'>('forward');
  const Back = backOf(plan);
  const toTheEnd = souringOf(state) !== null && soursToTheEnd(state);
  return (
    <>
      {(toTheEnd || Back) && (
        <div className="across">
          <Choices
            legend={first ? 'Ready' : 'Plan'}
            value={way}
            options={[
              { value: 'forward', label: first ? 'as soon as possible' : 'from a start time' },
              { value: 'back', label: first ? 'by a time I choose' : 'back from a finish time' },
            ]}
            onChange={setWay}
          />
        </div>
      )}
      {way === 'back' && Back && (
        <Back
          plan={plan}
          kitchen={kitchen}
          onTake={(taken) => {
            replace(taken.plan);
            start.onOffer(taken.startMs);
            setWay('forward');
          }}
        />
      )}
      {way === 'back' && toTheEnd && (
        <WorkBack
          state={state}
          begun={false}
          kitchen={kitchen}
          factors={factors}
          onTake={(offer) => {
            replace(offer.plan);
            start.onOffer(offer.startMs);
            setWay('forward');
          }}
        />
      )}
      <TextInput
        label="Name"
        value={plan.name}
        maxLength={80}
        onChange={(e) => change({ name: e.currentTarget.value })}
      />
      {way === 'forward' && (
        <ClockField
          label="Start at"
          shown="Time (empty for now)"
          value={start.time}
          clearable
          width={units.clockHabit === '12h' ? 200 : 170}
          onValue={start.onTime}
        />
      )}
      {start.offeredMs !== null && start.time === '' && (
        <p role="status">
          Starts {units.time(start.offeredMs, now())}, as suggested.{' '}
          <Button variant="default" onClick={() => start.onOffer(null)}>
            Start now instead
          </Button>
        </p>
      )}
    </>
  );
}
