import {
  factorsFor,
  makeFlow,
  factorWords,
  formatMinutes,
  markBand,
  markMs,
  markWords,
  placeThatWould,
  reachesOf,
  reachWords,
  methodSteps,
  productOf,
  afterSouring,
  isHeated,
  souringOf,
  soursToTheEnd,
  type Sourness,
  HOUR_MS,
  capital,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useFactorsQuery } from '../../data/api.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { useMemo } from 'react';
import { WithTerms } from '../../parts/words/WithTerms.tsx';
import { MiniCurve } from './MiniCurve.tsx';
import { TradeOff } from './panels/TradeOff.tsx';
import { ownOutlookOf } from './panels/OwnOutlook.tsx';
import type { Planning } from './use-plan.ts';
import './learned-line.css';

const THICKNESS_RANK = { thin: 0, pourable: 1, spoonable: 2, firm: 3 } as const;
const isFirmness = (word: string): word is keyof typeof THICKNESS_RANK => Object.hasOwn(THICKNESS_RANK, word);

/** Why it comes out as it does, in one or two sentences. */
function whyOf({ plan, point, state }: Planning, sourness: Sourness): string {
  const souring = souringOf(state);
  if (!souring || !soursToTheEnd(state)) return '';
  const got = souring.bodyWord(point.firmness);
  const taken = point.marks.some(({ role, atMs }) => role === 'ready' && atMs === null)
    ? `Left in the warm place it ends at about pH ${point.pickUpPh.toFixed(1)}.`
    : `${afterSouring(state)} when ${sourness}, at about pH ${point.pickUpPh.toFixed(1)}.`;
  if (!isFirmness(got)) return `After a night in the fridge: about ${got}. ${taken}`;
  if (!isHeated(plan)) return `Milk that is not heated sets ${got}. ${taken}`;
  const unfolded = `about ${Math.round(point.denatured * 100)} % of the whey protein unfolds`;
  // Drained, it becomes as thick as it is left to.
  const drained = state.steps.some(({ step }) => step.facts.uses?.includes('cloth'));
  const firm =
    !drained && THICKNESS_RANK[got] < THICKNESS_RANK[plan.wanted.thickness]
      ? `Softer than you want: ${unfolded}. Hold at a higher temperature or for longer, or use richer milk.`
      : `${capital(unfolded)}, so the set will be ${got}.`;
  return `${firm} ${taken}`;
}

