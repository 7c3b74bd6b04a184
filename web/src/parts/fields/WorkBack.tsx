import {
  afterSouring,
  formatMinutes,
  instantOfLocal,
  localDate,
  type Allowed,
  type BackwardsAnswer,
  type MakeState,
  type Offer,
  DAY_MS,
} from '@morning-crock/core';
import type { Factor, KitchenSettings } from '@morning-crock/core/contract';
import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from './Choices.tsx';
import { requestPlan } from '../../workers/kitchen-client.ts';
import { noWayWords, offerWords } from '../words/offer-words.ts';
import { FindWay } from './FindWay.tsx';
import './work-back.css';
import { ClockField } from './ClockField.tsx';

const KEY = 'work-back';
const ALLOWANCES: readonly (readonly [keyof Allowed, string])[] = [
  ['dose', 'a different dose'],
  ['place', 'a different warm place'],
  ['heat', 'a different dial setting'],
  ['bath', 'a cold-water bath'],
  ['sourer', 'a sourer result'],
];

/** Works back from when it is wanted, and offers up to three ways with their price. */
export function WorkBack(props: {
  readonly state: MakeState;
  readonly begun: boolean;
  readonly kitchen: KitchenSettings;
  readonly factors: readonly Factor[];
  readonly onTake: (offer: Offer) => void;
}) {
  const { state, begun, kitchen, factors, onTake } = props;
  const units = useUnits();
  const [openedMs] = useState(now);
  const { zone } = kitchen.site;
  const [goal, setGoal] = useState<'eat' | 'set'>(begun ? 'set' : 'eat');
  const [day, setDay] = useState(begun ? '0' : '1');
  const [time, setTime] = useState(begun ? '21:00' : '07:00');
  const [allowed, setAllowed] = useState<Allowed>({
    dose: true,
    place: true,
    heat: true,
    bath: true,
    sourer: false,
  });
  const [answer, setAnswer] = useState<{ answer: BackwardsAnswer; byMs: number } | null>(null);
  const days = Array.from({ length: 5 }, (_, i) => ({
    value: String(i),
    label: i === 0 ? 'today' : i === 1 ? 'tomorrow' : units.day(openedMs + i * DAY_MS),
  }));
  async function find(tell: (share: number) => void): Promise<void> {
    const nowMs = Math.round(now());
    const byMs = instantOfLocal(zone, localDate(zone, nowMs + Number(day) * DAY_MS), time || '07:00');
    setAnswer(null);
    const wish = { goal, byMs };
    const found = await requestPlan(KEY, { state, begun, kitchen, factors, wish, allowed, nowMs }, tell);
    if (found) setAnswer({ answer: found, byMs });
  }
  const nowMs = now();
  return (
    <section className="section work-back" aria-label="Plan backwards">
      <h2>{begun ? 'Plan the remaining steps' : 'When should this batch be ready?'}</h2>
      <div className="field-row">
        <Choices
          legend="Ready means"
          value={goal}
          options={[
            { value: 'eat', label: 'chilled, ready to eat' },
            { value: 'set', label: 'set' },
          ]}
          onChange={setGoal}
        />
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
        <legend className="below-s">I can accept</legend>
        {ALLOWANCES.map(([key, label]) => (
          <Checkbox
            key={key}
            label={label}
            checked={allowed[key]}
            onChange={(e) => setAllowed({ ...allowed, [key]: e.currentTarget.checked })}
          />
        ))}
      </fieldset>
      <FindWay cancelKey={KEY} find={find} />
      {answer?.answer.outcome === 'none' && (
        <p className="caution" role="alert">
          {noWayWords(answer.answer.reason ?? 'too-late', answer.answer.earliestMs, units, nowMs)}
        </p>
      )}
      {answer && answer.answer.offers.length > 0 && (
        <ol className="offers" aria-label="Options">
          {answer.answer.offers.map((offer) => (
            <li key={offerWords(offer, units, nowMs) + String(offer.startMs)}>
              <div className="offer-time number">
                {begun ? offerWords(offer, units, nowMs) : `Start ${units.time(offer.startMs, nowMs)}`}
              </div>
              <div>
                {!begun && <p>{offerWords(offer, units, nowMs)}</p>}
                <p className="quiet">
                  Sets {units.span(offer.set.p10, offer.set.p90, nowMs)}.{' '}
                  {offer.overnight
                    ? `${afterSouring(state)} at ${units.time(offer.takenOutMs, nowMs)}, when somebody is there. Will taste about ${offer.sourness}.`
                    : `${afterSouring(state)} ${units.span(offer.pickUp.p10, offer.pickUp.p90, nowMs)}. Will taste ${offer.sourness}.`}
                  {goal === 'eat' && ` Chilled about ${units.time(offer.readyMs, nowMs)}.`}
                </p>
                <p className="quiet">
                  {offer.sure
                    ? 'Ready by then nine times in ten.'
                    : `Tight. At least one time in ten the batch will be later than ${units.time(answer.byMs, nowMs)}.`}
                </p>
              </div>
              <Button variant="default" onClick={() => onTake(offer)}>
                Use this plan
              </Button>
            </li>
          ))}
        </ol>
      )}
      <p className="quiet">
        Nothing needs you while you are asleep or away. Start times were tried every {formatMinutes(10)}. All
        times are estimates.
      </p>
    </section>
  );
}
