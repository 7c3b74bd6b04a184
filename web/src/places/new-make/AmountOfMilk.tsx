import {
  batchOf,
  EMPTY_KG,
  freeKg,
  isMassUnit,
  isVolumeUnit,
  litresOfMass,
  SYSTEM_UNITS,
  toKilograms,
  toLitres,
  typedMass,
  typedVolume,
  UNIT_LABEL,
  withLitres,
  type MassUnit,
  type VolumeUnit,
} from '@morning-crock/core';
import type { Lot, MakePlan } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import type { Units } from '../../data/units-of.ts';
import type { PourProps } from './pour-props.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { LevelFields } from '../../parts/fields/LevelFields.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';

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
      lot.spokenForKg > EMPTY_KG ? `, ${volume(lot.spokenForKg)} of it planned for other batches` : '';
    return `${lot.name}: only ${volume(Math.max(0, lot.has.massKg))} in stock${planned}.`;
  }
  return null;
}

/** A plan with so much in it; the dose stays the same share of the milk unless it was set by a packet. */
function withAmount(
  plan: MakePlan,
  litres: number,
  typed: MakePlan['milk']['typed'],
  system: Units['system'],
): Pick<MakePlan, 'milk' | 'starter'> {
  const massKg =
    plan.starter.massKg === null
      ? null
      : Math.round((plan.starter.massKg * litres * 1000) / plan.milk.litres) / 1000;
  const { byLevel: _before, ...milk } = withLitres(plan.milk, litres, typed);
  return {
    milk,
    starter: massKg === null ? plan.starter : { ...plan.starter, massKg, typed: typedMass(massKg, system) },
  };
}

/** No jug and no scales: how full a pot or jar is. */
export function AmountByLevel({ plan, change, onFault, onRenew }: Omit<PourProps, 'lots'>) {
  const units = useUnits();
  const kitchen = useKitchen();
  const [litres, setLitres] = useState<number | null>(null);
  if (kitchen.jars.length + kitchen.pots.length === 0) return null;
  const use = (): void => {
    if (litres === null) return;
    const { milk, starter } = withAmount(plan, litres, typedVolume(litres, units.system), units.system);
    change({ milk: { ...milk, byLevel: true }, starter });
    onFault('milk', false);
    onRenew();
  };
  return (
    <details>
      <summary className="unfolds">No jug? Tell by level</summary>
      <LevelFields onLitres={setLitres} />
      <Button variant="default" mt={12} disabled={litres === null} onClick={use}>
        {litres === null ? 'Use this amount' : `Use about ${units.volume(litres)}`}
      </Button>
    </details>
  );
}

/** How much goes in, by volume or by weight; the dose stays the same share of it. */
export function AmountOfMilk({ plan, lots, change, onFault, renewed }: PourProps) {
  const units = useUnits();
  const offered = [...SYSTEM_UNITS[units.system].milk, ...SYSTEM_UNITS[units.system].mass, 'L' as const];
  const options = [...new Set(offered)].map((u) => ({ value: u, label: UNIT_LABEL[u] }));
  const { unit } = plan.milk.typed;
  const typedUnit = isVolumeUnit(unit) || isMassUnit(unit) ? unit : 'L';
  return (
    <QuantityField
      // Told by level, the field shows what that came to.
      key={`${plan.repeatOf ?? 'new'} ${renewed}`}
      label="Amount"
      value={plan.milk.typed.value}
      unit={typedUnit}
      units={
        options.some((o) => o.value === typedUnit)
          ? options
          : [...options, { value: typedUnit, label: UNIT_LABEL[typedUnit] }]
      }
      check={(value, unit) => {
        const litres = litresOf(value, unit, plan);
        if (!(value > 0)) return 'Enter an amount above 0.';
        if (litres < 0.05)
          return `That is only ${units.volume(litres)}. ${unit === 'mL' ? 'Did you mean litres?' : 'Choose a larger unit.'}`;
        if (litres > MOST_LITRES)
          return `That is ${units.volume(litres)}. The most you can enter is ${units.volume(MOST_LITRES)}.${unit === 'L' ? ' Did you mean millilitres?' : ''}`;
        return tooMuchOf(plan, lots, litres, units);
      }}
      onFault={(faulty) => onFault('milk', faulty)}
      onChange={(value, unit) =>
        change(withAmount(plan, litresOf(value, unit, plan), { value, unit }, units.system))
      }
    />
  );
}