/** What this kitchen's makes taught of the things this plan uses; nothing when they taught nothing yet. */
function LearnedLine({ plan }: { readonly plan: MakePlan }) {
  const units = useUnits();
  const { data = [] } = useFactorsQuery();
  const used = data.filter((f) => Object.keys(factorsFor(plan, [f])).length > 0);
  if (used.length === 0) return null;
  return (
    <details className="learned-line">
      <summary>Adjusted from your own batches</summary>
      <ul>
        {used.map((f) => (
          <li key={`${f.kind} ${f.thing}`}>
            {f.name}: {factorWords(f, units.temperatureUnit)}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** When it is ready, and when it sets. */
function Ready({ planning, fading }: { readonly planning: Planning; readonly fading: boolean }) {
  const { plan, point, band, stale, state } = planning;
  const units = useUnits();
  const zeroMs = Date.parse(plan.startAt);
  const mark = markWords(state, 'body');
  const [setMs, readyMs] = [markMs(point, 'body'), markMs(point, 'ready')];
  const known = band && !stale ? band : null;
  const ready = known && markBand(known, 'ready');
  const set = known && markBand(known, 'body');
  const hours = readyMs === null ? null : (readyMs - point.inoculationMs) / HOUR_MS;
  const { places } = useKitchen();
  const reached = useMemo(
    () =>
      readyMs === null
        ? reachWords({
            reached: reachesOf(state, point),
            wanted: plan.wanted.sourness,
            body: mark,
            placeName: plan.place.name,
            other: placeThatWould(plan, places),
            when: (ms) => `about ${units.time(ms, zeroMs)}`,
          })
        : null,
    [readyMs, state, point, plan, mark, places, units, zeroMs],
  );
  return (
    <div>
      <div className="quiet">
        Ready, {plan.wanted.leastH === undefined ? plan.wanted.sourness : `${point.sourness} by then`}
      </div>
      <div className={`band number ${fading ? 'fading' : ''}`}>
        {readyMs === null
          ? 'not reached'
          : ready
            ? units.span(ready.p10, ready.p90, zeroMs)
            : `about ${units.time(readyMs, zeroMs)}`}
      </div>
      <div className="quiet">
        {setMs === null
          ? ''
          : `${mark} ${set ? units.span(set.p10, set.p90, zeroMs) : `about ${units.time(setMs, zeroMs)}`}`}
        {hours !== null &&
          `, ${formatMinutes(hours * 60)} ${plan.place.kind === 'room' ? 'at room temperature' : 'in the warm place'}`}
      </div>
      {readyMs === null && <p className="caution">{reached}</p>}
    </div>
  );
}

/** When nothing of it waits any more, and what it gives. */
function Done({ planning, fading }: { readonly planning: Planning; readonly fading: boolean }) {
  const { point, state } = planning;
  const units = useUnits();
  const zeroMs = Date.parse(planning.plan.startAt);
  const ends = state.steps.flatMap(({ step }) => {
    const time = point.steps.find((s) => s.id === step.id);
    return step.facts.whenever || !time ? [] : [time];
  });
  const endMs = Math.max(zeroMs, ...ends.map((time) => time.endMs));
  const never = ends.some((time) => time.endless);
  const handsMin = state.steps.reduce((sum, { step }) => sum + step.handsMin, 0);
  return (
    <div>
      <div className="quiet">{productOf(planning.plan).label} ready</div>
      <div className={`band number ${fading ? 'fading' : ''}`}>
        {never ? 'not reached' : `about ${units.time(endMs, zeroMs)}`}
      </div>
      <div className="quiet">about {formatMinutes(handsMin)} hands-on until then</div>
    </div>
  );
}

/** What it parts into, where it does. */
function Parts({ planning: { state, point } }: { readonly planning: Planning }) {
  const units = useUnits();
  const gelMs = point.marks.find(({ role }) => role === 'gel')?.atMs ?? null;
  const flow = makeFlow(
    state,
    point.denatured,
    gelMs === null ? null : (gelMs - point.inoculationMs) / HOUR_MS,
  );
  const sum = (what: string): number =>
    flow.off.reduce((kg, part) => kg + (part.what === what ? part.massKg : 0), 0);
  const off = (['whey', 'buttermilk'] as const).flatMap((what) =>
    sum(what) > 0.02 ? [`${units.mass(sum(what))} of ${what}`] : [],
  );
  if (off.length === 0) return null;
  return (
    <p>
      <strong>
        About {units.mass(flow.out.massKg)} of {productOf(state.plan).goods.out}
      </strong>{' '}
      <span className="quiet">and {off.join(', ')}.</span>
    </p>
  );
}

/** What the plan will become: times, set, sourness, firmness, and what speaks against it. */
export function Outlook({
  planning,
  faulty,
  onStart,
  starting,
  refusal,
}: {
  readonly planning: Planning;
  readonly faulty: boolean;
  readonly onStart: () => void;
  readonly starting: boolean;
  /** Why the server did not take the start. */
  readonly refusal: string | null;
}) {
  const { plan, point, band, stale, bandFailed, advice } = planning;
  const fading = stale && !bandFailed;
  const units = useUnits();
  const zeroMs = Date.parse(plan.startAt);
  const stopped = advice.some((a) => a.severity === 'stop');
  const souring = souringOf(planning.state);
  const toTheEnd = soursToTheEnd(planning.state);
  const Own = ownOutlookOf(plan);
  const body = souring?.marks(plan).find((mark) => mark.role === 'body');
  const ends = methodSteps(plan).flatMap(({ id, endWords }) => {
    const time = point.steps.find((s) => s.id === id);
    return endWords !== undefined && time ? [{ ...time, endWords }] : [];
  });
  return (
    <aside className="outlook" aria-label="Forecast">
      <div className="outlook-first">
        {toTheEnd ? (
          <Ready planning={planning} fading={fading} />
        ) : Own ? (
          <Own planning={planning} fading={fading} />
        ) : (
          <Done planning={planning} fading={fading} />
        )}
        <Parts planning={planning} />
        <Button className="great" h={72} onClick={onStart} disabled={stopped || faulty} loading={starting}>
          Start batch
        </Button>
        {refusal && (
          <p className="caution stop" role="alert">
            The batch did not start. {refusal}
          </p>
        )}
        {(stopped || faulty) && (
          <p className="field-error">
            {faulty ? 'Correct the marked field first.' : 'This batch cannot start yet.'}
          </p>
        )}
      </div>
      <div className="outlook-more">
        {bandFailed && (
          <p className="quiet" role="status">
            The margin of error cannot be worked out right now. Only the middle line is shown.
          </p>
        )}
        {body && <MiniCurve point={point} band={band} body={body} stale={fading} />}
        <div className="facts">
          {ends.map((s) => (
            <div key={s.id} className="fact">
              <div className="label">{s.endWords}</div>
              <div className="value number">{s.endless ? 'never' : units.time(s.endMs, zeroMs)}</div>
            </div>
          ))}
          {souring && body && (
            <div className="fact">
              <div className="label">{souring.words.body.toLowerCase()}</div>
              <div className="value">about {souring.bodyWord(point.firmness)}</div>
            </div>
          )}
        </div>
        <p className="quiet">
          <WithTerms text={whyOf(planning, point.sourness)} />
        </p>
        <TradeOff plan={plan} />
        <LearnedLine plan={plan} />
      </div>
    </aside>
  );
}
