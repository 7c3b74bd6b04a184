import type { Factor } from '../contract/index.ts';
import type { TemperatureUnit } from '../units/index.ts';

const percent = (ln: number): number => Math.round(Math.abs(Math.exp(ln) - 1) * 100);
const makes = (n: number): string => `from ${n} ${n === 1 ? 'make' : 'makes'}`;

const MORE_LESS: Readonly<Record<Exclude<Factor['kind'], 'place-heat'>, readonly [string, string, string]>> =
  {
    rate: ['faster than the book', 'slower than the book', 'as fast as the book'],
    'place-tau': [
      'slower to follow than typed',
      'quicker to follow than typed',
      'as quick to follow as typed',
    ],
    cooling: ['faster cooling than typed', 'slower cooling than typed', 'cooling as typed'],
    churn: ['longer to break than the book', 'less long to break than the book', 'as the book has it'],
    cloth: ['slower to drain than the book', 'quicker to drain than the book', 'draining as the book has it'],
    burner: ['stronger than typed', 'weaker than typed', 'as strong as typed'],
  };

/**
 * A factor in words.
 * @example factorWords(rate, 'C') // '12 % faster than the book, from 5 makes, ± 6 %'
 */
export function factorWords(factor: Factor, unit: TemperatureUnit): string {
  if (factor.kind === 'place-heat') {
    const scale = unit === 'F' ? 1.8 : 1;
    const off = Math.abs(factor.mean * scale);
    const sigma = `± ${(factor.sigma * scale).toFixed(1)} °${unit}`;
    const how =
      off < 0.05
        ? 'as warm as typed'
        : `${off.toFixed(1)} °${unit} ${factor.mean > 0 ? 'warmer' : 'cooler'} than typed`;
    return `${how}, ${makes(factor.makes)}, ${sigma}`;
  }
  const [more, less, same] = MORE_LESS[factor.kind];
  const by = percent(factor.mean);
  const how = by === 0 ? same : `${by} % ${factor.mean > 0 ? more : less}`;
  return `${how}, ${makes(factor.makes)}, ± ${percent(factor.sigma)} %`;
}
