import type { Factor } from '../../contract/index.ts';
import type { TemperatureUnit } from '../../science/units/index.ts';

const percent = (ln: number): number => Math.round(Math.abs(Math.exp(ln) - 1) * 100);
const measured = (n: number, sigma: string): string => `(${n} ${n === 1 ? 'batch' : 'batches'}, ± ${sigma})`;

const MORE_LESS: Readonly<Record<Exclude<Factor['kind'], 'place-heat'>, readonly [string, string, string]>> =
  {
    rate: ['faster than usual', 'slower than usual', 'as fast as usual'],
    'place-tau': [
      'slower to warm and cool than entered',
      'quicker to warm and cool than entered',
      'warms and cools as entered',
    ],
    cooling: ['faster cooling than entered', 'slower cooling than entered', 'cools as entered'],
    churn: ['longer to break than usual', 'less time to break than usual', 'breaks in the usual time'],
    cloth: ['slower to drain than usual', 'quicker to drain than usual', 'drains as usual'],
    hands: ['more time than usual', 'less time than usual', 'the usual time'],
    burner: ['stronger than entered', 'weaker than entered', 'as strong as entered'],
  };

/**
 * A factor in words.
 * @example factorWords(rate, 'C') // '12 % faster than usual (5 batches, ± 6 %)'
 */
export function factorWords(factor: Factor, unit: TemperatureUnit): string {
  if (factor.kind === 'place-heat') {
    const scale = unit === 'F' ? 1.8 : 1;
    const off = Math.abs(factor.mean * scale);
    const sigma = `${(factor.sigma * scale).toFixed(1)} °${unit}`;
    const how =
      off < 0.05
        ? 'as warm as entered'
        : `${off.toFixed(1)} °${unit} ${factor.mean > 0 ? 'warmer' : 'cooler'} than entered`;
    return `${how} ${measured(factor.makes, sigma)}`;
  }
  const [more, less, same] = MORE_LESS[factor.kind];
  const by = percent(factor.mean);
  const how = by === 0 ? same : `${by} % ${factor.mean > 0 ? more : less}`;
  return `${how} ${measured(factor.makes, `${percent(factor.sigma)} %`)}`;
}
