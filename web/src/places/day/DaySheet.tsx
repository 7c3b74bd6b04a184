import type { DayHands } from '@morning-crock/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import type { Told } from './day-moments.ts';

const NOTHING_TOLD: Told = new Map();

/** A day for the wall: every step with its time, what to do in it, whose it is, and how long it can wait. */
export function DaySheet(props: {
  readonly name: string;
  readonly hands: readonly Pick<DayHands, 'make' | 'step' | 'act' | 'cook' | 'from' | 'why'>[];
  /** What to do in each step, by batch; worked out as it is printed. */
  readonly instructions: () => Told;
  readonly nameOf: (make: string) => string;
  readonly timeOf: (minute: number) => string;
  /** What stands over its steps. */
  readonly children?: ReactNode;
}) {
  const { name, hands, instructions, nameOf, timeOf, children } = props;
  const [told, setTold] = useState<Told>(NOTHING_TOLD);
  const latest = useRef(instructions);
  useEffect(() => {
    latest.current = instructions;
  });
  useEffect(() => {
    const tell = (): void => flushSync(() => setTold(latest.current()));
    addEventListener('beforeprint', tell);
    return () => removeEventListener('beforeprint', tell);
  }, []);
  return (
    <div className="day-sheet paper" aria-hidden="true">
      <h1>{name}</h1>
      {children}
      <table>
        <tbody>
          {hands.map((h) => (
            <tr key={`${h.make} ${h.step}`}>
              <td>☐</td>
              <td>{timeOf(h.from)}</td>
              <td>
                {h.act} <small>{told.get(h.make)?.get(h.step)}</small>
              </td>
              <td>{nameOf(h.make)}</td>
              <td>{h.cook}</td>
              <td>{h.why.latest === null ? '' : `by ${timeOf(h.why.latest)}`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        Times are estimates, from the middle of each forecast. Go by what you see in the pot.
        {hands.some(({ why }) => why.latest !== null) && ' “By” is how long a step can wait.'}
      </p>
    </div>
  );
}
