import { clockTime, localDate } from '@morning-crock/core';
import { use, useState } from 'react';
import { now } from '../../data/clock.ts';
import { useKitchen } from '../../data/use-units.ts';
import { instantOfFields } from '../../data/instant-of-fields.ts';
import { ClockField } from '../fields/ClockField.tsx';
import { DayField } from '../fields/DayField.tsx';
import { TriedContext } from '../fields/tried.ts';

/** Clocks differ a little. */
const SLACK_MS = 60_000;

/** A day and a time of the kitchen's clock as they are typed. */
export interface DayTime {
  readonly date: string;
  readonly time: string;
  /** NaN while one of them is half typed. */
  readonly atMs: number;
  /** Whether it says another minute than it began with. */
  readonly changed: boolean;
  readonly setDate: (date: string) => void;
  readonly setTime: (time: string) => void;
}

/** A day and a time to be typed, beginning with an instant. */
export function useDayTime(initialMs: number, initialTime?: string): DayTime {
  const { zone } = useKitchen().site;
  const [first] = useState(() => ({
    date: localDate(zone, initialMs),
    time: initialTime ?? clockTime(zone, initialMs),
  }));
  const [date, setDate] = useState(first.date);
  const [time, setTime] = useState(first.time);
  return {
    date,
    time,
    atMs: instantOfFields(zone, date, time),
    changed: date !== first.date || time !== first.time,
    setDate,
    setTime,
  };
}

/** The two fields, side by side; of what happened they say when they are empty, or not been yet. */
export function DayTimeFields(props: {
  readonly at: DayTime;
  readonly dayLabel?: string;
  readonly timeLabel?: string;
  readonly happened?: boolean;
}) {
  const { at, dayLabel = 'Day', timeLabel = 'Time', happened = false } = props;
  const tried = use(TriedContext);
  let fault: string | null = null;
  if (happened && tried && Number.isNaN(at.atMs)) fault = 'Enter a day and a time.';
  else if (happened && at.changed && at.atMs > now() + SLACK_MS)
    fault = 'This time is in the future. Check the day and time.';
  return (
    <div>
      <div className="field-row">
        <DayField label={dayLabel} value={at.date} onValue={at.setDate} error={fault !== null} />
        <ClockField
          label={timeLabel}
          shown={timeLabel}
          value={at.time}
          onValue={at.setTime}
          error={fault !== null}
        />
      </div>
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
    </div>
  );
}
