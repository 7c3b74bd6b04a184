import {
  batchOf,
  EMPTY_KG,
  freeKg,
  isMassUnit,
  isVolumeUnit,
  litresOfMass,
  massOfLitresKg,
  milkCost,
  MILK_FACTS,
  milkFromLots,
  MILK_KINDS,
  SYSTEM_UNITS,
  toKilograms,
  toLitres,
  TREATMENTS,
  UNIT_LABEL,
  withLitres,
  withoutLots,
  type MassUnit,
  type MilkKind,
  type VolumeUnit,
  typedMass,
} from '@morning-crock/core';
import type { Lot, MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { Link } from 'react-router';
import type { Units } from '../../data/units-of.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';
import { QuantityField } from '../../parts/QuantityField.tsx';

const MOST_LITRES = 60;

/** Litres of what was typed, whether by volume or by weight. */
function litresOf(value: number, unit: VolumeUnit | MassUnit, plan: MakePlan): number {
  if (isVolumeUnit(unit)) return toLitres(value, unit);
  return isMassUnit(unit) ? litresOfMass(toKilograms(value, unit), batchOf(plan).composition) : Number.NaN;
}

/** More of a lot than is free, in words; what other makes have planned is not free. */
function tooMuchOf(plan: MakePlan, lots: readonly Lot[], litres: number, units: Units): string | null {
  for (const asked of withLitres(plan.milk, litres, plan.milk.typed).lots ?? []) {
    const lot = lots.find((l) => l.id === asked.lotId);
    if (!lot || asked.massKg <= freeKg(lot) + EMPTY_KG) continue;
    const volume = (kg: number): string => units.volume(litresOfMass(kg, lot.of));
    const planned =
      lot.spokenForKg > EMPTY_KG ? `, ${volume(lot.spokenForKg)} of it planned for other makes` : '';
    return `${lot.name}: ${volume(Math.max(0, lot.has.massKg))} there${planned}.`;
  }
  return null;
}

/** What goes in: how much, of what, how treated, how fat. */
export function MilkSection(props: {
  readonly plan: MakePlan;
  readonly lots: readonly Lot[];
  readonly change: (part: Partial<MakePlan>) => void;
  readonly onFault: (field: string, faulty: boolean) => void;
}) {
  const { plan, lots, change, onFault } = props;
  const units = useUnits();
  const pouredKg = plan.milk.lots?.reduce((sum, lot) => sum + lot.massKg, 0) ?? 1;
  const offered = [...SYSTEM_UNITS[units.system].milk, ...SYSTEM_UNITS[units.system].mass, 'L' as const];
  const options = [...new Set(offered)].map((u) => ({ value: u, label: UNIT_LABEL[u] }));
  const [low, high] = batchOf({ ...plan, milk: { ...plan.milk, fatFraction: null } }).fatRange;
  const usual = `${(low * 100).toFixed(1)}–${(high * 100).toFixed(1)} %`;
  const { unit } = plan.milk.typed;
  const typedUnit = isVolumeUnit(unit) || isMassUnit(unit) ? unit : 'L';
  const fatKnown = plan.milk.fatFraction !== null;
  const pourable = lots.filter(
    (lot) =>
      (lot.role === 'milk' || lot.role === 'skimmed') &&
      lot.place !== 'freezer' &&
      (freeKg(lot) > EMPTY_KG || plan.milk.lots?.some((l) => l.lotId === lot.id)),
  );
  const cost = milkCost(plan.milk);
  return (
    <section className="section" aria-labelledby="milk">
      <h2 id="milk">Milk</h2>
      <QuantityField
        key={plan.repeatOf ?? 'new'}
        label="How much"
        value={plan.milk.typed.value}
        unit={typedUnit}
        units={
          options.some((o) => o.value === typedUnit)
            ? options
            : [...options, { value: typedUnit, label: UNIT_LABEL[typedUnit] }]
        }
        check={(value, unit) => {
          const litres = litresOf(value, unit, plan);
          if (!(value > 0)) return 'The amount must be above 0.';
          if (litres < 0.05)
            return `That is only ${units.volume(litres)}. ${unit === 'mL' ? 'Litres instead?' : 'A larger unit?'}`;
          if (litres > MOST_LITRES)
            return `That is ${units.volume(litres)}, more than this tool is made for (${units.volume(MOST_LITRES)}).${unit === 'L' ? ' Millilitres instead?' : ''}`;
          return tooMuchOf(plan, lots, litres, units);
        }}
        onFault={(faulty) => onFault('milk', faulty)}
        onChange={(value, unit) => {
          const litres = litresOf(value, unit, plan);
          // The dose stays the same share of the milk unless it was set by a packet.
          const massKg =
            plan.starter.massKg === null
              ? null
              : Math.round((plan.starter.massKg * litres * 1000) / plan.milk.litres) / 1000;
          change({
            milk: withLitres(plan.milk, litres, { value, unit }),
            starter:
              massKg === null
                ? plan.starter
                : { ...plan.starter, massKg, typed: typedMass(massKg, units.system) },
          });
        }}
      />
      <NativeSelect
        label="From"
        value={plan.milk.lots ? plan.milk.lots[0]!.lotId : plan.milk.kind}
        data={[
          ...(pourable.length > 0
            ? [
                {
                  group: 'Milk room',
                  items: pourable.map((lot) => ({
                    value: lot.id,
                    label: `${lot.name}, ${units.volume(litresOfMass(freeKg(lot), lot.of))} free`,
                  })),
                },
              ]
            : []),
          {
            group: pourable.length > 0 ? 'Not from the milk room' : 'Milk',
            items: MILK_KINDS.map((k) => ({ value: k, label: MILK_FACTS[k].label })),
          },
        ]}
        onChange={(e) => {
          const lot = pourable.find((l) => l.id === e.currentTarget.value);
          if (lot) {
            const massKg = Math.min(freeKg(lot), massOfLitresKg(plan.milk.litres, lot.of));
            const milk = milkFromLots(plan.milk, lots, [{ lotId: lot.id, massKg }]);
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
      {plan.milk.lots && plan.milk.lots.length > 1 && (
        <p role="status">
          {plan.milk.lots
            .map((lot) => `${units.volume((lot.massKg / pouredKg) * plan.milk.litres)} of ${lot.name}`)
            .join(', ')}
          .
        </p>
      )}
      {plan.milk.lots && (
        <p className="quiet">
          {plan.milk.treatment}, {((plan.milk.fatFraction ?? 0) * 100).toFixed(1)} % fat
          {cost !== null && `, milk for ${units.cost(cost)}`}
        </p>
      )}
      {!plan.milk.lots && (
        <>
          <Choices
            legend="Treated"
            value={plan.milk.treatment}
            options={TREATMENTS.map((t) => ({ value: t, label: t }))}
            onChange={(treatment) => change({ milk: { ...plan.milk, treatment } })}
          />
          <Choices
            legend="Fat"
            value={fatKnown ? 'known' : 'unknown'}
            options={[
              { value: 'unknown', label: `unknown: about ${usual}` },
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
      <Link to="/sums/powder?for=new">A second milk, or milk powder</Link>
      <Link to="/sums/standardise?for=new">Two milks to a fat</Link>
      {(plan.milk.second || plan.milk.powder) && (
        <p role="status">
          {[
            plan.milk.second &&
              `with ${units.volume(plan.milk.second.litres)} of ${MILK_FACTS[plan.milk.second.kind].label.toLowerCase()}`,
            plan.milk.powder && `with ${units.mass(plan.milk.powder.massKg)} of milk powder`,
          ]
            .filter(Boolean)
            .join(', ')}
          : {units.volume(batchOf(plan).litres)} in all.
        </p>
      )}
    </section>
  );
}
