import {
  fromCelsius,
  fromKilograms,
  fromLitres,
  SYSTEM_UNITS,
  toCelsius,
  toKilograms,
  toLitres,
  UNIT_LABEL,
  type StepField,
} from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';

/** A field's number in a kitchen's own measure, there and back. */
export interface FieldUnit {
  readonly label: string;
  readonly shown: (value: number) => number;
  readonly read: (typed: number) => number;
}

const CM_PER_INCH = 2.54;
const as = (label: string, factor = 1): FieldUnit => ({
  label,
  shown: (value) => value * factor,
  read: (typed) => typed / factor,
});

/** How a kitchen measures a field of a method. @example fieldUnit('cm', usKitchen).label // "in" */
export function fieldUnit(unit: StepField['unit'], { temperatureUnit, system }: Units): FieldUnit {
  const [mass] = SYSTEM_UNITS[system].mass.slice(-1);
  const [milk] = SYSTEM_UNITS[system].milk;
  switch (unit) {
    case 'celsius':
      return {
        label: `°${temperatureUnit}`,
        shown: (value) => fromCelsius(value, temperatureUnit),
        read: (typed) => toCelsius(typed, temperatureUnit),
      };
    case 'kg': {
      const own = mass ?? 'kg';
      return {
        label: UNIT_LABEL[own],
        shown: (value) => fromKilograms(value, own),
        read: (typed) => toKilograms(typed, own),
      };
    }
    case 'L': {
      const own = milk ?? 'L';
      return {
        label: UNIT_LABEL[own],
        shown: (value) => fromLitres(value, own),
        read: (typed) => toLitres(typed, own),
      };
    }
    case 'cm':
      return system === 'metric' ? as('cm') : as('in', 1 / CM_PER_INCH);
    case 'percent':
      return as('%', 100);
    case 'd':
      return as('days');
    case 'none':
      return as('number');
    default:
      return as(unit);
  }
}
