import type { FatBalance } from '@morning-crock/core';
import type { Units } from '../../../data/units-of.ts';
import './fat-flow.css';

const HEIGHT = 190;
const [FROM_X, TO_X] = [74, 330];
const TOP = 14;
/** A stream as thin as a thread is still seen, px; and two never touch. */
const THINNEST = 3;
const GAP = 26;

/** One stream of fat, from the cream to where it went. */
interface Stream {
  readonly name: string;
  readonly kg: number;
  readonly fill: string;
}

/** Where the fat went, as streams from the cream: butter, buttermilk, washing, churn and cloth. */
export function FatFlow({ fat, units }: { readonly fat: FatBalance; readonly units: Units }) {
  const { fatKg, inButterKg, inButtermilkKg, elsewhereKg, inWashKg } = fat;
  if (inButterKg === null || elsewhereKg === null) return null;
  const share = (kg: number): string => ((100 * kg) / fatKg).toFixed(kg < 0.01 * fatKg ? 1 : 0);
  const vessel = Math.max(0, elsewhereKg - (inWashKg ?? 0));
  const streams: readonly Stream[] = [
    { name: 'in the butter', kg: inButterKg, fill: 'var(--butter)' },
    { name: 'in the buttermilk (estimated)', kg: inButtermilkKg ?? 0, fill: 'var(--brush)' },
    { name: 'in the wash water (estimated)', kg: inWashKg ?? 0, fill: 'var(--cobalt)' },
    { name: 'left in churn and cloth, or the cream was leaner', kg: vessel, fill: 'var(--clay)' },
  ];
  const widths = streams.map(({ kg }) => Math.max(THINNEST, (HEIGHT * kg) / fatKg));
  const whole = widths.reduce((sum, w) => sum + w, 0);
  let fromY = TOP;
  let toY = TOP;
  const drawn = streams.map((stream, i) => {
    const width = widths[i]!;
    const [y0, y1] = [fromY, toY];
    fromY += width;
    toY += Math.max(width, 18) + GAP;
    const middle = (FROM_X + TO_X) / 2;
    return {
      ...stream,
      textY: y1 + width / 2 + 6,
      d: `M${FROM_X} ${y0} C${middle} ${y0} ${middle} ${y1} ${TO_X} ${y1} v${width} C${middle} ${y1 + width} ${middle} ${y0 + width} ${FROM_X} ${y0 + width} Z`,
    };
  });
  return (
    <figure className="fat-flow" aria-label={`Fat: ${units.mass(fatKg)} in the cream`}>
      <figcaption>
        Where the {units.mass(fatKg)} of fat went{' '}
        <span className="quiet">
          (assuming butter of {Math.round((inButterKg / (fat.realKg ?? 1)) * 100)} % fat)
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 640 ${toY}`}
        role="img"
        aria-label={streams.map(({ name, kg }) => `${units.mass(kg)}, ${share(kg)} % ${name}`).join('; ')}
      >
        <path
          d={`M24 ${TOP - 8} h46 v${whole + 16} q0 8 -8 8 h-30 q-8 0 -8 -8 Z`}
          fill="var(--milk)"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
        {drawn.map(({ name, d, fill }) => (
          <path key={name} d={d} fill={fill} opacity="0.85" />
        ))}
        {drawn.map(({ name, kg, textY }) => (
          <text key={name} x={TO_X + 12} y={textY}>
            <tspan className="kg">{units.mass(kg)}</tspan> {share(kg)} % {name}
          </text>
        ))}
      </svg>
    </figure>
  );
}
