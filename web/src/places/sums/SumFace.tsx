import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { SumDesk } from './use-sum.ts';

/** One instrument: what is turned on the left, the answer and its picture on the right. */
export function SumFace(props: {
  readonly desk: SumDesk;
  readonly controls: ReactNode;
  readonly answer: ReactNode;
  readonly answerNote?: ReactNode;
  readonly picture?: ReactNode;
  readonly facts?: readonly (readonly [string, ReactNode])[];
  readonly cautions?: readonly (string | null)[];
  /** Where the sum was asked from, when that is no make. */
  readonly backTo?: { readonly label: string; readonly to: string };
  /** How the answer goes back; `null` says why it cannot. */
  readonly back?: { readonly label: string; readonly onGive: (() => void) | null; readonly whyNot?: string };
}) {
  const { desk, controls, answer, answerNote, picture, facts, cautions, back, backTo } = props;
  return (
    <div className="sum">
      <div className="sum-controls">{controls}</div>
      <div className="sum-answer" aria-live="polite">
        <div className="sum-big number">{answer}</div>
        {answerNote && <p className="quiet">{answerNote}</p>}
        {picture}
        {facts && (
          <div className="facts">
            {facts.map(([label, value]) => (
              <div key={label} className="fact">
                <div className="label">{label}</div>
                <div className="value number">{value}</div>
              </div>
            ))}
          </div>
        )}
        {cautions
          ?.filter((text) => text !== null)
          .map((text) => (
            <p key={text} className="caution">
              {text}
            </p>
          ))}
        {backTo && (
          <Button component={Link} to={backTo.to} className="great" h={72}>
            {backTo.label}
          </Button>
        )}
        {back && desk.askedBy !== 'nobody' && (
          <div>
            <Button className="great" h={72} disabled={back.onGive === null} onClick={() => back.onGive?.()}>
              {back.label}
            </Button>
            {back.onGive === null && back.whyNot && <p className="quiet">{back.whyNot}</p>}
          </div>
        )}
      </div>
    </div>
  );
}
