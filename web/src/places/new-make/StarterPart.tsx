import {
  batchOf,
  DEFAULT_STARTER_AGE_D,
  freeKg,
  goodsAsStarter,
  lotsAsStarter,
  starterFromLot,
  starterFromGood,
  isMassUnit,
  isVolumeUnit,
  placeOf,
  productOf,
  starterFromCulture,
  startersFor,
  STARTER_FACTS,
  SYSTEM_UNITS,
  toKilograms,
  toLitres,
  UNIT_LABEL,
  WET_STARTER_KG_PER_L,
  withStarterKind,
  type MassUnit,
  type StarterKind,
  type VolumeUnit,
  typedMass,
} from '@morning-crock/core';
import {
  PRODUCT_TAKES,
  type Culture,
  type Factor,
  type Lot,
  type MakePlan,
} from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { Link } from 'react-router';
import { useFactorsQuery } from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';
import { goodKey, goodsGroups, leavesWords, partKey } from '../../parts/goods/goods-group.ts';
import { useGoods } from '../../parts/goods/use-goods.ts';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { CultureDose } from './CultureDose.tsx';
import { PacketDose } from './PacketDose.tsx';

const NOTHING: readonly Factor[] = [];

type DoseUnit = MassUnit | VolumeUnit | '%';

/** A dose by gram, spoon or share of the milk, as kilograms. */
function doseKg(value: number, unit: DoseUnit, plan: MakePlan): number {
  if (unit === '%') return (value / 100) * batchOf(plan).massKg;
  if (isMassUnit(unit)) return toKilograms(value, unit);
  return isVolumeUnit(unit) ? toLitres(value, unit) * WET_STARTER_KG_PER_L : Number.NaN;
}

interface StarterProps {
  readonly plan: MakePlan;
  readonly lots: readonly Lot[];
  readonly cultures: readonly Culture[];
  readonly change: (part: Partial<MakePlan>) => void;
}

/** The cultures of the register that may sour a plan. */
const ownFor = (plan: MakePlan, cultures: readonly Culture[]): readonly Culture[] =>
  startersFor(cultures).filter((c) => c.signs.length === 0 && productOf(plan).starters.includes(c.kind));

/** What sours it: a culture of the kitchen's own, or a kind. */
export function StarterKindChoice({ plan, cultures, lots, change }: StarterProps) {
  const units = useUnits();
  const startMs = Date.parse(plan.startAt);
  const own = ownFor(plan, cultures);
  const { starter } = plan;
  const here = useGoods();
  const asStarter = goodsAsStarter(plan, here.goods);
  const soured = lotsAsStarter(plan, lots);
  const leaves = leavesWords(
    starter.good && { ...starter.good, massKg: starter.massKg ?? starter.good.massKg },
    here.batches,
    units,
  );
  return (
    <NativeSelect
      label="Kind"
      description={leaves}
      value={
        starter.cultureId ??
        partKey(starter.good) ??
        (starter.lot ? `${starter.lot.lotId} ${starter.kind}` : starter.kind)
      }
      data={[
        ...(own.length > 0
          ? [
              {
                group: 'My cultures',
                items: own.map((c) => ({
                  value: c.id,
                  label: `${c.name}${c.packet ? '' : `, generation ${c.turn}`}${placeOf(c) === 'freezer' ? ', frozen' : ''}`,
                })),
              },
            ]
          : []),
        ...(soured.length > 0
          ? [
              {
                group: 'Milk room',
                items: soured.map(({ lot, kind, label }) => ({
                  value: `${lot.id} ${kind}`,
                  label: `${lot.name}, ${units.mass(freeKg(lot))}, as ${label.toLowerCase()}`,
                })),
              },
            ]
          : []),
        ...goodsGroups(here, (goods) => goodsAsStarter(plan, goods), units),
        {
          group: own.length > 0 ? 'Other' : 'Starters',
          items: productOf(plan).starters.map((k) => ({ value: k, label: STARTER_FACTS[k].label })),
        },
      ]}
      onChange={(e) => {
        const chosen = own.find((c) => c.id === e.currentTarget.value);
        const good = asStarter.find((input) => goodKey(input) === e.currentTarget.value);
        const taken = good && starterFromGood(plan, good);
        if (taken) return change({ starter: taken });
        const lot = soured.find((one) => `${one.lot.id} ${one.kind}` === e.currentTarget.value);
        if (lot) return change({ starter: starterFromLot(plan, lot) });
        change({
          starter: chosen
            ? starterFromCulture(plan, chosen, startMs)
            : withStarterKind(plan, e.currentTarget.value as StarterKind, units.system),
        });
      }}
    />
  );
}

