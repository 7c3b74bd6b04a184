import { batchOf, butterPour, goodsFor, toKilograms, SYSTEM_UNITS, UNIT_LABEL } from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useUnits } from '../../../data/use-units.ts';
import { goodKeyOf, goodsGroups, planOfChoice } from '../../../parts/goods/goods-group.ts';
import { GoodsNote } from '../../../parts/goods/GoodsNote.tsx';
import { useGoods } from '../../../parts/goods/use-goods.ts';
import { Choices } from '../../../parts/fields/Choices.tsx';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';
import { stepOf, withStep } from '../../../parts/words/method-step.ts';
import { WETNESS, WETNESSES, wetnessOf } from './wetness.ts';

/** Nobody recorded where it is from. */
const BOUGHT = 'bought';
const withoutGoods = ({ goods: _goods, ...milk }: MakePlan['milk']): MakePlan['milk'] => milk;

interface ButterProps {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
}

/** The plan with so much butter of such wetness in the pan. */
const withButter = (
  plan: MakePlan,
  pour: {
    readonly kg: number;
    readonly typed: MakePlan['milk']['typed'];
    readonly water: number;
    readonly fat: number;
  },
): Partial<MakePlan> => ({
  milk: {
    ...plan.milk,
    ...butterPour(pour.kg, pour.water, pour.fat, pour.typed),
    ...(plan.milk.goods ? { goods: plan.milk.goods.map((good) => ({ ...good, massKg: pour.kg })) } : {}),
  },
  method: withStep(plan, 'clarify', { moistureFraction: pour.water }),
});

/** How much butter goes into the pan. */
export function ButterSource({
  plan,
  change,
  onFault,
}: ButterProps & { readonly onFault: (field: string, faulty: boolean) => void }) {
  const units = useUnits();
  const here = useGoods();
  const clarify = stepOf(plan, 'clarify');
  if (!clarify) return null;
  const { fatFraction } = batchOf(plan).composition;
  const { typed } = plan.milk;
  const massUnits = SYSTEM_UNITS[units.system].mass;
  return (
    <>
      <QuantityField
        label="Amount"
        value={typed.value}
        unit={massUnits.find((u) => u === typed.unit) ?? massUnits[0]!}
        units={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        check={(value, unit) => {
          const kg = toKilograms(value, unit);
          if (!(kg >= 0.05)) return 'Less than 50 g scorches before it clears. Use more butter.';
          return kg > 20 ? `That is ${units.mass(kg)} of butter. Check the unit.` : null;
        }}
        onFault={(faulty) => onFault('amount', faulty)}
        onChange={(value, unit) =>
          change(
            withButter(plan, {
              kg: toKilograms(value, unit),
              typed: { value, unit },
              water: clarify.moistureFraction,
              fat: fatFraction,
            }),
          )
        }
      />
      <NativeSelect
        label="From"
        value={goodKeyOf(plan) ?? BOUGHT}
        data={[
          ...goodsGroups(here, (goods) => goodsFor(plan, goods), units),
          { group: 'From elsewhere', items: [{ value: BOUGHT, label: 'Bought or not recorded' }] },
        ]}
        onChange={(e) => {
          const from = planOfChoice(plan, here.goods, e.currentTarget.value, Number.POSITIVE_INFINITY);
          change(from ? { milk: from.milk, method: from.method } : { milk: withoutGoods(plan.milk) });
        }}
      />
      <GoodsNote plan={plan} here={here} />
    </>
  );
}

/** What kind of butter it is. */
export function ButterPart({ plan, change }: ButterProps) {
  const units = useUnits();
  const clarify = stepOf(plan, 'clarify');
  if (!clarify) return null;
  const { massKg } = batchOf(plan);
  const wet = WETNESSES.find((w) => WETNESS[w] === wetnessOf(plan)) ?? 'worked';
  return (
    <>
      <Choices
        legend="Kind"
        value={wet}
        options={WETNESSES.map((w) => ({ value: w, label: WETNESS[w].label }))}
        onChange={(w) => change(withButter(plan, { ...WETNESS[w], kg: massKg, typed: plan.milk.typed }))}
      />
      <p className="quiet">
        About {Math.round(clarify.moistureFraction * 100)} % water,{' '}
        {units.mass(massKg * clarify.moistureFraction)} to boil off. Wetter butter takes longer and gives less
        ghee.
      </p>
    </>
  );
}
