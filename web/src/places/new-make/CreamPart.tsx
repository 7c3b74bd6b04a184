import {
  batchOf,
  CREAM_DEGREE_PH,
  CREAM_DEGREES,
  creamDegree,
  EMPTY_KG,
  freeKg,
  goodsFor,
  isCream,
  litresOfMass,
  massOfLitresKg,
  milkCost,
  milkFromLots,
  TREATMENTS,
  withoutLots,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { Checkbox, NativeSelect } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { DEGREE_LABEL } from '../../parts/words/sour-words.ts';
import { PhSlider } from '../../parts/fields/SournessFields.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { AmountByLevel, AmountOfMilk } from './AmountOfMilk.tsx';
import { goodKeyOf, goodsGroups, planOfChoice } from '../../parts/goods/goods-group.ts';
import { GoodsNote } from '../../parts/goods/GoodsNote.tsx';
import { useGoods } from '../../parts/goods/use-goods.ts';
import type { PourProps } from './pour-props.ts';

/** Fat as it usually is, 0..1: of milk that soured, and of cream. */
const CURD_FAT = 0.042;
const CREAM_FAT = 0.35;
/** Bought, it is what it says on the carton. */
const BOUGHT = 'bought';

/** Soured cream goes in as well as sweet. */
interface Ripened {
  readonly mayBeRipened: boolean;
}

/** How much cream, and from which pot. */
export function CreamSource(props: PourProps & Ripened) {
  const { plan, lots, mayBeRipened, change } = props;
  const units = useUnits();
  const here = useGoods();
  const { milk } = plan;
  const pourable = lots.filter(
    (lot) =>
      isCream(lot) &&
      lot.place !== 'freezer' &&
      (mayBeRipened || !lot.soured) &&
      (freeKg(lot) > EMPTY_KG || milk.lots?.some((l) => l.lotId === lot.id)),
  );
  return (
    <>
      <AmountOfMilk {...props} />
      <NativeSelect
        label="From"
        value={milk.lots?.[0]?.lotId ?? goodKeyOf(plan) ?? BOUGHT}
        data={[
          ...(pourable.length > 0
            ? [
                {
                  group: 'Milk room',
                  items: pourable.map((lot) => ({
                    value: lot.id,
                    label: `${lot.name}, ${units.mass(freeKg(lot))} available`,
                  })),
                },
              ]
            : []),
          ...goodsGroups(here, (goods) => goodsFor(plan, goods), units),
          { group: 'From elsewhere', items: [{ value: BOUGHT, label: 'Bought or not recorded' }] },
        ]}
        onChange={(e) => {
          const from = planOfChoice(plan, here.goods, e.currentTarget.value, Number.POSITIVE_INFINITY);
          if (from) return change({ milk: from.milk, method: from.method });
          const lot = pourable.find((l) => l.id === e.currentTarget.value);
          if (!lot) return change({ milk: withoutLots(milk) });
          const massKg = Math.min(freeKg(lot), massOfLitresKg(milk.litres, lot.of));
          const poured = milkFromLots(
            milk,
            lots,
            [{ lotId: lot.id, massKg }],
            'cream',
            Date.parse(plan.startAt),
          );
          if (poured) change({ milk: poured });
        }}
      />
      <GoodsNote plan={plan} here={here} />
    </>
  );
}

/** How fat the cream is, how warm, sweet or ripened. */
export function CreamPart(props: Omit<PourProps, 'lots'> & Ripened) {
  const { plan, mayBeRipened, change, onFault } = props;
  const units = useUnits();
  const { milk } = plan;
  const set = (part: Partial<MakePlan['milk']>): void => change({ milk: { ...milk, ...part } });
  const cost = milkCost(milk);
  const percent = Math.round((milk.fatFraction ?? batchOf(plan).composition.fatFraction) * 1000) / 10;
  return (
    <>
      {milk.lots ? (
        <p className="quiet">
          {milk.treatment}, {milk.soured ? 'ripened' : 'sweet'}, {percent.toFixed(1)} % fat,{' '}
          {units.mass(milk.lots.reduce((sum, l) => sum + l.massKg, 0))} (
          {units.volume(litresOfMass(batchOf(plan).massKg, batchOf(plan).composition))})
          {cost !== null && `, cost ${units.cost(cost)}`}
        </p>
      ) : (
        <>
          <QuantityField
            label="Fat"
            value={percent}
            unit="%"
            units={[{ value: '%', label: '%' }]}
            check={(value) => {
              if (milk.wholeCurd)
                return value >= 2 && value <= 12 ? null : 'Whole soured milk has 2–12 % fat.';
              if (value < 10) return `${value} % is milk, not cream. Cream has at least 10 % fat.`;
              return value > 60 ? `${value} % is richer than any cream. Enter at most 60 %.` : null;
            }}
            onFault={(faulty) => onFault('fat', faulty)}
            onChange={(value) => set({ fatFraction: value / 100 })}
          />
          <Choices
            legend="Heat treatment"
            value={milk.treatment}
            options={TREATMENTS.map((t) => ({ value: t, label: t }))}
            onChange={(treatment) => set({ treatment })}
          />
          <p className="quiet">Cream from boiled or scalded milk counts as pasteurised.</p>
          {mayBeRipened && (
            <Choices
              legend="Cream"
              value={milk.wholeCurd ? ('curd' as const) : creamDegree(milk)}
              options={[
                ...CREAM_DEGREES.map((degree) => ({ value: degree, label: DEGREE_LABEL[degree] })),
                { value: 'curd', label: 'whole soured milk' },
              ]}
              onChange={(value) => {
                const curd = value === 'curd';
                set({
                  soured: value === 'sour' || curd,
                  ph: curd || value === 'sweet' ? undefined : CREAM_DEGREE_PH[value],
                  wholeCurd: curd,
                  // Milk is not as fat as cream, and cream not as lean as milk.
                  ...(curd !== (milk.wholeCurd === true) && { fatFraction: curd ? CURD_FAT : CREAM_FAT }),
                });
              }}
            />
          )}
          {mayBeRipened && milk.ph !== undefined && <PhSlider ph={milk.ph} onChange={set} />}
          <Checkbox
            label="Homogenised (see the carton)"
            checked={milk.homogenised === true}
            onChange={(e) => set({ homogenised: e.currentTarget.checked })}
          />
        </>
      )}
      {mayBeRipened && (
        <Choices
          legend="Feed"
          value={milk.feed ?? 'unknown'}
          options={[
            { value: 'unknown', label: 'not known' },
            { value: 'hay', label: 'hay' },
            { value: 'grass', label: 'grass' },
          ]}
          onChange={(value) => set({ feed: value === 'unknown' ? undefined : value })}
        />
      )}
      <StepSlider
        label="Temperature"
        value={Math.round(milk.startC * 2) / 2}
        shown={units.temperature(milk.startC)}
        min={1}
        max={32}
        step={0.5}
        onChange={(startC) => set({ startC })}
      />
      <AmountByLevel {...props} />
    </>
  );
}
