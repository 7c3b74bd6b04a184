import { doingOf, doneWordsOf, type DayHands, waitingIn } from '@morning-crock/core';
import type { EventType, KeptDay } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { completeStep, skipStep } from '../../data/complete-step.ts';
import { chosenCook } from '../../data/device.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import { MORE_MIN, type DayChanges } from '../../data/use-day-changes.ts';
import { useKitchen } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { FedStart } from '../../parts/goods/FedStart.tsx';

const EVERYBODY = 'all';
/** What ends with one of these is entered where it is asked for. */
const ENTERED: ReadonlySet<EventType | null> = new Set(['weighed', 'tasted', 'reserved']);

/** What is still to do of a day: each step done, put off, given to somebody else or left out where it stands. */
export function GoingList(props: {
  readonly going: KeptDay;
  readonly left: readonly DayHands[];
  readonly picked: string | null;
  readonly onPick: (key: string | null) => void;
  readonly changes: DayChanges;
  readonly timeOf: (minute: number) => string;
}) {
  const { going, left, picked, onPick, changes, timeOf } = props;
  const { day } = going;
  const kitchen = useKitchen();
  const logs = useUnderWayLogs();
  const [whose, setWhose] = useState(() => {
    const me = chosenCook();
    return me !== null && kitchen.cooks.some(({ id }) => id === me) ? me : EVERYBODY;
  });
  const many = kitchen.cooks.length > 1;
  const moved = new Map(day.moved.map((m) => [`${m.make} ${m.task}`, m]));
  const waiting = new Set(waitingIn(day).map(({ id }) => id));
  const shown = many && whose !== EVERYBODY ? left.filter(({ cookId }) => cookId === whose) : left;
  return (
    <div className="day-list column">
      {many && (
        <Choices
          legend="Whose work"
          value={whose}
          options={[
            { value: EVERYBODY, label: 'Everybody’s' },
            ...kitchen.cooks.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={setWhose}
        />
      )}
      <ol className="bare" aria-label="Still to do">
        {shown.map((h, n) => {
          const key = `${h.make} ${h.step}`;
          const of = day.makes.find(({ id }) => id === h.make);
          const state = logs.find((log) => log.state?.id === of?.makeId)?.state;
          const was = moved.get(key);
          const open = picked === null ? n === 0 : picked === key;
          const waits = waiting.has(h.make);
          const isNow = state?.current?.step.id === h.step;
          const at = state?.steps.findIndex((s) => s.step.id === h.step) ?? -1;
          const step = state?.steps[at]?.step;
          const { act } = h;
          const atItsEnd = step?.facts.waits
            ? (step.due?.text ?? state?.steps[at + 1]?.step.doing)
            : undefined;
          const doing = atItsEnd ?? (isNow ? doingOf(state) : '');
          return (
            <li key={key} className={open ? 'chosen' : ''}>
              <span className="number">{timeOf(h.from)}</span>
              <span>
                {waits ? act : <Link to={of ? `/makes/${of.makeId ?? ''}` : '/milk'}>{act}</Link>}{' '}
                <span className="quiet">{of?.name}</span>
              </span>
              <span className="quiet">
                {was ? `was ${timeOf(was.was)}` : ''}
                {many && ` ${h.cook}`}
                {!open && of && (
                  <Button
                    variant="subtle"
                    aria-label={`Change ${act}, ${of.name}`}
                    onClick={() => onPick(key)}
                  >
                    Change
                  </Button>
                )}
              </span>
              {open && isNow && <span className="quiet day-doing">{doing}</span>}
              {open && of && (state || waits) && (
                <span className="row day-actions">
                  {waits && <FedStart going={going} changes={changes} make={h.make} />}
                  {isNow &&
                    (ENTERED.has(state.current.step.facts.endedBy) ? (
                      <Button component={Link} to={`/makes/${state.id}`}>
                        Open batch
                      </Button>
                    ) : (
                      <Button onClick={() => void completeStep(state)}>{doneWordsOf(state)}</Button>
                    ))}
                  <Button variant="default" onClick={() => changes.putOff(h)}>
                    {MORE_MIN} more minutes
                  </Button>
                  {kitchen.cooks
                    .filter(({ id }) => id !== h.cookId)
                    .map((cook) => (
                      <Button key={cook.id} variant="default" onClick={() => changes.give(h, cook)}>
                        Give to {cook.name}
                      </Button>
                    ))}
                  {isNow && (
                    <Button variant="default" onClick={() => void skipStep(state.id, h.step)}>
                      Skip
                    </Button>
                  )}
                  {waits && (
                    <Button variant="default" onClick={() => changes.leaveOut(h.make)}>
                      Leave out {of.name}
                    </Button>
                  )}
                </span>
              )}
            </li>
          );
        })}
      </ol>
      {shown.length === 0 && <p className="quiet">Nothing left to do.</p>}
    </div>
  );
}
