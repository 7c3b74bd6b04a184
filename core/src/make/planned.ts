import type { PlannedForecast } from '../contract/index.ts';
import { placeAmbientC, placeTauH } from '../science/heat/index.ts';
import { batchOf, heatingKw } from '../setup/index.ts';
import type { BandForecast } from './forecast.ts';
import { MODEL_VERSION } from './model-version.ts';
import { markBand } from './marks.ts';
import type { MakeState } from './state.ts';

/** What is stored of a forecast when a make begins, so that the Daybook can compare with it for ever. */
export function plannedOf(state: MakeState, forecast: BandForecast): PlannedForecast {
  const { plan } = state;
  return {
    model: MODEL_VERSION,
    seed: forecast.stats.seed,
    members: forecast.stats.members,
    factors: {
      rate: Math.exp(plan.factors?.rate?.value ?? 0),
      burnerKw: heatingKw(plan),
      lossFactor: plan.pot.lossFactor * Math.exp(plan.factors?.cooling?.value ?? 0),
      ambientC: placeAmbientC(plan.place, plan.roomC) + (plan.factors?.placeHeat?.value ?? 0),
      tauH: placeTauH(plan.place, batchOf(plan).litres) * Math.exp(plan.factors?.placeTau?.value ?? 0),
    },
    steps: forecast.steps.map(({ step, end }) => ({ step, end })),
    set: markBand(forecast, 'body'),
    pickUp: markBand(forecast, 'ready'),
    marks: [...forecast.marks],
    sourness: forecast.point.sourness,
    firmness: forecast.point.firmness,
    denatured: forecast.point.denatured,
    phBand: forecast.band
      .filter((_, i) => i % 2 === 0)
      .map((b) => [round(b.hour), round(b.p10), round(b.p50), round(b.p90)]),
  };
}

const round = (value: number): number => Math.round(value * 1000) / 1000;
