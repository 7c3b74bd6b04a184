import { productOf } from '@morning-crock/core';
import { NativeSelect } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import { goodKey, goodKeyOf, goodsGroups, leavesWords } from '../../parts/goods/goods-group.ts';
import { amountOfChoice, chosenAs, dayGoodsFor, feedersFor } from './day-goods.ts';
import type { DayDraft } from './day-draft.ts';
import type { AskedMake, DayPlan } from './use-day-plan.ts';

const ELSEWHERE = 'elsewhere';

/** What a batch of a day is made from: another batch of it, or what stands in the larder or in a batch under way; nothing where there is no such thing. */
export function DayMadeFrom(props: {
  readonly make: AskedMake;
  readonly plan: DayPlan;
  readonly change: (to: Partial<DayDraft['makes'][number]>) => void;
}) {
  const { make, plan, change } = props;
  const { id, name, goods: chosen, fedBy } = make;
  const units = useUnits();
  const { here } = plan;
  const usual = plan.usual.get(id);
  const own = plan.plans.get(id);
  if (!usual || !own) return null;
  const groups = goodsGroups(here, (goods) => dayGoodsFor(usual, goods), units);
  const feeders = feedersFor(id, usual, plan.coming, plan.fedBy);
  if (groups.length === 0 && feeders.length === 0 && !chosen && fedBy === undefined) return null;
  const { into } = productOf(usual).goods;
  const thereKg = plan.thereKg.get(id) ?? null;
  const leaves = leavesWords(own.milk.goods?.[0], here.batches, units);
  return (
    <>
      <NativeSelect
        label="Made from"
        aria-label={`${name}: made from`}
        value={plan.fedBy.get(id) ?? goodKeyOf(own) ?? ELSEWHERE}
        data={[
          ...(feeders.length > 0
            ? [
                {
                  group: 'Made in this plan',
                  items: feeders.map(({ good, stock }) => ({
                    value: good.id,
                    label: `${good.name}, about ${units.mass(stock.massKg)}`,
                  })),
                },
              ]
            : []),
          ...groups,
          {
            group: 'From elsewhere',
            items: [
              {
                value: ELSEWHERE,
                label:
                  into === 'milk' || into === 'cream'
                    ? `${into.charAt(0).toUpperCase()}${into.slice(1)}`
                    : 'Bought or not recorded',
              },
            ],
          },
        ]}
        onChange={({ currentTarget: { value } }) => {
          const feeder = feeders.find(({ good }) => good.id === value);
          const input = feeder ?? dayGoodsFor(usual, here.goods).find((one) => goodKey(one) === value);
          change({
            fedBy: feeder?.good.id,
            goods: input && !feeder ? chosenAs(input) : undefined,
            ...(input ? { litres: amountOfChoice(usual, input) } : {}),
          });
        }}
      />
      {chosen && plan.stocked && !own.milk.goods && (
        <p className="caution" role="status">
          {thereKg === null
            ? 'What was chosen for this batch is no longer here.'
            : 'Another batch of this plan takes all of what was chosen for this one.'}
        </p>
      )}
      {leaves && <p role="status">{leaves}</p>}
      {plan.fedBy.has(id) && (
        <p className="quiet" role="status">
          It starts when {own.milk.goods?.[0]?.name} is done, with what there is of it then.
        </p>
      )}
      {fedBy !== undefined && !plan.fedBy.has(id) && (
        <p className="caution" role="status">
          The batch it was to be made from is no longer in this plan.
        </p>
      )}
    </>
  );
}
