/**
 * Kitchen measures, exact. A cup, a spoon and a pint differ by region, so every unit carries its region.
 * Source: international yard-and-pound agreement (oz, lb), US customary and imperial volume definitions.
 */

/** Millilitres in one of each volume unit. */
export const MILLILITRES_PER = {
  mL: 1,
  L: 1000,
  'tsp-us': 4.929,
  'tsp-metric': 5,
  'tbsp-us': 14.787,
  'tbsp-metric': 15,
  'tbsp-au': 20,
  'cup-us': 236.588,
  'cup-metric': 250,
  'floz-us': 29.5735,
  'floz-imp': 28.4131,
  'pint-us': 473.176,
  'pint-imp': 568.261,
  'quart-us': 946.353,
  'gal-us': 3785.41,
  'gal-imp': 4546.09,
} as const;

/** Kilograms in one of each mass unit. */
export const KILOGRAMS_PER = { g: 0.001, kg: 1, oz: 0.0283495, lb: 0.453592 } as const;

export type VolumeUnit = keyof typeof MILLILITRES_PER;
export type MassUnit = keyof typeof KILOGRAMS_PER;
/** The measures a kitchen thinks in. */
export type MeasureSystem = 'metric' | 'us' | 'imperial';

/** What a person calls each unit. */
export const UNIT_LABEL: Readonly<Record<VolumeUnit | MassUnit, string>> = {
  mL: 'mL',
  L: 'L',
  'tsp-us': 'tsp (US)',
  'tsp-metric': 'tsp (5 mL)',
  'tbsp-us': 'tbsp (US)',
  'tbsp-metric': 'tbsp (15 mL)',
  'tbsp-au': 'tbsp (20 mL)',
  'cup-us': 'cup (US)',
  'cup-metric': 'cup (250 mL)',
  'floz-us': 'fl oz (US)',
  'floz-imp': 'fl oz (imp.)',
  'pint-us': 'pint (US)',
  'pint-imp': 'pint (imp.)',
  'quart-us': 'quart (US)',
  'gal-us': 'gal (US)',
  'gal-imp': 'gal (imp.)',
  g: 'g',
  kg: 'kg',
  oz: 'oz',
  lb: 'lb',
};

/** Units offered first in each system, for milk, for a spoonful and for weights. */
export const SYSTEM_UNITS: Readonly<
  Record<
    MeasureSystem,
    { milk: readonly VolumeUnit[]; spoons: readonly VolumeUnit[]; mass: readonly MassUnit[] }
  >
> = {
  metric: { milk: ['L', 'mL'], spoons: ['tbsp-metric', 'tsp-metric', 'tbsp-au'], mass: ['g', 'kg'] },
  us: {
    milk: ['quart-us', 'cup-us', 'gal-us', 'pint-us'],
    spoons: ['tbsp-us', 'tsp-us'],
    mass: ['oz', 'lb'],
  },
  imperial: {
    milk: ['pint-imp', 'gal-imp', 'floz-imp'],
    spoons: ['tbsp-metric', 'tsp-metric'],
    mass: ['oz', 'lb'],
  },
};

/** Density of plain yogurt, buttermilk and other wet starters, kg/L (measured by many; about). */
export const WET_STARTER_KG_PER_L = 1.03;

/** @returns litres in `value` of `unit`. @example toLitres(1, 'quart-us') // 0.946353 */
export function toLitres(value: number, unit: VolumeUnit): number {
  return (value * MILLILITRES_PER[unit]) / 1000;
}

/** @returns how many `unit` make `litres`. */
export function fromLitres(litres: number, unit: VolumeUnit): number {
  return (litres * 1000) / MILLILITRES_PER[unit];
}

/** @returns kilograms in `value` of `unit`. */
export function toKilograms(value: number, unit: MassUnit): number {
  return value * KILOGRAMS_PER[unit];
}

/** @returns how many `unit` make `massKg`. */
export function fromKilograms(massKg: number, unit: MassUnit): number {
  return massKg / KILOGRAMS_PER[unit];
}

export function isVolumeUnit(unit: string): unit is VolumeUnit {
  return Object.hasOwn(MILLILITRES_PER, unit);
}

export function isMassUnit(unit: string): unit is MassUnit {
  return Object.hasOwn(KILOGRAMS_PER, unit);
}

/** A volume of milk as a kitchen's jug would show it. @example typedVolume(1.5, 'us') // { value: 1.59, unit: 'quart-us' } */
export function typedVolume(litres: number, system: MeasureSystem): { value: number; unit: VolumeUnit } {
  const unit = SYSTEM_UNITS[system].milk[0] ?? 'L';
  return { value: Number(fromLitres(litres, unit).toPrecision(3)), unit };
}

/** A weight as a kitchen's scale would show it. @example typedMass(0.0413, 'us') // { value: 1.46, unit: 'oz' } */
export function typedMass(massKg: number, system: MeasureSystem): { value: number; unit: MassUnit } {
  const unit = SYSTEM_UNITS[system].mass[0] ?? 'g';
  return {
    value: unit === 'g' ? Math.round(massKg * 1e4) / 10 : Number(fromKilograms(massKg, unit).toPrecision(3)),
    unit,
  };
}
