import {
  batchOf,
  EMPTY_KG,
  freeKg,
  goodsFor,
  litresOfMass,
  massOfLitresKg,
  secondName,
  milkCost,
  MILK_FACTS,
  milkFromLots,
  MILK_KINDS,
  productOf,
  SYSTEM_UNITS,
  toLitres,
  TREATMENTS,
  typedVolume,
  UNIT_LABEL,
  withoutLots,
  type MilkKind,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { goodKeyOf, goodsGroups, planOfChoice } from '../../parts/goods/goods-group.ts';
import { GoodsNote } from '../../parts/goods/GoodsNote.tsx';
import { useGoods } from '../../parts/goods/use-goods.ts';
import type { PourProps } from './pour-props.ts';
import { AmountByLevel, AmountOfMilk } from './AmountOfMilk.tsx';

/** Cream added to creamy milk, to begin with. */
const USUAL_CREAM_SHARE = 0.1;
const USUAL_CREAM_FAT = 0.35;

/** How much milk, and which. */
export function MilkSource(props: PourProps) {
  const { plan, lots, change } = props;
  const units = useUnits();
  const here = useGoods();
  const pouredKg = plan.milk.lots?.reduce((sum, lot) => sum + lot.massKg, 0) ?? 1;
  const pourable = lots.filter(
    (lot) =>
      (lot.role === 'milk' || lot.role === 'skimmed') &&
      lot.place !== 'freezer' &&
      (freeKg(lot) > EMPTY_KG || plan.milk.lots?.some((l) => l.lotId === lot.id)),
  );
  return (
    <>
      <AmountOfMilk {...props} />
      <NativeSelect
        label="From"
        value={plan.milk.lots ? plan.milk.lots[0]!.lotId : (goodKeyOf(plan) ?? plan.milk.kind)}
        data={[
          ...(pourable.length > 0
            ? [
                {
                  group: 'Milk room',
                  items: pourable.map((lot) => ({
                    value: lot.id,
                    label: `${lot.name}, ${units.volume(litresOfMass(freeKg(lot), lot.of))} available`,
                  })),
                },
              ]
            : []),
          ...goodsGroups(here, (goods) => goodsFor(plan, goods), units),
          {
            group: pourable.length > 0 ? 'From elsewhere' : 'Milk',
            items: MILK_KINDS.map((k) => ({ value: k, label: MILK_FACTS[k].label })),
          },
        ]}
        onChange={(e) => {
          const from = planOfChoice(plan, here.goods, e.currentTarget.value, batchOf(plan).massKg);
          if (from) return change({ milk: from.milk });
          const lot = pourable.find((l) => l.id === e.currentTarget.value);
          if (lot) {
            const massKg = Math.min(freeKg(lot), massOfLitresKg(plan.milk.litres, lot.of));
            const milk = milkFromLots(
              plan.milk,
              lots,
              [{ lotId: lot.id, massKg }],
              'milk',
              Date.parse(plan.startAt),
            );
            if (milk) change({ milk });
            return;
          }
          const kind = e.currentTarget.value as MilkKind;
          change({
            milk: {
              ...withoutLots(plan.milk),
              kind,
              fatFraction: null,
              treatment: kind.startsWith('shop') ? 'pasteurised' : plan.milk.treatment,
            },
          });
        }}
      />
      <GoodsNote plan={plan} here={here} />
      {plan.milk.lots && plan.milk.lots.length > 1 && (
        <p role="status">
          {plan.milk.lots
            .map((lot) => `${units.volume((lot.massKg / pouredKg) * plan.milk.litres)} of ${lot.name}`)
            .join(', ')}
          .
        </p>
      )}
    </>
  );
}

/** Cream poured to the milk: how much of it, how fat. */
function AddCream({ plan, change, onFault }: Pick<PourProps, 'plan' | 'change' | 'onFault'>) {
  const units = useUnits();
  const { second } = plan.milk;
  const volumeUnits = SYSTEM_UNITS[units.system].milk;
  const set = (next: MakePlan['milk']['second']): void => {
    const { second: _before, ...milk } = plan.milk;
    change({ milk: next ? { ...milk, second: next } : milk });
  };
  if (!second)
    return (
      <Button
        variant="default"
        onClick={() => {
          const litres = plan.milk.litres * USUAL_CREAM_SHARE;
          set({
            litres,
            typed: typedVolume(litres, units.system),
            kind: plan.milk.kind,
            fatFraction: USUAL_CREAM_FAT,
          });
        }}
      >
        Add cream
      </Button>
    );
  return (
    <div className="field-row">
      <QuantityField
        label="Cream added"
        value={second.typed.value}
        unit={volumeUnits.find((u) => u === second.typed.unit) ?? volumeUnits[0]!}
        units={volumeUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        check={(value, unit) =>
          !(value > 0)
            ? 'Enter an amount above 0.'
            : toLitres(value, unit) > plan.milk.litres
              ? 'That is more cream than milk. Check the unit.'
              : null
        }
        onFault={(faulty) => onFault('cream', faulty)}
        onChange={(value, unit) => set({ ...second, litres: toLitres(value, unit), typed: { value, unit } })}
      />
      <QuantityField
        label="Fat of the cream"
        value={Math.round((second.fatFraction ?? USUAL_CREAM_FAT) * 100)}
        unit="%"
        units={[{ value: '%', label: '%' }]}
        check={(value) => (value >= 10 && value <= 60 ? null : 'Cream has 10–60 % fat.')}
        onFault={(faulty) => onFault('cream fat', faulty)}
        onChange={(value) => set({ ...second, fatFraction: value / 100 })}
      />
      <Button
        variant="subtle"
        onClick={() => {
          for (const field of ['cream', 'cream fat']) onFault(field, false);
          set(undefined);
        }}
      >
        Remove cream
      </Button>
    </div>
  );
}

/** How the milk is treated, how fat it is, and what is added. */
export function MilkPart(props: Omit<PourProps, 'lots'>) {
  const { plan, change, onFault } = props;
  const units = useUnits();
  const [low, high] = batchOf({ ...plan, milk: { ...plan.milk, fatFraction: null } }).fatRange;
  const usual = `${(low * 100).toFixed(1)}–${(high * 100).toFixed(1)} %`;
  const fatKnown = plan.milk.fatFraction !== null;
  const cost = milkCost(plan.milk);
  // Where cream rises as it sours, more of it may be poured in.
  const mayAddCream = productOf(plan).gives?.out?.role === 'cream';
  return (
    <>
      {plan.milk.lots && (
        <p className="quiet">
          {plan.milk.treatment}, {((plan.milk.fatFraction ?? 0) * 100).toFixed(1)} % fat
          {cost !== null && `, milk cost ${units.cost(cost)}`}
        </p>
      )}
      {!plan.milk.lots && (
        <>
          <Choices
            legend="Heat treatment"
            value={plan.milk.treatment}
            options={TREATMENTS.map((t) => ({ value: t, label: t }))}
            onChange={(treatment) => change({ milk: { ...plan.milk, treatment } })}
          />
          <Choices
            legend="Fat"
            value={fatKnown ? 'known' : 'unknown'}
            options={[
              { value: 'unknown', label: `not known, about ${usual}` },
              { value: 'known', label: 'known' },
            ]}
            onChange={(v) =>
              change({
                milk: {
                  ...plan.milk,
                  fatFraction: v === 'known' ? MILK_FACTS[plan.milk.kind].composition.fatFraction : null,
                },
              })
            }
          />
          {fatKnown && (
            <QuantityField
              label="Fat"
              value={Math.round((plan.milk.fatFraction ?? 0) * 1000) / 10}
              unit="%"
              units={[{ value: '%', label: '%' }]}
              check={(value) =>
                value < 0 ? 'Fat cannot be negative.' : value > 20 ? `${value} % is cream, not milk.` : null
              }
              onFault={(faulty) => onFault('fat', faulty)}
              onChange={(value) => change({ milk: { ...plan.milk, fatFraction: value / 100 } })}
            />
          )}
        </>
      )}
      {mayAddCream && <AddCream plan={plan} change={change} onFault={onFault} />}
      <AmountByLevel {...props} />
      <Link to="/sums/powder?for=new">Add milk or milk powder</Link>
      <Link to="/sums/standardise?for=new">Blend to a target fat</Link>
      {plan.milk.powder && (
        <Choices
          legend="Stir in the powder"
          value={plan.milk.powder.withStarter ? 'starter' : 'cold'}
          options={[
            { value: 'cold', label: 'before heating' },
            { value: 'starter', label: 'with the starter' },
          ]}
          onChange={(when) =>
            change({
              milk: {
                ...plan.milk,
                powder: { ...plan.milk.powder!, withStarter: when === 'starter' },
              },
            })
          }
        />
      )}
      {(plan.milk.second || plan.milk.powder) && (
        <p role="status">
          {[
            plan.milk.second &&
              `with ${units.volume(plan.milk.second.litres)} of ${secondName(plan.milk.second)}`,
            plan.milk.powder && `with ${units.mass(plan.milk.powder.massKg)} of milk powder`,
          ]
            .filter(Boolean)
            .join(', ')}
          : {units.volume(batchOf(plan).litres)} in all.
        </p>
      )}
    </>
  );
}
