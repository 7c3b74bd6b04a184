import '../../parts/form-styles.ts';
import {
  dayNeeds,
  formatMinutes,
  instantOfLocal,
  litresOfMass,
  localDate,
  massOfLitresKg,
  plannedOf,
  planOfMethod,
  PRODUCTS,
  stateOfPlan,
  type DayAnswer,
} from '@morning-crock/core';
import type { Method } from '@morning-crock/core/contract';
import { Button, NativeSelect, Progress } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { refusalOf } from '../../data/refusal-of.ts';
import { record } from '../../data/store.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';
import { AmountField, useAsTyped } from '../../parts/AmountField.tsx';
import { ClockField } from '../../parts/ClockField.tsx';
import { DayTimeFields, useDayTime } from '../../parts/DayTime.tsx';
import { cancelForecast, requestDay, requestForecast } from '../../workers/forecast-client.ts';
import { DayPicture } from './DayPicture.tsx';
import { useDayDraft, type DayDraft } from './day-draft.ts';
import { whyWords } from './why-words.ts';
import './day.css';

const MINUTE_MS = 60_000;
const KEY = 'day';
/** Of what an amount is taken to be: near enough for a wish. */
const MILK = { fatFraction: 0.038, proteinFraction: 0.033, lactoseFraction: 0.047, ashFraction: 0.007 };
const MOST_LITRES = 60;
const MOST_MAKES = 16;

interface Asked {
  readonly id: string;
  readonly name: string;
  readonly method: Method;
  readonly litres: number;
  readonly by: string;
}

/** Makes of one name are told apart by a number. */
function asked(draft: DayDraft, methods: ReadonlyMap<string, Method>): Asked[] {
  const seen = new Map<string, number>();
  return draft.makes.flatMap(({ id, methodId, litres, by }) => {
    const method = methods.get(methodId);
    if (!method) return [];
    const { label } = PRODUCTS[method.product];
    const count = (seen.get(label) ?? 0) + 1;
    seen.set(label, count);
    return [{ id, name: count === 1 ? label : `${label} ${count}`, method, litres, by }];
  });
}

