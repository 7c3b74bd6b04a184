import type { MakePlan } from '../../contract/index.ts';
import { warmCulture } from '../../science/souring/index.ts';
import { placeAmbientC } from '../../science/heat/index.ts';
import { isHeated, type Advice, type AdviceUnits } from '../../setup/index.ts';
import { formatTemperature } from '../../science/units/index.ts';
import type { Advise } from '../step-type.ts';
import { boundsOfDose } from './dose-advice.ts';

/** Below this no cream acidifies safely, and yogurt's whey does not work in it, °C. */
const TOO_COLD_C = 14;
const WHEY_FROM_C = 24;

/** A starter that does not go with the heat it stands in. */
function starterAgainstHeat(plan: MakePlan, { temperature }: AdviceUnits): Advice | null {
  const heatC = placeAmbientC(plan.place, plan.roomC);
  const heat = formatTemperature(heatC, temperature);
  if (heatC < TOO_COLD_C)
    return {
      severity: 'stop',
      field: 'place',
      text: `${heat} is too cold for cream to sour safely. It needs at least ${formatTemperature(TOO_COLD_C, temperature)}, better ${formatTemperature(20, temperature)}. Move it somewhere warmer.`,
    };
  const raw = plan.milk.treatment === 'raw' && !isHeated(plan);
  if (plan.starter.kind === 'yogurt-whey' && heatC < WHEY_FROM_C && !raw)
    return {
      severity: 'stop',
      field: 'starter',
      text: `Yogurt whey does not work at ${heat} in heated cream. Use another starter, or a place at ${formatTemperature(WHEY_FROM_C, temperature)} or warmer.`,
    };
  return warmCulture(plan.starter.kind) && heatC < 30
    ? {
        severity: 'caution',
        field: 'starter',
        text: `Yogurt culture is slow at ${heat}, a day or longer. Use buttermilk or sour cream as the starter, or keep the cream warmer.`,
      }
    : null;
}

export const adviseRipen: Advise = (plan, units) => [
  starterAgainstHeat(plan, units),
  boundsOfDose(plan, { most: 0.2, least: 0.02, usual: '4–15 % is usual', of: 'cream' }),
  plan.milk.fatFraction !== null && plan.milk.fatFraction < 0.18
    ? {
        severity: 'caution',
        field: 'milk',
        text: `Cream at ${(plan.milk.fatFraction * 100).toFixed(0)} % fat stays thin. From about 25 % a spoon stands up in it.`,
      }
    : null,
  plan.milk.treatment === 'raw' || isHeated(plan)
    ? null
    : {
        severity: 'note',
        field: 'heat',
        text: 'If the carton was open or is older than four days, scald the cream first. A fresh carton, just opened, does not need it.',
      },
];
