import { fromCelsius, MINUTE_MS, SET_PH, type BatchScore, type MakeState } from '@morning-crock/core';
import type { PracticeHand } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import type { CurveData } from '../../charts/curve-option.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { useUnits } from '../../data/use-units.ts';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { cameOut, decisionWords, figureWords, handWords, inDegrees } from './practice-words.ts';
import type { Session } from './session.ts';

/** Marks nearer than this share of the whole stand over each other. */
const MARK_SHARE = 0.05;

/** What was only seen or measured stands as a dot, or not at all. */
const SEEN: ReadonlySet<string> = new Set([
  'temperature-read',
  'ph-read',
  'cue-seen',
  'heat-felt',
  'stage-seen',
  'drain-weighed',
]);
const decides = (hand: PracticeHand): boolean =>
  hand.kind === 'told' ? !SEEN.has(hand.event.type) : hand.kind !== 'stir';

/** What truly went on, with what hands did on it. */
function Replay({
  session,
  no,
  score,
}: {
  readonly session: Session;
  readonly no: number;
  readonly score: BatchScore;
}) {
  const units = useUnits();
  const { hands, state } = session.current().batches[no]!;
  const { startMs } = session;
  const data = useMemo((): CurveData => {
    const fromMs = startMs;
    const toMs = startMs + (score.curve.at(-1)?.atMs ?? 0);
    let lastMs = -Infinity;
    const marks = hands.flatMap((hand) => {
      const atMs = startMs + hand.atMs;
      if (!decides(hand) || atMs > toMs || atMs - lastMs < MARK_SHARE * (toMs - fromMs)) return [];
      lastMs = atMs;
      return [{ atMs, text: handWords(hand, state, units) }];
    });
    return {
      temperature: score.curve.map(({ atMs, celsius }): readonly [number, number] => [
        startMs + atMs,
        celsius,
      ]),
      ph: score.curve.flatMap(({ atMs, ph }): (readonly [number, number])[] =>
        ph === null ? [] : [[startMs + atMs, ph]],
      ),
      band: [],
      temperatureDots: state.temperatures.map((t) => ({ atMs: t.atMs, value: t.celsius })),
      felt: [],
      phDots: state.acidity.flatMap((a) =>
        a.reading.kind === 'ph' ? [{ atMs: a.atMs, value: a.reading.ph }] : [],
      ),
      cueMarks: marks,
      setPh: SET_PH,
      setName: 'set',
      room: [],
      fromMs,
      toMs,
      unit: units.temperatureUnit,
      time: (ms) => units.clock(ms),
    };
  }, [hands, state, startMs, score, units]);
  if (data.ph.length === 0)
    return (
      <LittleCurve
        label="Temperature as it really was"
        lines={[
          {
            name: 'milk or fat',
            colour: 'clay',
            points: score.curve.map(({ atMs, celsius }) => [
              atMs / MINUTE_MS,
              fromCelsius(celsius, units.temperatureUnit),
            ]),
          },
        ]}
        xUnit="min"
        yUnit={`°${units.temperatureUnit}`}
      />
    );
  return (
    <div className="curve">
      <MakeCurve data={data} label="What really happened, with what you did" />
    </div>
  );
}

/** Heating and washing go by one model only. */
export const roughShows = ({ outcome }: BatchScore): boolean =>
  outcome.ph !== null || outcome.churnMin !== null || outcome.thick !== null;

/** One batch of a practice as it came out: its goals, what truly went on, what cost most. */
export function BatchResult(props: {
  readonly session: Session;
  readonly no: number;
  readonly score: BatchScore;
  readonly state: MakeState;
  readonly named: boolean;
}) {
  const { session, no, score, state, named } = props;
  const units = useUnits();
  return (
    <section aria-label={state.plan.name} className="practice-result">
      {named && <h2>{state.plan.name}</h2>}
      <div className="practice-columns">
        <div>
          <h3>What came out</h3>
          <table className="practice-table">
            <thead>
              <tr>
                <th scope="col">Goal</th>
                <th scope="col">You</th>
                <th scope="col">This world allowed</th>
              </tr>
            </thead>
            <tbody>
              {score.aims.map((aim) => (
                <tr key={aim.id} className={aim.met ? 'met' : 'missed'}>
                  <th scope="row">
                    {inDegrees(aim.words, units)}
                    <span className="practice-met">{aim.met ? 'Reached' : 'Missed'}</span>
                  </th>
                  <td className="number">{figureWords(aim.figure, aim.unit, units)}</td>
                  <td className="number">{figureWords(aim.allowed, aim.unit, units)}</td>
                </tr>
              ))}
              {cameOut(score, units).map((row) => (
                <tr key={row.noun}>
                  <th scope="row" className="quiet">
                    {row.noun}
                  </th>
                  <td className="number">{row.own}</td>
                  <td className="number">{row.allowed}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div>
          <h3>What really happened</h3>
          <Replay session={session} no={no} score={score} />
        </div>
      </div>
      <h3>
        {score.decisions.length > 0
          ? 'What cost most'
          : score.won
            ? 'Nothing cost you much'
            : 'No single decision would have saved it'}
      </h3>
      {score.decisions.length > 0 && (
        <ol className="practice-decisions">
          {score.decisions.map((decision, i) => (
            <li key={i}>{decisionWords(decision, state, units, session.startMs)}</li>
          ))}
        </ol>
      )}
    </section>
  );
}
