/** How far down the bag hangs for a share that is left in it. */
const bagPx = (share: number): number => 118 + 100 * Math.min(1, Math.max(0, share));

/** The hung cloth: how full, the mark where it is thick enough, and the whey under it. */
export function BagDrawing(props: {
  /** What is left in it, and where it is thick enough: shares of what hung there at first. */
  readonly left: number;
  readonly markAt: number;
  /** Whey in the bowl, likewise. */
  readonly whey: number;
  readonly dripping: boolean;
}) {
  const { left, markAt, whey, dripping } = props;
  const bottom = bagPx(left);
  return (
    <svg viewBox="0 0 300 340" aria-hidden="true" className="temper-drawing">
      <path d="M40 26 H260" stroke="var(--ink)" strokeWidth="6" strokeLinecap="round" />
      <path
        d={`M150 26 V48 C122 58 84 96 84 ${bottom - 44} Q84 ${bottom} 150 ${bottom} Q216 ${bottom} 216 ${bottom - 44} C216 96 178 58 150 48 Z`}
        fill="var(--glaze-hi)"
        stroke="var(--ink)"
        strokeWidth="3"
        strokeLinejoin="round"
      />
      <path d="M136 58 q14 8 28 0" fill="none" stroke="var(--ink)" strokeWidth="3" strokeLinecap="round" />
      <path
        d={`M62 ${bagPx(markAt)} H238`}
        stroke="var(--brush)"
        strokeWidth="4"
        strokeDasharray="8 7"
        strokeLinecap="round"
      />
      {dripping && (
        <g fill="var(--butter)" stroke="var(--ink)" strokeWidth="1.5">
          <path d="M150 226 q9 14 0 20 q-9 -6 0 -20 z" />
          <path d="M150 254 q7 11 0 16 q-7 -5 0 -16 z" />
        </g>
      )}
      <path
        d="M70 276 H230 Q226 330 150 330 Q74 330 70 276 Z"
        fill="var(--page)"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <path
        d={`M${78 + 4 * (1 - whey)} ${322 - 42 * whey} H${222 - 4 * (1 - whey)} Q214 326 150 326 Q86 326 ${78 + 4 * (1 - whey)} ${322 - 42 * whey} Z`}
        fill="var(--butter)"
        opacity="0.75"
      />
    </svg>
  );
}
