import { batchOf } from '../../method/index.ts';
import { formatTemperature, formatVolume } from '../../units/index.ts';
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
          text: `Soured milk churned whole: a quarter to a half of its fat may stay in the buttermilk. It is churned warmer than cream, at ${formatTemperature(CURD_C, temperature)} or so.`,
        }
      : fatFraction < NO_CREAM_FAT
        ? {
            severity: 'stop',
            field: 'milk',
            text: `${percent} fat is hardly cream: it would not break. Let it stand and skim it richer; from 25 % it churns well.`,
          }
        : fatFraction < THIN_FAT
          ? {
              severity: 'caution',
              field: 'milk',
              text: `Cream of ${percent} is thin: it takes long and gives little. From 25 % it churns well.`,
            }
          : null,
    litres > holds * 0.9
      ? {
          severity: 'stop',
          field: 'pot',
          text: `${name} holds ${formatVolume(holds, measures)}: ${formatVolume(litres, measures)} leaves no room to beat. More loads, or a larger churn.`,
        }
      : litres > holds * 0.55
        ? {
            severity: 'caution',
            field: 'pot',
            text: `${name} is more than half full: it beats against itself. One load more is quicker.`,
          }
        : null,
    plan.milk.treatment === 'ultra-heated'
      ? {
          severity: 'caution',
          field: 'milk',
          text: 'Ultra-heated cream, and cream with a stabiliser in it, may not break at all.',
        }
      : null,
    plan.milk.homogenised
      ? {
          severity: 'caution',
          field: 'milk',
          text: 'Homogenised cream breaks late, if at all: its fat is beaten small.',
        }
      : null,
  ];
};
