import { TimePicker } from '@mantine/dates';
import './popover-styles.ts';
import '@mantine/dates/styles.css';
import type { ReactNode } from 'react';
import { useUnits } from '../../data/use-units.ts';

/** A time of day, "HH:MM", typed as this kitchen reads a clock; empty while it is half typed. */
export function ClockField(props: {
  readonly label: string;
  /** Left out, the label is only spoken. */
  readonly shown?: ReactNode;
  readonly value: string;
  readonly onValue: (time: string) => void;
  readonly error?: ReactNode;
  readonly clearable?: boolean;
  readonly width?: number;
}) {
  const { label, shown, value, onValue, error, clearable = false, width } = props;
  const { clockHabit } = useUnits();
  return (
    <TimePicker
      size="lg"
      label={shown}
      format={clockHabit}
      hoursInputLabel={`${label}, hours`}
      minutesInputLabel={`${label}, minutes`}
      amPmInputLabel={`${label}, morning or afternoon`}
      value={value}
      onChange={onValue}
      error={error}
      clearable={clearable}
      clearButtonProps={{ 'aria-label': `Clear ${label}` }}
      w={width ?? (clockHabit === '12h' ? 190 : 140)}
    />
  );
}
