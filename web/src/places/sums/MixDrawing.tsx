interface Part {
  readonly name: string;
  readonly amount: string;
  /** Of all, 0..1. */
  readonly share: number;
}

const TOP = 22;
const DEPTH = 150;

/** A jug with two milks poured one on the other, each named beside its share. */
export function MixDrawing({ parts: [first, second] }: { readonly parts: readonly [Part, Part] }) {
  const line = TOP + DEPTH * second.share;
  // Names stay apart however thin a layer is.
  const secondY = Math.min(TOP + DEPTH - 62, Math.max(TOP + 14, TOP + (DEPTH * second.share) / 2));
  const firstY = Math.max(secondY + 48, Math.min(TOP + DEPTH - 20, line + (DEPTH * first.share) / 2));
  const label = (part: Part, y: number) => (
    <g>
      <text x="168" y={y} fontSize="19" className="number" fill="var(--ink)">
        {part.amount}
      </text>
      <text x="168" y={y + 20} fontSize="15" fill="var(--quiet)">
        {part.name}
      </text>
    </g>
  );
  return (
    <svg
      viewBox="0 0 460 190"
      width="100%"
      role="img"
      aria-label={`${first.amount} of ${first.name}, ${second.amount} of ${second.name}`}
    >
      <rect x="32" y={line} width="104" height={TOP + DEPTH - line} fill="var(--creamy)" />
      <rect x="32" y={TOP} width="104" height={line - TOP} fill="var(--skimmed)" />
      <line x1="32" x2="136" y1={line} y2={line} stroke="var(--cobalt)" strokeWidth="2.5" />
      <path
        d={`M32 ${TOP - 12}v${DEPTH + 6}q0 8 8 8h88q8 0 8-8V${TOP - 12}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <path d="M32 48q-24 4-24 38t24 38" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {label(second, secondY)}
      {label(first, firstY)}
    </svg>
  );
}
