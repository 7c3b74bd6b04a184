import { clockTime, localDate } from '@morning-crock/core';
import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { useKitchen } from '../app/use-units.ts';
import { instantOfFields } from './instant-of-fields.ts';

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

/** The two fields, side by side. */
export function DayTimeFields(props: {
  readonly at: DayTime;
  readonly dayLabel?: string;
  readonly timeLabel?: string;
}) {
  const { at, dayLabel = 'Day', timeLabel = 'Time' } = props;
  return (
    <div className="field-row">
      <TextInput
        type="date"
        label={dayLabel}
        value={at.date}
        onChange={(e) => at.setDate(e.currentTarget.value)}
        w={190}
      />
      <TextInput
        type="time"
        label={timeLabel}
        value={at.time}
        onChange={(e) => at.setTime(e.currentTarget.value)}
        w={140}
      />
    </div>
  );
}
