import { goodThawHours, pieceOf, DAY_MS, HOUR_MS } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { useNow } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { DayTimeFields, useDayTime } from '../../parts/words/DayTime.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { firstSome, SomeField, type Form, type Some } from './TakeForm.tsx';

const WANTED_AT = '08:00';

/** Frozen goods wanted thawed on some day: when they must come out of the freezer is worked out, and told in time. */
export function ThawForForm(props: Form) {
  const { good, stock, onDone } = props;
  const units = useUnits();
  const nowMs = useNow(60_000);
  const [some, setSome] = useState<Some | null>(() => firstSome(good, stock));
  const [openedMs] = useState(nowMs);
  const ready = useDayTime(openedMs + 2 * DAY_MS, WANTED_AT);
  const [tried, setTried] = useState(false);
  const hours = some ? goodThawHours(good, Math.min(some.massKg, pieceOf(good, stock))) : 0;
  const outMs = ready.atMs - hours * HOUR_MS;
  const past = !(ready.atMs > nowMs);
  return (
    <EntryForm
      label="Plan thawing"
      onEntry={() => {
        setTried(true);
        if (!some || past) return;
        void record(good.id, 'larder-moved', {
          kind: 'thaw-for',
          from: { place: stock.place, size: stock.size },
          ...some,
          readyAt: new Date(ready.atMs).toISOString(),
        }).then(onDone);
      }}
    >
      <SomeField {...props} some={some} onSome={setSome} />
      <DayTimeFields at={ready} dayLabel="Ready on" />
      {tried && past && (
        <p className="field-error" role="alert">
          Enter a day and time in the future.
        </p>
      )}
      <p role="status">
        {past
          ? ''
          : outMs > nowMs
            ? `Move to the fridge by ${units.time(outMs, nowMs)}. Thawing takes up to ${Math.round(hours)} h there.`
            : `Too late. Thawing takes up to ${Math.round(hours)} h in the fridge. Choose a later time.`}
      </p>
      <Button type="submit" h={72}>
        Set reminder
      </Button>
    </EntryForm>
  );
}
