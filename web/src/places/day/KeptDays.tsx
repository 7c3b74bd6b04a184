import { planOfMethod, pourDay, wantsOf, DAY_MS } from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';
import type { MilkRoomNow } from '../../data/use-milk.ts';
import { WEEKDAYS } from '../../parts/words/weekdays.ts';
import { DayReview } from './DayReview.tsx';

/** The weekday of an instant in the kitchen, 0 Sunday. */
const weekdayOf = (day: string): number => WEEKDAYS.findIndex((name) => day.startsWith(name.slice(0, 3)));

/** Days that are kept, and those made before: one is taken again with its amounts; one of every week proposes itself. */
export function KeptDays(props: {
  readonly days: readonly KeptDay[];
  readonly room: MilkRoomNow;
  readonly nowMs: number;
  readonly onTake: (kept: KeptDay) => void;
}) {
  const { days, room, nowMs, onTake } = props;
  const { shown, kitchen } = useMethods();
  const units = useUnits();
  const [reviewed, setReviewed] = useState<string | null>(null);
  if (days.length === 0) return null;
  const soon = [weekdayOf(units.day(nowMs)), weekdayOf(units.day(nowMs + DAY_MS))];
  /** Whether the milk that is here is enough for it. */
  const enough = ({ day }: KeptDay): boolean | null => {
    if (!room.known) return null;
    const wants = day.makes.flatMap(({ id, methodId, name, litres }) => {
      const method = shown.find((m) => m.id === methodId)?.method;
      if (!method) return [];
      return wantsOf(id, { ...planOfMethod(method, kitchen, new Date(nowMs).toISOString(), litres), name });
    });
    return pourDay(room.lots, wants, [], nowMs).allocation.enough;
  };
  return (
    <section aria-label="Saved plans" className="column">
      <h2>Saved plans</h2>
      <ul className="bare">
        {days.map((kept) => {
          const { id, day } = kept;
          const proposed = day.every !== null && soon.includes(day.every);
          const milk = proposed ? enough(kept) : null;
          return (
            <li key={id} className="day-make">
              <div className="row">
                <span className="grows">
                  <strong>{day.name}</strong>{' '}
                  <span className="quiet">
                    {day.begunAt !== null
                      ? `started ${units.day(Date.parse(day.begunAt))}`
                      : day.every !== null
                        ? `every ${WEEKDAYS[day.every]}`
                        : 'kept'}
                    , {day.makes.map(({ name }) => name).join(', ')}
                  </span>
                </span>
                <Button variant={proposed ? 'filled' : 'default'} onClick={() => onTake(kept)}>
                  Use plan
                </Button>
                <Button
                  variant="default"
                  aria-label={`Delete plan: ${day.name}`}
                  onClick={() => void record(id, 'day-changed', { kind: 'dropped' })}
                >
                  ×
                </Button>
              </div>
              {day.begunAt !== null && (
                <>
                  <Button
                    variant="subtle"
                    mr="auto"
                    aria-expanded={reviewed === id}
                    onClick={() => setReviewed(reviewed === id ? null : id)}
                  >
                    How it went
                  </Button>
                  {reviewed === id && <DayReview day={day} nowMs={nowMs} />}
                </>
              )}
              {proposed && (
                <span>
                  {WEEKDAYS[day.every!]} is {soon[0] === day.every ? 'today' : 'tomorrow'}:{' '}
                  {milk === null
                    ? ''
                    : milk
                      ? 'You have enough milk for this plan.'
                      : 'Some of the milk for this plan is not in stock yet.'}
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