/** Several makes in one timetable: whose hands when, what waits, and why it cannot be when it cannot. */
export function DayPlace() {
  const { shown, kitchen, known } = useMethods();
  const units = useUnits();
  const asTyped = useAsTyped('volume');
  const navigate = useNavigate();
  const [draft, setDraft] = useDayDraft();
  const [methodId, setMethodId] = useState('yogurt');
  /** What was laid out last, and for what it was asked. */
  const [laid, setLaid] = useState<{ readonly wish: string; readonly answer: DayAnswer } | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [starting, setStarting] = useState(false);
  const [first] = useState(() => Math.ceil(now() / (5 * MINUTE_MS)) * 5 * MINUTE_MS);
  const at = useDayTime(first);
  const zeroMs = at.atMs;
  const makes = useMemo(
    () => asked(draft, new Map(shown.map(({ id, method }) => [id, method]))),
    [draft, shown],
  );
  const needs = useMemo(
    () => (Number.isNaN(zeroMs) ? [] : dayNeeds(makes, kitchen, new Date(zeroMs).toISOString())),
    [makes, kitchen, zeroMs],
  );
  const { days } = draft;
  /** The next time it is that time, min from the zero. */
  const minuteOf = (by: string): number | null => {
    if (!/^\d\d:\d\d$/.test(by)) return null;
    const today = instantOfLocal(kitchen.site.zone, localDate(kitchen.site.zone, zeroMs), by);
    const ms = today > zeroMs ? today : today + 24 * 60 * MINUTE_MS;
    return Math.round((ms - zeroMs) / MINUTE_MS);
  };
  const wish = JSON.stringify([
    makes.map(({ id, method, litres, by }) => [id, method.id, method.version, litres, by]),
    days,
    zeroMs,
  ]);
  const answer = laid?.answer ?? null;
  /** What is shown is what is asked: only that can be begun. */
  const current = laid?.wish === wish;
  useEffect(() => {
    if (!known || makes.length === 0 || Number.isNaN(zeroMs)) {
      setLaid(null);
      return;
    }
    let wanted = true;
    setShare(0);
    setFault(null);
    requestDay(
      KEY,
      {
        kitchen,
        zeroMs,
        days,
        makes: makes.map(({ id, name, method, litres, by }) => ({
          id,
          name,
          method,
          litres,
          by: minuteOf(by),
        })),
      },
      (done) => {
        if (wanted) setShare(done);
      },
    ).then(
      (found) => {
        if (!wanted || !found) return;
        setLaid({ wish, answer: found });
        setShare(null);
      },
      () => {
        if (!wanted) return;
        setShare(null);
        setLaid(null);
        setFault('The day cannot be worked out on this device now. What you put together is kept.');
      },
    );
    return () => {
      wanted = false;
    };
    // What is asked decides; the lists it is made of are new at each look.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wish, known, kitchen]);
  const add = (): void =>
    setDraft({
      ...draft,
      makes: [...draft.makes, { id: ulid(), methodId, litres: 2, by: '' }],
    });
  const change = (id: string, to: Partial<DayDraft['makes'][number]>): void =>
    setDraft({ ...draft, makes: draft.makes.map((make) => (make.id === id ? { ...make, ...to } : make)) });
  async function begin(): Promise<void> {
    if (!answer?.fits || !current) return;
    setStarting(true);
    setFault(null);
    let left = draft;
    for (const { id: own, name, method, litres } of makes) {
      const first = answer.hands.find((h) => h.make === own);
      const startMs = zeroMs + (first?.from ?? 0) * MINUTE_MS;
      const id = ulid();
      const plan = {
        ...planOfMethod(method, kitchen, new Date(startMs).toISOString(), litres),
        name,
      };
      const refused = await refusalOf(await record(id, 'make-started', { plan }));
      if (refused !== null) {
        setFault(`${name}: ${refused}`);
        setStarting(false);
        return;
      }
      // What is begun is not begun again, should the next one be refused.
      left = { ...left, makes: left.makes.filter((make) => make.id !== own) };
      setDraft(left);
      const forecast = await requestForecast(`planned ${id}`, {
        kind: 'plan',
        makeId: id,
        plan,
        nowMs: startMs,
      }).catch(() => null);
      if (forecast) await record(id, 'planned', { forecast: plannedOf(stateOfPlan(plan), forecast) });
    }
    await navigate('/');
  }
  const timeOf = (minute: number): string => units.time(zeroMs + minute * MINUTE_MS, zeroMs);
  const nameOf = (id: string): string => makes.find((make) => make.id === id)?.name ?? '';
  return (
    <div className="day">
      <div className="make-head">
        <h1>Day</h1>
        <span className="quiet">Several makes, one timetable</span>
      </div>
      <div className="day-parts">
        <section className="column" aria-label="What is made">
          <DayTimeFields at={at} dayLabel="Begin on" timeLabel="at" />
          <NativeSelect
            label="Within"
            value={String(days)}
            data={[1, 2, 3, 4].map((n) => ({ value: String(n), label: n === 1 ? 'one day' : `${n} days` }))}
            onChange={(event) => setDraft({ ...draft, days: Number(event.currentTarget.value) })}
          />
          <ul className="bare column" aria-label="Makes of the day">
            {makes.map(({ id, name, method, litres, by }) => (
              <li key={id} className="day-make">
                <div className="row">
                  <span className="grows">
                    <strong>{name}</strong> <span className="quiet">{method.name}</span>
                  </span>
                  <Button
                    variant="default"
                    aria-label={`${name}: take out`}
                    onClick={() => setDraft({ ...draft, makes: draft.makes.filter((m) => m.id !== id) })}
                  >
                    ×
                  </Button>
                </div>
                <div className="row">
                  <AmountField
                    label={`How much, ${name}`}
                    of={MILK}
                    by="volume"
                    amount={asTyped(massOfLitresKg(litres, MILK), MILK)}
                    check={(kg) =>
                      litresOfMass(kg, MILK) > MOST_LITRES
                        ? `That is more than ${units.volume(MOST_LITRES)}.`
                        : null
                    }
                    onAmount={(amount) => {
                      if (amount)
                        change(id, { litres: Math.round(litresOfMass(amount.massKg, MILK) * 1000) / 1000 });
                    }}
                  />
                  <ClockField
                    label={`${name} done by; empty no matter when`}
                    shown="Done by"
                    value={by}
                    onValue={(value) => change(id, { by: value })}
                  />
                </div>
              </li>
            ))}
          </ul>
          <div className="row wide">
            <NativeSelect
              label="Another"
              value={methodId}
              data={shown.map(({ id, method }) => ({
                value: id,
                label: `${PRODUCTS[method.product].label}: ${method.name}`,
              }))}
              onChange={(event) => setMethodId(event.currentTarget.value)}
            />
            <Button variant="default" h={48} disabled={makes.length >= MOST_MAKES} onClick={add}>
              Put it in
            </Button>
          </div>
        </section>
        <section className="column" aria-label="The timetable" aria-busy={share !== null}>
          {share !== null && (
            <div className="row">
              <span className="quiet">Working out the day …</span>
              <Progress value={share * 100} aria-label="Laying the day out" className="grows" />
              <Button
                variant="default"
                onClick={() => {
                  cancelForecast(KEY);
                  setShare(null);
                  setFault('Stopped. Change anything, and the day is worked out anew.');
                }}
              >
                Stop
              </Button>
            </div>
          )}
          {Number.isNaN(zeroMs) && <p className="field-error">Needs a day and a time to begin.</p>}
          {fault && (
            <p className="field-error" role="alert">
              {fault}
            </p>
          )}
          {makes.length === 0 && (
            <p className="quiet">
              Put in what you want to make: the hands, the waits and the night are laid out.
            </p>
          )}
          {answer && !answer.fits && makes.length > 0 && (
            <p className="caution" role="alert">
              {answer.why}
            </p>
          )}
          {answer?.fits && makes.length > 0 && (
            <>
              <p className="day-big">
                Done {units.time(zeroMs + answer.finish * MINUTE_MS, zeroMs)}
                <span className="quiet">
                  {' '}
                  {answer.late > 0
                    ? `${formatMinutes(answer.late)} later than wished; it does not all fit sooner`
                    : answer.finish <= answer.bound
                      ? 'there is no earlier way'
                      : `at the very best ${formatMinutes(answer.finish - answer.bound)} earlier`}
                </span>
              </p>
              <div className="row">
                <Button
                  className="great"
                  h={72}
                  loading={starting}
                  disabled={!current}
                  onClick={() => void begin()}
                >
                  Begin this day
                </Button>
              </div>
              <section aria-label="Have ready">
                <h2>Have ready</h2>
                <ul className="bare day-needs">
                  {needs.map((need) => (
                    <li key={need.what}>
                      <span className="number">
                        {'litres' in need
                          ? units.volume(need.litres)
                          : need.massKg === null
                            ? 'as the packet says'
                            : units.mass(need.massKg)}
                      </span>{' '}
                      {need.what.charAt(0).toLowerCase() + need.what.slice(1)}{' '}
                      <span className="quiet">{need.of.join(', ')}</span>
                    </li>
                  ))}
                </ul>
              </section>
              <DayPicture makes={makes} hands={answer.hands} zeroMs={zeroMs} finish={answer.finish} />
              <ol className="bare day-list" aria-label="By the clock">
                {answer.hands.map((h) => (
                  <li key={`${h.make} ${h.step}`}>
                    <span className="number">{units.time(zeroMs + h.from * MINUTE_MS, zeroMs)}</span>
                    <details>
                      <summary>
                        {h.title} <span className="quiet">{nameOf(h.make)}</span>
                      </summary>
                      <span className="quiet">{whyWords(h.why, answer.hands, nameOf, timeOf)}</span>
                    </details>
                    <span className="quiet">
                      {formatMinutes(h.to - h.from)}
                      {kitchen.cooks.length > 1 && `, ${h.cook}`}
                    </span>
                  </li>
                ))}
              </ol>
              {answer.after.length > 0 && (
                <ul className="bare" aria-label="Goes on after these days">
                  {answer.after.map(({ make, title, at: minute }) => (
                    <li key={make}>
                      {nameOf(make)} goes on: {title.toLowerCase()} about{' '}
                      <span className="number">{units.time(zeroMs + minute * MINUTE_MS, zeroMs)}</span>
                    </li>
                  ))}
                </ul>
              )}
              <p className="quiet">
                By the middle of each forecast: estimates. Milk is not taken from the milk room yet; choose it
                at each pouring. <Link to="/kitchen/people">Sleep and absences</Link> are kept free.
              </p>
            </>
          )}
        </section>
      </div>
    </div>
  );
}
