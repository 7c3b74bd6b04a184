import {
  fromKilograms,
  fromLitres,
  isMassUnit,
  isVolumeUnit,
  litresOfMass,
  massOfLitresKg,
  SYSTEM_UNITS,
  toKilograms,
  toLitres,
  UNIT_LABEL,
  type Composition,
  type MassUnit,
  type VolumeUnit,
} from '@morning-crock/core';
import type { TypedQuantity } from '@morning-crock/core/contract';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { QuantityField } from './QuantityField.tsx';

type AmountUnit = MassUnit | VolumeUnit;

/** Of what an amount is taken to be where nothing more is known: near enough for a jar or a wish. */
export const PLAIN_MILK: Composition = {
  fatFraction: 0.038,
  proteinFraction: 0.033,
  lactoseFraction: 0.047,
  ashFraction: 0.007,
};

/** Some milk or cream as typed, with its weight. */
export interface TypedAmount {
  readonly massKg: number;
  readonly typed: TypedQuantity;
}

/** Kilograms of an amount by weight or by volume. */
function kilograms(value: number, unit: AmountUnit, of: Composition): number {
  if (isMassUnit(unit)) return toKilograms(value, unit);
  return isVolumeUnit(unit) ? massOfLitresKg(toLitres(value, unit), of) : Number.NaN;
}

/** The units a kitchen measures milk in, by volume first or by weight. */
function useAmountUnits(by: 'volume' | 'weight'): readonly AmountUnit[] {
  const { system } = useUnits();
  const { milk, mass } = SYSTEM_UNITS[system];
  const own = by === 'volume' ? [...milk, ...mass] : [...mass, ...milk];
  return [...new Set<AmountUnit>([...own, 'L', 'g'])];
}

/** A weight as a typed amount in the kitchen's own unit, rounded as a scale or a jug would show it. */
export function useAsTyped(by: 'volume' | 'weight'): (massKg: number, of: Composition) => TypedAmount {
  const unit = useAmountUnits(by)[0]!;
  return (massKg, of) => {
    const value = isMassUnit(unit)
      ? fromKilograms(massKg, unit)
      : isVolumeUnit(unit)
        ? fromLitres(litresOfMass(massKg, of), unit)
        : Number.NaN;
    return { massKg, typed: { value: Number(value.toPrecision(3)), unit } };
  };
}

/** An amount of milk or cream by weight or volume; what is wrong with it is said beside it. */
export function AmountField(props: {
  readonly label: string;
  readonly of: Composition;
  readonly by: 'volume' | 'weight';
  readonly amount: TypedAmount | null;
  /** What is wrong with a weight, in words. */
  readonly check?: (massKg: number) => string | null;
  readonly onAmount: (amount: TypedAmount | null) => void;
  readonly none?: boolean;
  /** May stay empty. */
  readonly optional?: boolean;
}) {
  const { label, of, by, amount, check, onAmount, none = false, optional = false } = props;
  const offered = useAmountUnits(by);
  const [first] = useState(amount);
  /** A field that is emptied keeps the unit it was typed in. */
  const [last, setLast] = useState(first?.typed.unit);
  const unit = (amount?.typed.unit ?? last ?? offered[0]!) as AmountUnit;
  const units = [...new Set([...offered, unit])].map((u) => ({ value: u, label: UNIT_LABEL[u] }));
  return (
    <QuantityField<AmountUnit>
      label={label}
      value={amount?.typed.value ?? first?.typed.value ?? null}
      unit={unit}
      units={units}
      optional={optional}
      missing="Enter an amount."
      onEmpty={() => onAmount(null)}
      check={(value, u) => {
        if (value < 0) return 'Enter an amount of 0 or more.';
        if (value === 0 && !none) return 'Enter an amount above 0.';
        return check?.(kilograms(value, u, of)) ?? null;
      }}
      onFault={(faulty) => {
        if (faulty) onAmount(null);
      }}
      onChange={(value, u) => {
        setLast(u);
        onAmount({ massKg: kilograms(value, u, of), typed: { value, unit: u } });
      }}
    />
  );
}
