import type { BandForecast, MakeState } from '@morning-crock/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { MINUTE_MS, overdueSince } from '@morning-crock/core';

/** More steps than these do not fit beside the panel. */
const MANY_STEPS = 10;
const KEPT_DONE = 2;

const STATUS_WORD = { done: 'done', skipped: 'skipped', current: 'now', coming: 'to come' } as const;

/** Steps as beads on a string: done, now, to come, with times that move as things change. */
export function Beads({
  state,
  forecast,
  nowMs,
  bare = false,
}: {
  readonly state: MakeState;
  readonly forecast: BandForecast;
  readonly nowMs: number;
  /** Nothing that is foreseen is told. */
  readonly bare?: boolean;
}) {
  const units = useUnits();
  const [all, setAll] = useState(false);
  const current = state.steps.findIndex(({ status }) => status === 'current');
  // Of many steps the last ones done are enough: the present one is to be in sight.
  const hidden = !all && state.steps.length > MANY_STEPS && current > KEPT_DONE ? current - KEPT_DONE : 0;
  return (
    <ol className="beads" aria-label="Steps">
      {hidden > 0 && (
        <li className="bead done">
          <span className="dot" aria-hidden="true" />
          <button type="button" className="bead-more" onClick={() => setAll(true)}>
            Show {hidden} earlier {hidden === 1 ? 'step' : 'steps'}
          </button>
        </li>
      )}
      {state.steps.slice(hidden).map(({ step, status, endedAtMs }) => {
        const end = forecast.steps.find((s) => s.step === step.id)?.end;
        const point = forecast.point.steps.find((s) => s.id === step.id);
        const late = step.facts.whenever;
        let when = '';
        if (status === 'done' && endedAtMs !== null) when = units.time(endedAtMs, nowMs);
        else if (bare) when = '';
        else if (point?.endless) when = 'not reached';
        else if (
          status === 'current' &&
          !late &&
          ((end?.p90 != null && end.p90 <= nowMs + MINUTE_MS) ||
            (step.facts.waits && !step.facts.sours && overdueSince(state, nowMs, forecast.point) !== null))
        )
          when = 'due now';
        else if (status !== 'skipped' && end && !late) {
          when =
            end.p10 !== null && end.p90 !== null && end.p90 - end.p10 > 10 * MINUTE_MS
              ? units.span(end.p10, end.p90, nowMs)
              : end.p50 === null
                ? ''
                : `about ${units.time(end.p50, nowMs)}`;
        }
        return (
          <li
            key={step.id}
            className={`bead ${status}`}
            aria-current={status === 'current' ? 'step' : undefined}
          >
            <span className="dot" aria-hidden="true" />
            <span>
              <span className="name">{step.title}</span>
              <span className="visually-hidden">, {STATUS_WORD[status]}</span>
              <br />
              <span className="when">{status === 'skipped' ? 'skipped' : when}</span>
            </span>
          </li>
        );
      })}
    </ol>
  );
}
