import { scaleLinear } from 'd3-scale';
import { line as shapeOf } from 'd3-shape';
import { placeNames, WORD_PX, wordPlace } from '../words/word-place.ts';
import './little-curve.css';

const W = 460;
const H = 190;
const PAD = { left: 52, right: 86, top: 16, bottom: 30 } as const;

export interface LittleLine {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  readonly colour: 'clay' | 'cobalt' | 'brush' | 'quiet';
  readonly dashed?: boolean;
}

/** A small picture of one or a few lines, each named at its end. x in minutes or hours, y already in shown units. */
export function LittleCurve(props: {
  readonly label: string;
  readonly lines: readonly LittleLine[];
  readonly xUnit: string;
  readonly yUnit: string;
  /** A line across at a value, with its word. */
  readonly across?: { readonly at: number; readonly word: string };
  /** Where the answer lies. */
  readonly dot?: readonly [number, number];
}) {
  const { label, lines, xUnit, yUnit, across, dot } = props;
  const all = lines.flatMap((line) => line.points);
  if (all.length === 0) return null;
  const xs = all.map(([x]) => x);
  const ys = [...all.map(([, y]) => y), ...(across ? [across.at] : [])];
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)];
  const [y0, y1] = [Math.min(...ys), Math.max(...ys)];
  const X = scaleLinear([x0, Math.max(x1, x0 + 1e-9)], [PAD.left, W - PAD.right]);
  const Y = scaleLinear([y0, Math.max(y1, y0 + 1e-9)], [H - PAD.bottom, PAD.top]);
  const path = shapeOf<readonly [number, number]>(
    ([x]) => X(x),
    ([, y]) => Y(y),
  ).digits(1);
  const names = placeNames(
    lines.map(({ name, points }) => ({
      name,
      x: X(points.at(-1)?.[0] ?? x0) + 6,
      // What ends on the line across is named above it.
      y: Y(points.at(-1)?.[1] ?? 0) - (across && points.at(-1)?.[1] === across.at ? 6 : 0),
    })),
  );
  const round = (v: number): string =>
    String(Math.abs(v) < 10 ? Math.round(v * 10) / 10 : Math.round(v)).replace('-', '−');
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width="100%" role="img" aria-label={label} className="little-curve">
      <line x1={PAD.left} x2={W - PAD.right} y1={H - PAD.bottom} y2={H - PAD.bottom} stroke="var(--line)" />
      {across && (
        <>
          <line
            x1={PAD.left}
            x2={W - PAD.right}
            y1={Y(across.at)}
            y2={Y(across.at)}
            stroke="var(--quiet)"
            strokeDasharray="3 5"
          />
          <text
            x={wordPlace(
              [
                ...lines.map((line) => line.points.map(([x, y]): [number, number] => [X(x), Y(y)])),
                ...names.map(({ x, y, name }): [number, number][] => [
                  [x, y],
                  [x + name.length * WORD_PX, y],
                ]),
              ],
              [PAD.left + 4, W - PAD.right],
              across.word.length * WORD_PX,
              Y(across.at) - 10,
            )}
            y={Y(across.at) - 5}
            fontSize="15"
            fill="var(--quiet)"
            className="on-line"
          >
            {across.word}
          </text>
        </>
      )}
      {lines.map((line) => (
        <path
          key={line.name}
          d={path(line.points) ?? ''}
          fill="none"
          stroke={`var(--${line.colour})`}
          strokeWidth="2.5"
          strokeDasharray={line.dashed ? '7 5' : undefined}
        />
      ))}
      {dot && (
        <circle
          cx={X(Math.min(x1, Math.max(x0, dot[0])))}
          cy={Y(Math.min(y1, Math.max(y0, dot[1])))}
          r="6"
          fill="var(--butter)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      {names.map(({ name, x, y }, i) => (
        <text key={name} x={x} y={y + 5} fontSize="15" fill={`var(--${lines[i]!.colour})`}>
          {name}
        </text>
      ))}
      <text x={PAD.left - 6} y={PAD.top + 8} fontSize="15" fill="var(--quiet)" textAnchor="end">
        {round(y1)}
      </text>
      <text x={PAD.left - 6} y={H - PAD.bottom} fontSize="15" fill="var(--quiet)" textAnchor="end">
        {round(y0)}
      </text>
      <text x="0" y={H - 6} fontSize="15" fill="var(--quiet)">
        {yUnit}
      </text>
      <text x={PAD.left} y={H - 8} fontSize="15" fill="var(--quiet)">
        {round(x0)}
      </text>
      <text x={W - PAD.right} y={H - 8} fontSize="15" fill="var(--quiet)" textAnchor="end">
        {round(x1)} {xUnit}
      </text>
    </svg>
  );
}
