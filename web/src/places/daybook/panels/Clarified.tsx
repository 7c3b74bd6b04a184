import {
  likelyKg,
  panNow,
  yieldOf,
  type MakeState,
  MINUTE_MS,
  PAN_TOLD,
  makeAt,
  told,
} from '@morning-crock/core';
import type { Units } from '../../../data/units-of.ts';
import './churned.css';

/** What a pan of ghee could give and gave, and the water that went. */
export function gheeFacts(state: MakeState, units: Units): (readonly [string, string])[] {
  const likely = likelyKg(state);
  const pan = panNow(makeAt(state, state.finished?.atMs ?? state.startedAtMs));
  if (likely === null || !pan) return [];
  const { milkKg, outKg } = yieldOf(state);
  const [first, last] = [told(state, PAN_TOLD).weighed[0], told(state, PAN_TOLD).weighed.at(-1)];
  const gone = first && last && first !== last ? first.massKg - last.massKg : null;
  return [
    ['Estimated', `about ${units.mass(likely)}`],
    [
      'Water boiled off',
      gone === null ? `about ${units.mass(pan.forecast.waterKg)}` : `${units.mass(gone)}, weighed`,
    ],
    ...(outKg === null
      ? []
      : [
          [
            'Solids, foam and left in the pan',
            `about ${units.mass(Math.max(0, milkKg - outKg - (gone ?? pan.forecast.waterKg)))}`,
          ] as const,
        ]),
  ];
}

/** How the clarifying went: its minutes on the fire against what was forecast, and how hot it came off. */
export function Clarified({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const pan = panNow(makeAt(state, state.finished?.atMs ?? state.startedAtMs));
  const endedMs = pan?.step.endedAtMs;
  if (!pan || !endedMs) return <p className="quiet">This batch was not clarified.</p>;
  const minutes = (endedMs - pan.startMs) / MINUTE_MS;
  const planned = state.planned?.steps.find((s) => s.step === pan.step.step.id)?.end;
  const from = planned?.p10 && (planned.p10 - pan.startMs) / MINUTE_MS;
  const to = planned?.p90 && (planned.p90 - pan.startMs) / MINUTE_MS;
  const hottest = state.temperatures
    .filter((t) => t.atMs >= pan.startMs && t.atMs <= endedMs)
    .reduce<number | null>((most, t) => Math.max(most ?? t.celsius, t.celsius), null);
  return (
    <div className="churned">
      <div>
        <div className="number churned-big">
          {Math.round(minutes)} <small>min</small>
        </div>
        <p>
          on {state.plan.burner.name}
          {hottest !== null && `, up to ${units.temperature(hottest)}`}
        </p>
        {from && to && (
          <p className="quiet">
            Forecast: {Math.round(from)}–{Math.round(to)} min
          </p>
        )}
      </div>
    </div>
  );
}
