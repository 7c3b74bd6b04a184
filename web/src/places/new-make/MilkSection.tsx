import {
  batchOf,
  isMassUnit,
  isVolumeUnit,
  litresOfMass,
  MILK_FACTS,
  MILK_KINDS,
  SYSTEM_UNITS,
  toKilograms,
  toLitres,
  UNIT_LABEL,
  type MassUnit,
  type MilkKind,
  type VolumeUnit,
} from '@morning-crock/core';
import { TREATMENTS, type MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { Link } from 'react-router';
import { useUnits } from '../../app/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';
import { QuantityField } from '../../parts/QuantityField.tsx';

const MOST_LITRES = 60;

/** Litres of what was typed, whether by volume or by weight. */
function litresOf(value: number, unit: VolumeUnit | MassUnit, plan: MakePlan): number {
  if (isVolumeUnit(unit)) return toLitres(value, unit);
  return isMassUnit(unit) ? litresOfMass(toKilograms(value, unit), batchOf(plan).composition) : Number.NaN;
}

/** What goes in: how much, of what, how treated, how fat. */
export function MilkSection(props: {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
  readonly onFault: (field: string, faulty: boolean) => void;
}) {
  const { plan, change, onFault } = props;
  const units = useUnits();
  const offered = [...SYSTEM_UNITS[units.system].milk, ...SYSTEM_UNITS[units.system].mass, 'L' as const];
  const options = [...new Set(offered)].map((u) => ({ value: u, label: UNIT_LABEL[u] }));
  const [low, high] = batchOf({ ...plan, milk: { ...plan.milk, fatFraction: null } }).fatRange;
  const usual = `${(low * 100).toFixed(1)}–${(high * 100).toFixed(1)} %`;
  const typedUnit = plan.milk.typed.unit as VolumeUnit | MassUnit;
  const fatKnown = plan.milk.fatFraction !== null;
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
          return null;
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
            milk: { ...plan.milk, litres, typed: { value, unit } },
            starter:
              massKg === null
                ? plan.starter
                : { ...plan.starter, massKg, typed: { value: massKg * 1000, unit: 'g' } },
          });
        }}
      />
      <NativeSelect
        label="From"
        value={plan.milk.kind}
        data={MILK_KINDS.map((k) => ({ value: k, label: MILK_FACTS[k].label }))}
        onChange={(e) => {
          const kind = e.currentTarget.value as MilkKind;
          change({
            milk: {
              ...plan.milk,
              kind,
              fatFraction: null,
              treatment: kind.startsWith('shop') ? 'pasteurised' : plan.milk.treatment,
            },
          });
        }}
      />
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
      <Link to="/sums/powder?for=new">A second milk, or milk powder</Link>
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
