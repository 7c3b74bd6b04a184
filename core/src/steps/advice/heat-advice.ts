import type { MakePlan } from '../../contract/index.ts';
import { FLAME_SHARE } from '../../science/heat/index.ts';
import { batchOf } from '../../setup/index.ts';
import { formatTemperature, formatVolume, listed, type MeasureSystem } from '../../science/units/index.ts';
import { heatTargetC, mostHeatC } from '../heat.ts';
import type { Advise } from '../step-type.ts';

/** So much less milk is tried, in shares of what is planned. */
const LESS = [0.75, 0.5, 0.35, 0.25] as const;

const withHeat = (plan: MakePlan, part: Partial<MakePlan['heat']>): MakePlan => ({
  ...plan,
  heat: { ...plan.heat, ...part },
});
const withLess = (plan: MakePlan, share: number): MakePlan => ({
  ...plan,
  milk: { ...plan.milk, litres: plan.milk.litres * share },
});

/** What would bring the milk to its heat on this burner, each tried alone; the lid and a full flame together at last. */
function whatHelps(plan: MakePlan, measures: MeasureSystem): string[] {
  const reaches = (tried: MakePlan): boolean => mostHeatC(tried) === null;
  const turnedUp = plan.heat.flame !== undefined && FLAME_SHARE[plan.heat.flame] < 1;
  const full = withHeat(plan, { flame: 'full' });
  const covered = withHeat(plan, { lidOn: true });
  const less = LESS.find((share) => reaches(withLess(plan, share)));
  const ways = [
    turnedUp && reaches(full) ? 'full heat, stirring all the time' : null,
    plan.heat.lidOn !== true && reaches(covered) ? 'a lid on while heating' : null,
    less === undefined ? null : `at most ${formatVolume(batchOf(plan).litres * less, measures)} of milk`,
  ].filter((way) => way !== null);
  const both = withHeat(full, { lidOn: true });
  return ways.length === 0 && reaches(both) ? ['full heat with the lid on'] : ways;
}

/** Says before the start when a pot never gets as hot on its burner as is wanted, and what would help. */
export const adviseHeat: Advise = (plan, { temperature, measures }) => {
  const mostC = mostHeatC(plan);
  const boils = plan.heat.kind === 'boil';
  const target = boils ? 'the boil' : formatTemperature(heatTargetC(plan), temperature);
  const ways = mostC === null ? [] : [...whatHelps(plan, measures), 'a larger burner'];
  return [
    mostC === null
      ? null
      : {
          severity: 'caution',
          field: 'heat',
          text: `On this burner the milk stops at about ${formatTemperature(mostC, temperature)} and never reaches ${target}. Use ${listed(ways, 'or')}.`,
        },
    mostC === null && plan.heat.flame === 'full' && plan.heat.kind !== 'none'
      ? {
          severity: 'note',
          field: 'heat',
          text: 'Milk scorches on full heat. Stir all the time, down to the bottom.',
        }
      : null,
  ];
};
