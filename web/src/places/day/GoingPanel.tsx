import { doneWordsOf, type DayHands, type MakeState, formatMinutes, MINUTE_MS } from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';
import { useDayChanges } from '../../data/use-day-changes.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';
import { AddToday } from './AddToday.tsx';
import { DayPicture } from './DayPicture.tsx';
import { DayReview } from './DayReview.tsx';
import { GoingList } from './GoingList.tsx';
import { GoingSheet } from './GoingSheet.tsx';

const NOTHING_FIXED: ReadonlySet<string> = new Set();

/** The day that is going on: its timetable as it is now, what is done of it, what moved. */
export function GoingPanel({ going, nowMs }: { readonly going: KeptDay; readonly nowMs: number }) {
  const { id, day } = going;
  const { kitchen } = useMethods();
  const units = useUnits();
  const logs = useUnderWayLogs();
  const [fault, setFault] = useState<string | null>(null);
  const [picked, setPicked] = useState<string | null>(null);
  const zeroMs = Date.parse(day.zeroAt);
  const timeOf = (minute: number): string => units.time(zeroMs + minute * MINUTE_MS, nowMs);
  const makeOf = (make: string) => day.makes.find((m) => m.id === make);
  const stateOf = (make: string): MakeState | null =>
    logs.find((log) => log.state?.id === makeOf(make)?.makeId)?.state ?? null;
  /** What goes by itself wants hands at its end: what they do then, not what it did until then. */
  const actOf = (make: string, task: string, title: string): string => {
    const state = stateOf(make);
    const step = state?.steps.find((own) => own.step.id === task)?.step;
    if (!state || step?.facts.waits !== true) return title;
    return (state.current?.step.id === task && doneWordsOf(state)) || step.doneWords;
  };
  const hands = day.slots.map(({ make, task, title, cook, from, to }): DayHands => ({
    make,
    step: task,
    title,
    act: actOf(make, task, title),
    cook: kitchen.cooks.find((c) => c.id === cook)?.name ?? '',
    cookId: cook,
    from,
    to,
    holds: [],
    heldFrom: from,
    why: { notEarlier: 'others', after: null, thing: null, latest: null },
  }));
  const isDone = ({ make, step, to }: DayHands): boolean => {
    const of = makeOf(make);
    const state = stateOf(make);
    // A skimming is no make: the milk room knows of it.
    if (!of) return zeroMs + to * MINUTE_MS < nowMs;
    // It waits for the batch it is made from.
    if (of.makeId === null && of.fedBy !== undefined) return false;
    // What is not under way any more is over.
    if (!state) return true;
    const own = state.steps.find((s) => s.step.id === step);
    return own === undefined || own.status === 'done' || own.status === 'skipped';
  };
  const left = hands.filter((h) => !isDone(h)).sort((a, b) => a.from - b.from);
  const changes = useDayChanges(going);
  return (
    <section aria-label="Day in progress" className="column below-m">
      <div className="make-head">
        <h2>{day.name}, in progress</h2>
        <span className="quiet">
          {left.length === 0 ? 'all done' : `${left.length} of ${hands.length} still to do`}
        </span>
      </div>
      {day.moved.length > 0 && (
        <p role="status">
          <strong>New times.</strong> {day.because}. Steps that moved show their old time.
        </p>
      )}
      {changes.undoWords !== null && (
        <div className="row">
          <span className="quiet">{changes.undoWords}.</span>
          <Button variant="default" onClick={changes.undo}>
            Undo
          </Button>
        </div>
      )}
      {changes.refused && (
        <p className="field-error" role="alert">
          Another tablet had just changed the schedule. Look at it again, then change it.
        </p>
      )}
      {day.broken > 0 && (
        <p className="caution">
          Some steps will wait {formatMinutes(day.broken)} too long in total, and no schedule avoids this.
          Start them as soon as you can, or drop a batch.
        </p>
      )}
      <div className="day-going">
        <DayPicture
          makes={day.makes.filter((make) => hands.some((h) => h.make === make.id))}
          hands={hands}
          zeroMs={zeroMs}
          finish={Math.max(60, ...hands.map(({ to }) => to))}
          kept={day.keptFree}
          by="make"
          chosen={picked}
          fixed={NOTHING_FIXED}
          nowMs={nowMs}
          onChoose={setPicked}
        />
        <GoingList
          going={going}
          left={left}
          picked={picked}
          onPick={setPicked}
          changes={changes}
          timeOf={timeOf}
        />
        <div className="row wide day-going-more">
          <AddToday going={going} onFault={setFault} />
          <Button
            variant="default"
            h={48}
            onClick={() => void record(id, 'day-changed', { kind: 'dropped' })}
          >
            End this plan
          </Button>
          {left.length > 0 && (
            <GoingSheet
              day={day}
              left={left}
              nameOf={(make) => makeOf(make)?.name ?? 'Milk room'}
              timeOf={timeOf}
            />
          )}
        </div>
      </div>
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
      {left.length < hands.length && (
        <details>
          <summary>How it goes so far</summary>
          <DayReview day={day} nowMs={nowMs} />
        </details>
      )}
    </section>
  );
}
