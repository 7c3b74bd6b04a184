/** How a label is laid out: beside the square, in one narrow strip, or round for a lid. */
export const LABEL_LAYOUTS = ['side', 'strip', 'lid'] as const;
export type LabelLayout = (typeof LABEL_LAYOUTS)[number];

/** What a label says, the lines in the order in which they are left out last. */
export interface LabelWords {
  readonly name: string;
  readonly lines: readonly string[];
  /** What its square opens. */
  readonly code: string;
}

/** A text on a label, mm from its left upper corner; `y` is the line the letters stand on. */
export interface LabelText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  /** Height of the letters' square, mm. */
  readonly size: number;
  readonly strong: boolean;
  readonly middle: boolean;
}

/** A label ready to be drawn: texts, and where its square stands. */
export interface LaidLabel {
  readonly texts: readonly LabelText[];
  readonly square: { readonly x: number; readonly y: number; readonly side: number };
}

/** Mean width of a letter, of its height: a little too wide, so that nothing runs over. */
const LETTER_SHARE = 0.54;
const LINE_SHARE = 1.22;
const EDGE_MM = 2;
const LARGEST_MM = 6;
/** Smaller is read by nobody. */
const SMALLEST_MM = 1.9;
/** A square smaller than this is not scanned by a phone, mm. */
export const LEAST_SQUARE_MM = 12;
const NAME_SHARE = 1.5;
const MOST_NAME_LINES = 2;

const lettersIn = (widthMm: number, size: number): number =>
  Math.max(1, Math.floor(widthMm / (size * LETTER_SHARE)));

/** A text in lines of so many letters, parted between words where that goes; what does not fit ends in "…". */
function wrapped(text: string, letters: number, most: number): string[] {
  const lines: string[] = [];
  let left = text.trim();
  while (left !== '' && lines.length < most) {
    if (left.length <= letters) {
      lines.push(left);
      return lines;
    }
    const space = left.lastIndexOf(' ', letters);
    const cut = space > letters / 3 ? space : letters;
    if (lines.length === most - 1) lines.push(`${left.slice(0, Math.max(1, letters - 1)).trimEnd()}…`);
    else lines.push(left.slice(0, cut).trimEnd());
    left = left.slice(cut).trimStart();
  }
  return lines;
}

/** Texts one under the other in a box, as large as they go; lines that find no room are left out from the last. */
function stacked(
  { name, lines }: LabelWords,
  box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
  middle: boolean,
  nameLines: number,
): LabelText[] {
  for (let size = LARGEST_MM; ; size -= 0.1) {
    const last = size <= SMALLEST_MM;
    const small = Math.max(size, SMALLEST_MM);
    const heads = wrapped(name, lettersIn(box.width, small * NAME_SHARE), nameLines).map((text) => ({
      text,
      size: small * NAME_SHARE,
      strong: true,
    }));
    const letters = lettersIn(box.width, small);
    const rest = lines.map((text) => ({
      text: wrapped(text, letters, 1)[0] ?? '',
      size: small,
      strong: false,
    }));
    const all = [...heads, ...rest];
    const high = (rows: typeof all): number => rows.reduce((sum, row) => sum + row.size * LINE_SHARE, 0);
    const cutOff = rest.some(({ text }, i) => text !== lines[i]);
    if (!last && (high(all) > box.height || cutOff || heads.some(({ text }) => text.endsWith('…')))) continue;
    while (all.length > 1 && high(all) > box.height) all.pop();
    let y = box.y + (box.height - high(all)) / 2;
    return all.map((row) => {
      y += row.size * LINE_SHARE;
      return {
        ...row,
        x: middle ? box.x + box.width / 2 : box.x,
        y: y - (row.size * (LINE_SHARE - 1)) / 2 - row.size * 0.2,
        middle,
      };
    });
  }
}

/**
 * Lays a label out: the name large, the lines as large as they go, the square as large as a third of it.
 * @example laidLabel('side', { widthMm: 60, heightMm: 40 }, words).square.side // 20
 */
export function laidLabel(
  layout: LabelLayout,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  words: LabelWords,
): LaidLabel {
  if (layout === 'lid') {
    const across = Math.min(widthMm, heightMm);
    // The largest upright box in a circle leaves a third of it for the square above.
    const side = Math.max(LEAST_SQUARE_MM, across * 0.28);
    const width = across * 0.74;
    const top = (heightMm - across) / 2 + across * 0.07;
    return {
      square: { x: (widthMm - side) / 2, y: top, side },
      texts: stacked(
        words,
        { x: (widthMm - width) / 2, y: top + side, width, height: across * 0.86 - side - across * 0.04 },
        true,
        MOST_NAME_LINES,
      ),
    };
  }
  const inner = heightMm - 2 * EDGE_MM;
  const side = Math.max(LEAST_SQUARE_MM, Math.min(inner, widthMm / 3));
  const width = widthMm - side - 3 * EDGE_MM;
  const left = layout === 'strip';
  return {
    square: { x: left ? EDGE_MM : widthMm - EDGE_MM - side, y: (heightMm - side) / 2, side },
    texts: stacked(
      words,
      { x: left ? side + 2 * EDGE_MM : EDGE_MM, y: EDGE_MM, width, height: inner },
      false,
      left ? 1 : MOST_NAME_LINES,
    ),
  };
}

/** A sheet or roll that labels are printed on, mm. */
export interface LabelPaper {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marginMm: number;
  readonly gapMm: number;
}

/**
 * Where labels stand on their sheets, from the left upper corner; as many sheets as it takes.
 * @returns `null` when not one fits
 * @example placedLabels({ widthMm: 210, heightMm: 297, marginMm: 10, gapMm: 2 }, { widthMm: 60, heightMm: 40 }, 4)![0].length // 4
 */
export function placedLabels(
  paper: LabelPaper,
  label: { readonly widthMm: number; readonly heightMm: number },
  count: number,
): { readonly x: number; readonly y: number }[][] | null {
  const fits = (whole: number, one: number): number =>
    Math.floor((whole - 2 * paper.marginMm + paper.gapMm + 1e-6) / (one + paper.gapMm));
  const columns = fits(paper.widthMm, label.widthMm);
  const rows = fits(paper.heightMm, label.heightMm);
  if (columns < 1 || rows < 1) return null;
  const sheets: { x: number; y: number }[][] = [];
  for (let n = 0; n < count; n++) {
    const at = n % (columns * rows);
    if (at === 0) sheets.push([]);
    sheets.at(-1)!.push({
      x: paper.marginMm + (at % columns) * (label.widthMm + paper.gapMm),
      y: paper.marginMm + Math.floor(at / columns) * (label.heightMm + paper.gapMm),
    });
  }
  return sheets;
}
