import {
  formatMinutes,
  instantOfLocal,
  localDate,
  type ButterWay,
  type ButterWays,
  DAY_MS,
} from '@morning-crock/core';
import type { KitchenSettings, MakePlan } from '@morning-crock/core/contract';
import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../../data/clock.ts';
import { useUnits } from '../../../data/use-units.ts';
import { ClockField } from '../../../parts/fields/ClockField.tsx';
import { StepSlider } from '../../../parts/fields/StepSlider.tsx';
import { requestButter } from '../../../workers/kitchen-client.ts';
import '../../../parts/fields/work-back.css';
import { FindWay } from '../../../parts/fields/FindWay.tsx';

const KEY = 'butter-back';
const STANDING_WORDS = {
  room: 'Tempered at room temperature',
  cold: 'Tempered in the fridge',
  bath: 'Tempered in a water bath',
} as const;
const NO_WAY = {
  never: 'This cream will not reach the churning temperature that way. Choose another churning temperature.',
  'too-late': 'There is not enough time left. Choose a later time.',
  'nobody-there': 'Someone would be needed while everyone is asleep or away. Choose another time.',
} as const;

/** Butter by a time: when the cream comes out, with ripening and thaw before it. */
export function ButterBack(props: {
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  readonly onTake: (way: ButterWay) => void;
}) {
  const { plan, kitchen, onTake } = props;
  const units = useUnits();
  const [openedMs] = useState(now);
  const { zone } = kitchen.site;
  const [day, setDay] = useState('1');
  const [time, setTime] = useState('12:00');
  const [ripen, setRipen] = useState(false);
  const [frozen, setFrozen] = useState(false);
  const [pieceKg, setPieceKg] = useState(0.5);
  const [answer, setAnswer] = useState<ButterWays | null>(null);
  const days = Array.from({ length: 7 }, (_, i) => ({
    value: String(i),
    label: i === 0 ? 'today' : i === 1 ? 'tomorrow' : units.day(openedMs + i * DAY_MS),
  }));
  async function find(tell: (share: number) => void): Promise<void> {
    const nowMs = Math.round(now());
    const byMs = instantOfLocal(zone, localDate(zone, nowMs + Number(day) * DAY_MS), time || '12:00');
    setAnswer(null);
    const wish = { plan, kitchen, byMs, ripen, frozenPieceKg: frozen ? pieceKg : null, nowMs };
    setAnswer(await requestButter(KEY, wish, tell));
  }
  const nowMs = now();
  return (
    <section className="section work-back" aria-label="Plan from a finish time">
      <h2>When do you want the butter?</h2>
      <div className="field-row">
        <NativeSelect
          label="Day"
          data={days}
          value={day}
          onChange={(e) => setDay(e.currentTarget.value)}
          w={160}
        />
        <ClockField label="By" shown="By" value={time} onValue={setTime} />
      </div>
      <fieldset className="allowances">
        <legend className="below-s">Before churning</legend>
        {plan.milk.soured !== true && (
          <Checkbox
            label="ripen the cream first"
            checked={ripen}
            onChange={(e) => setRipen(e.currentTarget.checked)}
          />
        )}
        <Checkbox
          label="the cream is still frozen"
          checked={frozen}
          onChange={(e) => setFrozen(e.currentTarget.checked)}
        />
      </fieldset>
      {frozen && (
        <StepSlider
          label="Largest frozen piece"
          value={pieceKg}
          shown={units.mass(pieceKg)}
          min={0.1}
          max={3}
          step={0.1}
          onChange={setPieceKg}
        />
      )}
      <FindWay cancelKey={KEY} find={find} />
      {answer?.reason && (
        <p className="caution" role="alert">
          {NO_WAY[answer.reason]}
        </p>
      )}
      {answer && answer.ways.length > 0 && (
        <ol className="offers" aria-label="Options">
          {answer.ways.map((way) => (
            <li key={`${way.standing} ${way.startMs}`}>
              <div className="offer-time number">Take cream out {units.time(way.startMs, nowMs)}</div>
              <div>
                {way.thawMs !== null && (
                  <p>
                    Move to fridge to thaw by{' '}
                    <strong className="number">{units.time(way.thawMs, nowMs)}</strong>
                  </p>
                )}
                {way.ripen && (
                  <p>
                    Add starter at <strong className="number">{units.time(way.ripen.startMs, nowMs)}</strong>,
                    move to fridge about{' '}
                    <strong className="number">{units.time(way.ripen.coldMs, nowMs)}</strong>
                  </p>
                )}
                <p className="quiet">
                  {STANDING_WORDS[way.standing]}. Churn from about {units.time(way.churnMs, nowMs)}, finish
                  working about {units.time(way.doneMs, nowMs)}.{' '}
                  {way.sure
                    ? 'There is a 9 in 10 chance of finishing in time.'
                    : `Tight. There is a 1 in 10 chance of finishing after ${units.time(way.lateMs, nowMs)}.`}
                </p>
              </div>
              <Button variant="default" onClick={() => onTake(way)}>
                Use this plan
              </Button>
            </li>
          ))}
        </ol>
      )}
      <p className="quiet">
        Nothing needs you while you are asleep or away. Times are estimates, tried every {formatMinutes(10)}.
      </p>
    </section>
  );
}
