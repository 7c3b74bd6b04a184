import { formatMinutes, MINUTE_MS, type DayAnswer } from '@morning-crock/core';
import { Button, Progress } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';

type Laid = Extract<DayAnswer, { readonly fits: true }>;

/** How a schedule turned out against what was asked, in a sentence; empty where nothing was. */
function wishWords({ late, outside }: Laid, hasSession: boolean): string {
  if (late > 0) return `${formatMinutes(late)} later than you asked. No better schedule was found.`;
  if (outside > 0)
    return `${formatMinutes(outside)} of work outside your hours in the kitchen, besides short jobs.`;
  return hasSession ? 'Outside your hours in the kitchen, only short jobs.' : '';
}

/** How often something waited too long on simulated days, and when all is usually done. */
function steadyWords(
  { robustness, hands }: Laid,
  nameOf: (make: string) => string,
  timeOf: (minute: number) => string,
): string {
  const { days, clashing, worst, finish } = robustness;
  const step = hands.find((h) => h.make === worst?.make && h.step === worst.task)?.title ?? '';
  const often =
    clashing === 0
      ? `In all ${days} simulated days, nothing had to wait too long.`
      : `In ${clashing} of ${days} simulated days, something had to wait too long. Most often: ${step} (${nameOf(worst?.make ?? '')}).`;
  return `${often} Usually finished between ${timeOf(finish[0])} and ${timeOf(finish[1])}.`;
}

/** When all is done, and the button that begins it; while it is worked out, how far that is, in the same place: nothing moves under a finger. */
export function DayOutcome(props: {
  readonly answer: DayAnswer | null;
  /** How far it is worked out, 0..1; `null` when it is not. */
  readonly share: number | null;
  readonly canStart: boolean;
  readonly starting: boolean;
  readonly hasSession: boolean;
  readonly zeroMs: number;
  readonly nameOf: (make: string) => string;
  readonly timeOf: (minute: number) => string;
  readonly onStart: () => void;
  readonly onStop: () => void;
}) {
  const { answer, share, canStart, starting, hasSession, zeroMs, nameOf, timeOf, onStart, onStop } = props;
  const units = useUnits();
  return (
    <div className="day-outcome">
      {answer && !answer.fits ? (
        <p className="caution" role="alert">
          {answer.why}
        </p>
      ) : (
        <p className="day-big">
          {answer
            ? `Finished by ${units.time(zeroMs + answer.finish * MINUTE_MS, zeroMs)}`
            : 'Working out the schedule'}
        </p>
      )}
      {answer?.fits && <p className="quiet">{wishWords(answer, hasSession)}</p>}
      <div className="row">
        <Button className="great" h={72} loading={starting} disabled={!canStart} onClick={onStart}>
          Start all batches
        </Button>
      </div>
      <div className="day-under">
        {share !== null ? (
          <div className="row">
            <span className="quiet">Working out the schedule …</span>
            <Progress value={share * 100} aria-label="Working out the schedule" className="grows" />
            <Button variant="default" onClick={onStop}>
              Stop
            </Button>
          </div>
        ) : (
          answer?.fits && <p className="quiet">{steadyWords(answer, nameOf, timeOf)}</p>
        )}
      </div>
    </div>
  );
}
