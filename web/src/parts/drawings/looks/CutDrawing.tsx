/** Curd with a knife pushed in and lifted. @param set share of the time to a clean break */
export function CutDrawing({ set }: { readonly set: number }) {
  const firm = Math.min(1, Math.max(0, set));
  const clean = set >= 1;
  const shrunk = Math.min(1, Math.max(0, (set - 1.5) / 0.6));
  return (
    <svg viewBox="0 0 340 290" className="look-drawing" aria-hidden="true">
      <path
        d={`M${44 + 16 * shrunk} 130 H${296 - 16 * shrunk} V250 Q${296 - 16 * shrunk} 264 280 264 H60 Q${44 + 16 * shrunk} 264 ${44 + 16 * shrunk} 250 Z`}
        fill="var(--milk)"
        stroke="var(--line)"
        strokeWidth="1.5"
      />
      {shrunk > 0 && (
        <path
          d="M44 128 H60 V258 H48 Z M296 128 H280 V258 H292 Z M60 124 H280 V134 H60 Z"
          fill="var(--butter)"
          opacity="0.8"
        />
      )}
      {firm < 0.6 ? (
        // It closes again behind the knife, like thick milk.
        <path
          d={`M150 130 q20 ${20 + 30 * firm} 40 0`}
          fill="var(--glaze-lo)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      ) : clean ? (
        <g>
          <path d="M132 130 L170 206 L208 130 Z" fill="var(--butter)" opacity="0.75" />
          <path d="M132 130 L170 206 L208 130" fill="none" stroke="var(--ink)" strokeWidth="3" />
        </g>
      ) : (
        <path
          d="M138 130 q4 18 14 22 q-2 14 12 20 q4 12 8 22 q4 -14 12 -20 q12 -8 10 -22 q12 -6 12 -22"
          fill="var(--glaze-lo)"
          stroke="var(--ink)"
          strokeWidth="2"
          strokeLinejoin="round"
        />
      )}
      <path
        d="M40 96 V250 Q40 270 60 270 H280 Q300 270 300 250 V96"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      <path
        d="M164 26 H176 V150 L170 168 L164 150 Z"
        fill="var(--slip)"
        stroke="var(--ink)"
        strokeWidth="2.5"
        transform={`rotate(${clean ? -58 : 0} 170 150)`}
      />
    </svg>
  );
}
