import { batchOf } from '../../setup/index.ts';
import { formatTemperature, formatVolume } from '../../science/units/index.ts';
import { paramsOf, type Advise } from '../step-type.ts';
import { loadsOf } from '../temper.ts';

/** Below this cream hardly breaks at all, and below the second it is slow. */
const NO_CREAM_FAT = 0.12;
const THIN_FAT = 0.25;
/** Where a whole curd is usually churned, °C [judgement]. */
const CURD_C = 17;

export const adviseChurn: Advise = (plan, { measures, temperature }, of) => {
  const { litres: holds, name } = paramsOf(of.step, 'churn');
  const { litres: all, composition } = batchOf(plan);
  const litres = all / loadsOf(plan);
  const { fatFraction } = composition;
  const percent = `${(fatFraction * 100).toFixed(0)} %`;
  return [
    plan.milk.wholeCurd
      ? {
          severity: 'note',
          field: 'milk',
          text: `When soured milk is churned whole, a quarter to half of its fat may stay in the buttermilk. Churn it warmer than cream, at about ${formatTemperature(CURD_C, temperature)}.`,
        }
      : fatFraction < NO_CREAM_FAT
        ? {
            severity: 'stop',
            field: 'milk',
            text: `${percent} fat is hardly cream and would not break. Let it stand and skim it richer. Cream churns well from 25 %.`,
          }
        : fatFraction < THIN_FAT
          ? {
              severity: 'caution',
              field: 'milk',
              text: `Cream at ${percent} fat is thin. It takes long to churn and gives little butter. Cream churns well from 25 %.`,
            }
          : null,
    litres > holds * 0.9
      ? {
          severity: 'stop',
          field: 'pot',
          text: `${name} holds ${formatVolume(holds, measures)}, so ${formatVolume(litres, measures)} leaves no room to beat. Use more loads or a larger churn.`,
        }
      : litres > holds * 0.55
        ? {
            severity: 'caution',
            field: 'pot',
            text: `${name} is more than half full, so the cream has little room to move. One more load is quicker.`,
          }
        : null,
    plan.milk.treatment === 'ultra-heated'
      ? {
          severity: 'caution',
          field: 'milk',
          text: 'Ultra-heated cream, or cream with a stabiliser, may not break at all.',
        }
      : null,
    plan.milk.homogenised
      ? {
          severity: 'caution',
          field: 'milk',
          text: 'Homogenised cream breaks late or not at all, because its fat globules are so small.',
        }
      : null,
  ];
};
