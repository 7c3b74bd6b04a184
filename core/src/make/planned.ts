import type { PlannedForecast } from '../contract/index.ts';
import { placeAmbientC, placeTauH } from '../heat/index.ts';
import { MODEL_VERSION, type BandForecast } from './forecast.ts';
import type { MakeState } from './state.ts';

/** What is stored of a forecast when a make begins, so that the Daybook can compare with it for ever. */
export function plannedOf(state: MakeState, forecast: BandForecast): PlannedForecast {
  const { plan } = state;
  return {
    model: MODEL_VERSION,
    seed: forecast.stats.seed,
    members: forecast.stats.members,
    factors: {
      rate: 1,
      burnerKw: plan.burner.powerKw * plan.burner.efficiency,
      lossFactor: plan.pot.lossFactor,
      ambientC: placeAmbientC(plan.place, plan.roomC),
      tauH: placeTauH(plan.place, plan.milk.litres),
    },
    steps: forecast.steps.map(({ step, end }) => ({ step, end })),
    set: forecast.set,
    pickUp: forecast.pickUp,
    sourness: forecast.point.sourness,
    firmness: forecast.point.firmness,
    denatured: forecast.point.denatured,
    phBand: forecast.band
      .filter((_, i) => i % 2 === 0)
      .map((b) => [round(b.hour), round(b.p10), round(b.p50), round(b.p90)]),
  };
}

const round = (value: number): number => Math.round(value * 1000) / 1000;
