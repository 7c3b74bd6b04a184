import { brokeAfter, churnSpread, salted, type FatBalance, type MakeState } from '@morning-crock/core';
import type { Units } from '../../../data/units-of.ts';
import { ChurnCord } from '../../../parts/ChurnCord.tsx';
import './churned.css';

/** What a churning gave, against what it could have. */
export function fatFacts(fat: FatBalance, state: MakeState, units: Units): (readonly [string, string])[] {
  const salt =
    state.saltKg === null || fat.realKg === null
      ? null
      : salted(fat.realKg, fat.moistureFraction, state.saltKg);
  return [
    ['Possible', units.mass(fat.possibleKg)],
    ['Likely', `about ${units.mass(fat.likelyKg)}`],
    ['Buttermilk', fat.buttermilkKg === null ? 'not weighed' : units.mass(fat.buttermilkKg)],
    ['Overrun', fat.overrun === null ? '–' : `${(fat.overrun * 100).toFixed(0)} %`],
    [
      'Salt',
      salt
        ? `${(salt.saltFraction * 100).toFixed(1)} %, about ${(salt.brineFraction * 100).toFixed(0)} % in its water`
        : 'none',
    ],
    ...(state.moistureFraction === null
      ? []
      : [['Water, by pan test', `${(state.moistureFraction * 100).toFixed(1)} %`] as const]),
    ['Washed', state.rinses.length === 0 ? 'not washed' : `${state.rinses.length} ×`],
  ];
}

/** How the churning went: its stages on their cord, its minutes against what was forecast. */
export function Churned({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const step = state.steps.find((s) => s.step.facts.parts);
  if (step?.step.instance.kind !== 'churn' || step.startedAtMs === null || step.endedAtMs === null)
    return <p className="quiet">It was not churned.</p>;
  const { startedAtMs: startMs } = step;
  const seen = state.stages.map(({ stage, atMs }) => ({ stage, minutes: (atMs - startMs) / 60_000 }));
  const minutes = brokeAfter(seen) ?? (step.endedAtMs - startMs) / 60_000;
  const ends = (of: (typeof state.steps)[number]['step']) =>
    state.planned?.steps.find((p) => p.step === of.id)?.end.p50 ?? null;
  const before = state.steps[state.steps.indexOf(step) - 1];
  const from = before && ends(before.step);
  const until = ends(step.step);
  const forecast = from && until ? (until - from) / 60_000 : null;
  const spread = churnSpread(step.step.instance);
  const heat = state.temperatures.findLast((t) => t.atMs <= startMs + 2 * 60_000);
  return (
    <div className="churned">
      <ChurnCord
        nowShare={1}
        expected={forecast === null ? [1, 1] : [forecast / spread / minutes, (forecast * spread) / minutes]}
        seen={seen.map((s) => s.stage)}
      />
      <div>
        <div className="number churned-big">
          {Math.round(minutes)} <small>min</small>
        </div>
        <p>of churning until it broke, in {step.step.instance.name}</p>
        {forecast !== null && (
          <p>
            Forecast then: about {Math.round(forecast)} min{' '}
            <span className="quiet">
              ({Math.round(forecast / spread)}–{Math.round(forecast * spread)})
            </span>
          </p>
        )}
        {heat && <p>Begun at {units.temperature(heat.celsius)}, measured.</p>}
      </div>
    </div>
  );
}

/** Where the fat went, as one bar. */
export function FatBar({ fat, units }: { readonly fat: FatBalance; readonly units: Units }) {
  const { fatKg, inButterKg, inButtermilkKg, elsewhereKg } = fat;
  if (inButterKg === null || elsewhereKg === null) return null;
  const parts = [
    ['in the butter', inButterKg, 'var(--butter)'],
    ['in the buttermilk, about', inButtermilkKg ?? 0, 'var(--brush)'],
    ['elsewhere: churn, washing, or wetter butter', Math.max(0, elsewhereKg), 'var(--glaze-lo)'],
  ] as const;
  let x = 0;
  return (
    <figure className="fat-bar" aria-label={`Fat: ${units.mass(fatKg)} in the cream`}>
      <figcaption>
        Where the {units.mass(fatKg)} of fat went{' '}
        <span className="quiet">
          (butter taken at {Math.round((inButterKg / (fat.realKg ?? 1)) * 100)} % fat)
        </span>
      </figcaption>
      <svg viewBox="0 0 600 36" width="100%" height="36" preserveAspectRatio="none" aria-hidden="true">
        {parts.map(([name, kg, fill]) => {
          const width = (600 * kg) / fatKg;
          const from = x;
          x += width;
          return <rect key={name} x={from} y="1" width={width} height="34" fill={fill} stroke="var(--ink)" />;
        })}
      </svg>
      <ul>
        {parts.map(([name, kg, fill]) => (
          <li key={name}>
            <svg viewBox="0 0 18 18" width="18" height="18" aria-hidden="true">
              <rect x="1" y="1" width="16" height="16" fill={fill} stroke="var(--ink)" />
            </svg>{' '}
            <span className="number">{units.mass(kg)}</span>, {((100 * kg) / fatKg).toFixed(0)} % {name}
          </li>
        ))}
      </ul>
    </figure>
  );
}
