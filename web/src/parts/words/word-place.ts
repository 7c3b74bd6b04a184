/** One line of a drawing as its corners, from left to right, in the drawing's own units. */
export type Corners = readonly (readonly [x: number, y: number])[];

const TRIED = 33;
const SAMPLES = 8;

/** Height of a line at x; `null` beside it. */
function heightAt(corners: Corners, x: number): number | null {
  const next = corners.findIndex(([cx]) => cx >= x);
  if (next < 0 || (next === 0 && corners[0]![0] > x)) return null;
  if (next === 0) return corners[0]![1];
  const [[x0, y0], [x1, y1]] = [corners[next - 1]!, corners[next]!];
  return x1 === x0 ? y1 : y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
}

/**
 * Where a word along a level keeps furthest from the lines around it.
 * @param range where it may begin and must end
 * @returns the x it begins at; the leftmost of equally good ones
 * @example wordPlace([[[0, 0], [100, 90]]], [0, 100], 40, 10) // 60, away from where the line crosses
 */
export function wordPlace(
  lines: readonly Corners[],
  range: readonly [number, number],
  width: number,
  level: number,
): number {
  const room = Math.max(0, range[1] - range[0] - width);
  let best = { x: range[0], clear: -1 };
  for (let i = 0; i < TRIED; i++) {
    const x = range[0] + (room * i) / (TRIED - 1);
    let clear = Infinity;
    for (const line of lines)
      for (let k = 0; k <= SAMPLES; k++) {
        const y = heightAt(line, x + (width * k) / SAMPLES);
        if (y !== null) clear = Math.min(clear, Math.abs(y - level));
      }
    if (clear > best.clear + 1e-9) best = { x, clear };
  }
  return best.x;
}

/** Width of a letter of the words in a small picture, and how far apart two of its lines of text stand. */
export const WORD_PX = 8;
const ROW_PX = 18;

/** A line's name and where it would stand best: the x it begins at, and its middle. */
export interface NameAt {
  readonly name: string;
  readonly x: number;
  readonly y: number;
}

/**
 * The names of lines at their ends: those that would lie upon each other stand one below the other, all others where they are.
 * @returns in the order they came in
 * @example placeNames([{ name: 'a', x: 0, y: 10 }, { name: 'b', x: 0, y: 12 }]).map(({ y }) => y) // [10, 28]
 */
export function placeNames(names: readonly NameAt[]): NameAt[] {
  const placed: NameAt[] = [];
  const overlaps = (a: NameAt, b: NameAt): boolean =>
    a.x < b.x + b.name.length * WORD_PX &&
    b.x < a.x + a.name.length * WORD_PX &&
    Math.abs(a.y - b.y) < ROW_PX;
  const down = (one: NameAt): NameAt => {
    const under = placed.find((other) => overlaps(one, other));
    return under ? down({ ...one, y: under.y + ROW_PX }) : one;
  };
  const order = [...names.keys()].sort((a, b) => names[a]!.y - names[b]!.y);
  const at = new Map<number, NameAt>();
  for (const i of order) {
    const one = down(names[i]!);
    placed.push(one);
    at.set(i, one);
  }
  return names.map((_, i) => at.get(i)!);
}
