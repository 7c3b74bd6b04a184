import { formatDifference, fromCelsius, type TemperatureUnit } from '../science/units/index.ts';

/** As it is written down: 43 stays 43, 38.1 keeps its tenth. */
const shown = (celsius: string, unit: TemperatureUnit): string =>
  unit === 'C' ? celsius : String(Math.round(fromCelsius(Number(celsius), unit)));

/**
 * A sentence with the temperatures in its braces as somebody reads them.
 * @param sentence temperatures in braces, in °C; how far two are apart in brackets, in K
 * @example toDegrees('Above {47}, about [2] warmer.', 'F') // 'Above 117 °F, about 4 °F warmer.'
 */
export const toDegrees = (sentence: string, unit: TemperatureUnit = 'C'): string =>
  sentence
    .replace(
      /\{(-?[\d.]+)\}–\{(-?[\d.]+)\}/g,
      (_, from: string, to: string) => `${shown(from, unit)}–${shown(to, unit)} °${unit}`,
    )
    .replace(/\{(-?[\d.]+)\}/g, (_, celsius: string) => `${shown(celsius, unit)} °${unit}`)
    .replace(/\[([\d.]+)\]/g, (_, kelvin: string) => formatDifference(Number(kelvin), unit));
