import { planInstructions, type DayHands } from '@morning-crock/core';
import type { DayDoc } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import { now } from '../../data/clock.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import { saveFile } from '../../parts/print/save-file.ts';
import { dayMoments, type Told } from './day-moments.ts';
import { DaySheet } from './DaySheet.tsx';

/** What is left of a day that is going on, on paper and in a calendar: as it is now, not as it was planned. */
export function GoingSheet(props: {
  readonly day: DayDoc;
  readonly left: readonly DayHands[];
  readonly nameOf: (make: string) => string;
  readonly timeOf: (minute: number) => string;
}) {
  const { day, left, nameOf, timeOf } = props;
  const logs = useUnderWayLogs();
  const [printing, setPrinting] = useState(false);
  const instructions = (): Told =>
    new Map(
      day.makes.flatMap(({ id, makeId, plan: waiting }) => {
        const plan = logs.find(({ state }) => state?.id === makeId)?.state?.plan ?? waiting;
        return plan ? [[id, planInstructions(plan)] as const] : [];
      }),
    );
  const name = `${day.name}, what is left`;
  return (
    <>
      <Button
        variant="default"
        h={48}
        onClick={() => {
          // Only then does it stand in the page: a day that is being planned has a sheet of its own.
          flushSync(() => setPrinting(true));
          print();
          setPrinting(false);
        }}
      >
        Print what is left
      </Button>
      <Button
        variant="default"
        h={48}
        onClick={() =>
          void import('./day-calendar.ts').then(({ dayCalendar }) => {
            const moments = dayMoments(
              { hands: left, after: [] },
              { zeroMs: Date.parse(day.zeroAt), nameOf, told: instructions() },
            );
            saveFile('day.ics', new Blob([dayCalendar(name, moments, now())], { type: 'text/calendar' }));
          })
        }
      >
        Add what is left to calendar
      </Button>
      {printing && (
        <div className="day-going-sheet">
          <DaySheet name={name} hands={left} instructions={instructions} nameOf={nameOf} timeOf={timeOf} />
        </div>
      )}
    </>
  );
}
