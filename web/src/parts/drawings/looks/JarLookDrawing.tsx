/** A jar tilted, with what is in it, as it moves. */
export interface JarLook {
  /** 0 runs like milk, 1 stands as one mass. */
  readonly firm: number;
  /** Whey on top and at the wall, 0..1. */
  readonly whey: number;
  /** Cream: it stands as a spoon leaves it. */
  readonly cream: boolean;
}

/** How far the jar is tilted, degrees. */
const TILT_DEG = 24;

/** A tilted jar: what is liquid lies level, what is set goes with the jar. */
export function JarLookDrawing({ look }: { readonly look: JarLook }) {
  const firm = Math.min(1, Math.max(0, look.firm));
  // In the jar's own frame a liquid's surface slopes against the tilt.
  const slope = Math.tan(((TILT_DEG * Math.PI) / 180) * (1 - firm)) * 70;
  const left = 96 + slope;
  const right = 96 - slope;
  // Half set, it trembles.
  const waves = firm > 0.15 && firm < 0.85 ? 6 * Math.sin(Math.PI * firm) : 0;
  const whey = Math.min(1, Math.max(0, look.whey)) * 26;
  const body = `M32 ${left + whey} Q67 ${(left + right) / 2 + whey - waves * 2} 102 ${(left + right) / 2 + whey} T172 ${right + whey} V214 Q172 228 158 228 H46 Q32 228 32 214 Z`;
  return (
    <svg viewBox="0 0 300 290" className="look-drawing" aria-hidden="true">
      <g transform={`translate(54 22) rotate(${TILT_DEG} 102 130)`}>
        {whey > 0.5 && (
          <path
            d={`M32 ${left} L172 ${right} V${right + whey + 30} H160 L32 ${left + whey} Z`}
            fill="var(--butter)"
            opacity="0.8"
            stroke="var(--line)"
            strokeWidth="1.5"
          />
        )}
        <path d={body} fill="var(--milk)" stroke="var(--ink)" strokeWidth="2" />
        {look.cream && firm > 0.4 && (
          <path
            d={`M74 ${100 + whey} q${6 + 10 * firm} -${20 + 42 * firm} 26 -${24 + 44 * firm} q6 ${22 + 20 * firm} 30 ${24 + 44 * firm} z`}
            fill="var(--milk)"
            stroke="var(--ink)"
            strokeWidth="2"
          />
        )}
        {waves > 1 && (
          <path
            d={`M46 ${108 + whey} q14 -${waves} 28 0 t28 0 t28 0 t26 0`}
            fill="none"
            stroke="var(--line)"
            strokeWidth="2.5"
            strokeLinecap="round"
          />
        )}
        {firm > 0.9 && whey < 6 && (
          // It leaves the wall as one mass.
          <path
            d={`M35 ${right + 14} V204 M169 ${right + 14} V204`}
            stroke="var(--glaze-hi)"
            strokeWidth="4"
          />
        )}
        <path
          d="M28 30 V214 Q28 232 46 232 H158 Q176 232 176 214 V30 M22 30 H182"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="4"
          strokeLinecap="round"
        />
      </g>
    </svg>
  );
}