/** What sours it, its age, and its dose by spoon, gram, packet or percent. */
export function StarterPart(
  props: StarterProps & {
    readonly onFault: (field: string, faulty: boolean) => void;
    /** Its kind is chosen above already. */
    readonly kindAbove?: boolean;
  },
) {
  const { plan, cultures, lots, change, onFault, kindAbove = false } = props;
  const { data: factors = NOTHING } = useFactorsQuery();
  const { goods } = productOf(plan);
  const takes = PRODUCT_TAKES[plan.product];
  const culture = ownFor(plan, cultures).find((c) => c.id === plan.starter.cultureId);
  const units = useUnits();
  const { starter } = plan;
  const { dosing } = STARTER_FACTS[starter.kind];
  const set = (part: Partial<MakePlan['starter']>): void => change({ starter: { ...starter, ...part } });
  const spoonUnits = SYSTEM_UNITS[units.system];
  const offered: readonly DoseUnit[] = ['g', ...spoonUnits.mass, ...spoonUnits.spoons, '%'];
  const options = [...new Set(offered)].map((u) => ({
    value: u,
    label: u === '%' ? `% of the ${goods.into}` : UNIT_LABEL[u],
  }));
  const typedUnit = (starter.typed?.unit ?? 'g') as DoseUnit;
  const share = ((starter.massKg ?? 0) / batchOf(plan).massKg) * 100;
  const ageD = starter.ageD ?? DEFAULT_STARTER_AGE_D;
  return (
    <>
      {!kindAbove && <StarterKindChoice plan={plan} cultures={cultures} lots={lots} change={change} />}
      {culture && (
        <CultureDose plan={plan} culture={culture} factors={factors} onDose={(dose) => set(dose)} />
      )}
      {dosing === 'mass' && (
        <>
          <QuantityField
            key={`${starter.kind} ${plan.milk.litres}`}
            label="Dose"
            value={starter.typed?.value ?? null}
            unit={typedUnit}
            units={
              options.some((o) => o.value === typedUnit)
                ? options
                : [...options, { value: typedUnit, label: typedUnit }]
            }
            check={(value, unit) => {
              if (!(value > 0)) return 'Enter a dose above 0.';
              return doseKg(value, unit, plan) > batchOf(plan).massKg
                ? `That is more starter than ${goods.into}. Check the unit.`
                : null;
            }}
            onFault={(faulty) => onFault('dose', faulty)}
            onChange={(value, unit) => set({ massKg: doseKg(value, unit, plan), typed: { value, unit } })}
          />
          <StepSlider
            label="As a percentage"
            value={Math.round(share * 10) / 10}
            shown={`${share.toFixed(1)} % of the ${goods.into}, ${units.mass(starter.massKg ?? 0)}`}
            min={0.2}
            max={takes === 'cream' ? 20 : 8}
            step={0.1}
            onChange={(percent) => {
              const massKg = Math.round((percent / 100) * batchOf(plan).massKg * 1e4) / 1e4;
              set({ massKg, typed: typedMass(massKg, units.system) });
            }}
          />
          <StepSlider
            label="Time in the fridge"
            value={ageD}
            shown={`${starter.ageD === null ? 'about ' : ''}${ageD} days`}
            min={0}
            max={30}
            step={1}
            onChange={(days) => set({ ageD: days })}
          />
        </>
      )}
      {dosing === 'stated' && !culture && (
        <PacketDose key={starter.kind} plan={plan} set={set} onFault={onFault} />
      )}
      {dosing === 'stated' && culture && (
        <QuantityField
          label="Dose (1 = packet dose for this much milk)"
          value={starter.statedRatio}
          unit="packet"
          units={[{ value: 'packet', label: '× the packet dose' }]}
          check={(value) =>
            value > 0
              ? value > 20
                ? 'That is more than 20 times the packet dose. Check the amount.'
                : null
              : 'Enter a dose above 0.'
          }
          onFault={(faulty) => onFault('dose', faulty)}
          onChange={(value) => set({ statedRatio: value, typed: { value, unit: 'packet' } })}
        />
      )}
      <Link to="/sums/dose?for=new">Dose for a finish time</Link>
      <Link to="/sums/vigour?for=new">Dose for an older starter</Link>
    </>
  );
}
