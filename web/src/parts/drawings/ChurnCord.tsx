import { STAGE_SHARE, STAGE_WORDS, type ChurnStage } from '@morning-crock/core';
import { scaleLinear } from 'd3-scale';
import './churn-cord.css';

/** The stages a churning is told by, in order. */
export const KNOTS: readonly ChurnStage[] = ['froth', 'soft', 'stiff', 'yellow', 'easier', 'broken'];
const TOP_PX = 16;
const STEP_PX = 40;
/** The cord ends here, as a share of the expected time. */
const END_SHARE = 2;
/** Knots stand evenly, so that each can be read; time runs between them as it does. */
const SHARES = [0, ...KNOTS.map((stage) => STAGE_SHARE[stage]), END_SHARE];
const PLACES = [0, ...KNOTS.map((_, i) => i + 1), KNOTS.length + 2];
const y = scaleLinear(
  SHARES,
  PLACES.map((place) => TOP_PX + STEP_PX * place),
).clamp(true);

/** A cord with a knot for each stage; its thick part is where it should break. */
export function ChurnCord(props: {
  readonly nowShare: number;
  /** Where it was expected to break: from and to, as shares. */
  readonly expected: readonly [number, number];
  readonly seen: readonly ChurnStage[];
}) {
  const { nowShare, expected, seen } = props;
  return (
    <svg viewBox="0 0 180 344" className="churn-cord" aria-hidden="true">
      <line x1="20" x2="20" y1={y(0)} y2={y(END_SHARE)} stroke="var(--line)" strokeWidth="4" />
      <line
        x1="20"
        x2="20"
        y1={y(expected[0])}
        y2={y(expected[1])}
        stroke="var(--brush)"
        strokeWidth="14"
        strokeLinecap="round"
      />
      {KNOTS.map((stage) => {
        const at = y(STAGE_SHARE[stage]);
        const was = seen.includes(stage);
        return (
          <g key={stage}>
            <circle
              cx="20"
              cy={at}
              r="8"
              fill={was ? 'var(--ink)' : 'var(--slip)'}
              stroke="var(--ink)"
              strokeWidth="2.5"
            />
            <text x="40" y={at + 6} fontSize="17" fill={was ? 'var(--ink)' : 'var(--quiet)'}>
              {STAGE_WORDS[stage]}
            </text>
          </g>
        );
      })}
      <path
        d={`M6 ${y(nowShare)} l-6 -7 v14 z M34 ${y(nowShare)} h-28`}
        fill="var(--madder)"
        stroke="var(--madder)"
        strokeWidth="3"
      />
    </svg>
  );
}
