import {
  COMPLAINTS,
  souringOf,
  slowChurning,
  makeAt,
  type ClueId,
  type ComplaintId,
  type LoggedEvent,
  type MakeState,
  type Suspect,
} from '@morning-crock/core';
import '@mantine/core/styles/Progress.css';
import { Button, Progress } from '@mantine/core';
import type { ReactNode } from 'react';
import { Remedies } from '../../parts/tables/Remedies.tsx';
import { AskCard, type ReadingTaken } from './AskCard.tsx';
import { CauseList } from './CauseList.tsx';
import { BoilItOff } from './BoilItOff.tsx';
import { DrainIt } from './DrainIt.tsx';
import { KneadIt } from './KneadIt.tsx';
import { NextTime } from './NextTime.tsx';
import { Rescues } from './Rescues.tsx';
import { WheyBack } from './WheyBack.tsx';
import { useWhy } from './use-why.ts';
import './why.css';

const NOTHING: readonly Suspect[] = [];

/** What went wrong with a batch that is complained of: what comes first, causes, what would tell, what to do, next time. */
export function WhyFace(props: {
  readonly state: MakeState;
  readonly events: readonly LoggedEvent[];
  readonly complaint: ComplaintId;
  readonly answers: Readonly<Partial<Record<ClueId, number>>>;
  readonly settled: Suspect | undefined;
  /** What the same complaint turned out to be in other batches of this kitchen. */
  readonly before?: readonly Suspect[];
  readonly nowMs: number;
  /** It is a batch of the kitchen; else it was never entered, and nothing is kept of it. */
  readonly entered: boolean;
  /** What the kitchen's other batches say of it. */
  readonly beside?: ReactNode;
  readonly onAnswer: (clue: ClueId, answer: number) => void;
  readonly onTaken: (taken: ReadingTaken) => void;
  readonly onSettle: (cause: Suspect) => void;
  readonly onForget: () => void;
}) {
  const { state, events, complaint, answers, settled, before = NOTHING, nowMs, entered } = props;
  const { answer, share, failed, again } = useWhy({
    makeId: state.id,
    events,
    complaint,
    answers,
    nowMs,
    settled: before,
  });
  const { discard } = COMPLAINTS[complaint];
  const over = answer?.safety?.verdict === 'over';
  const slow = complaint === 'no-butter' ? slowChurning(makeAt(state, nowMs)) : null;
  const top = settled === undefined ? answer?.causes[0]?.cause : settled;
  return (
    <>
      {discard && (
        <p className="caution stop larger above-m below-m" role="alert">
          {discard}
        </p>
      )}
      {over && (
        <p className="caution stop larger above-m below-m" role="alert">
          {answer.safety.text}
        </p>
      )}
      {failed && (
        <div className="row">
          <p role="alert">This device could not work it out. Everything you entered is safe.</p>
          <Button variant="default" onClick={again}>
            Try again
          </Button>
        </div>
      )}
      {share !== null && (
        <div className="why-works" role="status">
          <span className="quiet">Comparing the log with what may have happened …</span>
          <Progress value={Math.round(100 * share)} aria-label="Working it out" />
        </div>
      )}
      {answer && (
        <div className={share === null ? 'why' : 'why fading'}>
          <div>
            <CauseList causes={answer.causes} settled={settled} onSettle={props.onSettle} />
            <p className="quiet above-s">
              Estimates, from this batch’s entries and what is known of such faults
              {before.length > 0 && ` (${before.length} settled in this kitchen)`}.
            </p>
          </div>
          <div className="column ask-column">
            {answer.ask && settled === undefined && (
              <AskCard
                ask={answer.ask}
                cues={souringOf(state)?.cues ?? []}
                onAnswer={props.onAnswer}
                onTaken={props.onTaken}
              />
            )}
            {!over && answer.rescues.length > 0 && (
              <Rescues
                state={state}
                rescues={answer.rescues}
                nowMs={nowMs}
                limitMs={answer.safety?.limitAtMs ?? null}
                planned={entered}
              />
            )}
            {slow && slow.remedies.length > 0 && (
              <section aria-label="What to do now" className="rescues">
                <h2>What to do now</h2>
                <Remedies makeId={state.id} remedies={slow.remedies} taken={entered} />
              </section>
            )}
            {!over && <DrainIt state={state} complaint={complaint} nowMs={nowMs} />}
            <BoilItOff state={state} complaint={complaint} nowMs={nowMs} />
            <KneadIt state={state} complaint={complaint} nowMs={nowMs} />
            {!over && complaint === 'too-dry' && <WheyBack state={state} nowMs={nowMs} taken={entered} />}
            {!discard && top !== undefined && (
              <NextTime
                state={state}
                complaint={complaint}
                cause={top}
                placeOffC={answer.placeOffC}
                entered={entered}
                over={over}
              />
            )}
            {props.beside}
            {Object.keys(answers).length > 0 && (
              <Button variant="default" className="at-the-start" onClick={props.onForget}>
                Undo last answer
              </Button>
            )}
          </div>
        </div>
      )}
    </>
  );
}
