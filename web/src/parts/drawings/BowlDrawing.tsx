/** The bowl of washing: its water as cloudy as what is left in the butter, a drop for each wash. */
export function BowlDrawing(props: {
  /** 0 clear to 1 like milk. */
  readonly cloud: number;
  readonly washes: number;
  readonly planned: number;
}) {
  const { cloud, washes, planned } = props;
  return (
    <svg viewBox="0 0 380 300" aria-hidden="true" className="wash-drawing">
      <path
        d="M30 110 H350 Q340 280 190 280 Q40 280 30 110 Z"
        fill="var(--glaze-hi)"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <path
        d="M44 140 Q190 128 336 140 Q318 266 190 266 Q62 266 44 140 Z"
        fill="var(--brush)"
        opacity="0.25"
      />
      <path
        d="M44 140 Q190 128 336 140 Q318 266 190 266 Q62 266 44 140 Z"
        fill="var(--milk)"
        opacity={cloud}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <path
        d="M112 216 q6 -52 66 -50 q30 -16 56 8 q40 2 34 46 q-70 26 -156 -4 z"
        fill="var(--butter)"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <g fill="none" stroke="var(--brush)" strokeWidth="4" strokeLinecap="round">
        <path d="M48 122 l8 10 M64 122 l8 10 M80 122 l8 10 M292 122 l8 10 M308 122 l8 10 M324 122 l8 10" />
      </g>
      {Array.from({ length: Math.max(washes, planned) }, (_, i) => (
        <path
          key={i}
          d={`M${40 + i * 36} 30 q16 22 0 34 q-16 -12 0 -34 z`}
          fill={i < washes ? 'var(--brush)' : 'none'}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      ))}
    </svg>
  );
}
