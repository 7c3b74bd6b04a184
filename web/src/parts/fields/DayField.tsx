import { DateInput } from '@mantine/dates';
import './popover-styles.ts';
import '@mantine/dates/styles.css';
import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import type { ReactNode } from 'react';
import { useUnits } from '../../data/use-units.ts';

dayjs.extend(customParseFormat);

const ISO = 'YYYY-MM-DD';

/** A day, "YYYY-MM-DD", typed in this kitchen's order or picked; empty while it is none. */
export function DayField(props: {
  readonly label: string;
  readonly value: string;
  readonly onValue: (day: string) => void;
  readonly error?: ReactNode;
}) {
  const { label, value, onValue, error } = props;
  const { dayHabit } = useUnits();
  return (
    <DateInput
      size="lg"
      label={label}
      value={value === '' ? null : value}
      valueFormat={dayHabit}
      placeholder={dayHabit.toLowerCase()}
      // Only what is a whole day in this order counts: half of one is none.
      dateParser={(text) => {
        const read = dayjs(text.trim(), dayHabit, true);
        return read.isValid() ? read.format(ISO) : null;
      }}
      onChange={(day) => onValue(day ?? '')}
      firstDayOfWeek={1}
      // Gone at once: a calendar that fades still takes the tap meant for what is under it.
      popoverProps={{ transitionProps: { duration: 0 } }}
      clearable
      clearButtonProps={{ 'aria-label': `Clear ${label}` }}
      error={error}
      w={190}
    />
  );
}
