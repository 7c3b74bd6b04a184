import { useId } from 'react';

/** A glass jar with its milk and the cream line at its computed height. */
export function JarDrawing(props: {
  /** 0..1 of the jar. */
  readonly fill: number;
  /** Layer over all of the milk, 0..1; 0 shows none. */
  readonly cream: number;
  readonly look: 'milk' | 'skimmed' | 'cream' | 'frozen';
  readonly asksRecount: boolean;
  readonly label: string;
}) {
  const { fill, cream, look, asksRecount, label } = props;
  const id = useId();
  const top = 152 - 108 * Math.min(1, Math.max(0.06, fill));
  const height = 152 - top;
  const layer = cream * height;
  const milk = look === 'skimmed' ? 'var(--skimmed)' : look === 'cream' ? 'var(--creamy)' : 'var(--milk)';
  return (
    <svg viewBox="0 0 120 170" role="img" aria-label={label}>
      <defs>
        <clipPath id={`${id}c`}>
          <path d="M26 40h68q12 10 12 26v76q0 14-14 14H28q-14 0-14-14V66q0-16 12-26z" />
        </clipPath>
      </defs>
      <g clipPath={`url(#${id}c)`}>
        <rect x="10" y={top} width="100" height={height + 10} fill={milk} />
        {layer > 0 && (
          <>
            <rect x="10" y={top} width="100" height={layer} fill="var(--creamy)" />
            <line
              x1="10"
              x2="110"
              y1={top + layer}
              y2={top + layer}
              stroke="var(--cobalt)"
              strokeWidth="2.5"
            />
          </>
        )}
        {look === 'frozen' && (
          <g stroke="var(--brush)" strokeWidth="2" opacity="0.7">
            {[0, 1, 2, 3, 4].map((i) => (
              <path key={i} d={`M${18 + i * 20} ${top + 14}v22m-9-17 18 12m0-12-18 12`} fill="none" />
            ))}
          </g>
        )}
      </g>
      <path
        d="M26 40h68q12 10 12 26v76q0 14-14 14H28q-14 0-14-14V66q0-16 12-26z"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <path d="M24 26h72v14H24z" fill="var(--glaze-lo)" stroke="var(--ink)" strokeWidth="2.5" />
      <path
        d="M28 74q-4 30 0 56"
        fill="none"
        stroke="var(--glaze-hi)"
        strokeWidth="5"
        strokeLinecap="round"
      />
      {asksRecount && (
        <g>
          <circle cx="92" cy="40" r="16" fill="var(--butter)" stroke="var(--ink)" strokeWidth="2" />
          <text x="92" y="47" fontSize="21" textAnchor="middle" fill="#24221e" fontWeight="700">
            ?
          </text>
        </g>
      )}
    </svg>
  );
}
