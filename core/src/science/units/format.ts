import { fromKilograms, fromLitres, type MeasureSystem } from './measures.ts';
import { fromCelsius, type TemperatureUnit } from './temperature.ts';
import { MINUTE_MS } from './time.ts';

const trim = (value: number, decimals: number): string => {
  const text = value.toFixed(decimals);
  return decimals > 0 ? text.replace(/\.?0+$/, '') : text;
};

/** °C with one decimal below 60 and whole above; °F whole. @example formatTemperature(43.25, 'C') // '43.3 °C' */
export function formatTemperature(celsius: number, unit: TemperatureUnit): string {
  if (unit === 'F') return `${Math.round(fromCelsius(celsius, 'F'))} °F`;
  return `${celsius < 60 ? celsius.toFixed(1) : Math.round(celsius)} °C`;
}

/** How far two temperatures are apart. @example formatDifference(2, 'F') // '4 °F' */
export const formatDifference = (kelvin: number, unit: TemperatureUnit): string =>
  unit === 'F' ? `${Math.round(kelvin * 1.8)} °F` : `${trim(kelvin, 1)} °C`;

/** pH: two decimals, one for a strip. The unit is the word itself. */
export function formatPh(ph: number, instrument: 'meter' | 'strip' = 'meter'): string {
  return `pH ${ph.toFixed(instrument === 'strip' ? 1 : 2)}`;
}

/** Grams below a kilogram, kilograms with two decimals above; ounces below a pound, pounds above. */
export function formatMass(massKg: number, system: MeasureSystem): string {
  if (system === 'metric') {
    const grams = massKg * 1000;
    if (Math.round(grams) < 1000) return `${trim(grams, grams < 10 ? 1 : 0)} g`;
    return `${massKg.toFixed(2)} kg`;
  }
  const ounces = fromKilograms(massKg, 'oz');
  return ounces < 16 ? `${trim(ounces, 1)} oz` : `${fromKilograms(massKg, 'lb').toFixed(2)} lb`;
}

/** Litres of milk in the kitchen's own measures. */
export function formatVolume(litres: number, system: MeasureSystem): string {
  if (system === 'metric') return litres < 1 ? `${Math.round(litres * 1000)} mL` : `${trim(litres, 2)} L`;
  if (system === 'us') {
    const quarts = fromLitres(litres, 'quart-us');
    return quarts < 1 ? `${trim(fromLitres(litres, 'cup-us'), 1)} cups (US)` : `${trim(quarts, 2)} qt (US)`;
  }
  const pints = fromLitres(litres, 'pint-imp');
  return pints < 1
    ? `${trim(fromLitres(litres, 'floz-imp'), 1)} fl oz (imp.)`
    : `${trim(pints, 1)} pints (imp.)`;
}

/** From so many hours on a time is told in days, and from so many days on in days alone. */
const IN_DAYS_H = 72;
const DAYS_ALONE = 7;

/** Minutes as "45 min", "3 h 20 min" or "5 days 4 h". @example formatMinutes(200) // '3 h 20 min' */
export function formatMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  if (whole >= IN_DAYS_H * 60) {
    const hours = Math.round(whole / 60);
    const days = Math.floor(hours / 24);
    if (days >= DAYS_ALONE) return `${Math.round(hours / 24)} days`;
    return hours % 24 === 0 ? `${days} days` : `${days} days ${hours % 24} h`;
  }
  const rest = whole % 60;
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest} min`;
}

/** A band of instants rounded outward to whole five minutes, so that it never promises more than it knows. */
export function outwardBand(fromMs: number, toMs: number): { fromMs: number; toMs: number } {
  const stepMs = 5 * MINUTE_MS;
  return { fromMs: Math.floor(fromMs / stepMs) * stepMs, toMs: Math.ceil(toMs / stepMs) * stepMs };
}
