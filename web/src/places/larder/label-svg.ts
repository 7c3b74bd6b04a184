import { laidLabel, type LabelLayout, type LabelPaper, type LabelWords } from '@morning-crock/core';
import { create } from 'qrcode';

/** The lettering of labels: the app's own. */
export const LABEL_FONT = 'Source Sans 3 Variable';
const INK = '#111';
const round = (mm: number): string => String(Math.round(mm * 1000) / 1000);
const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** A square that a camera reads, as one path; its still edge of two modules is left around it. */
function squarePath(
  content: string,
  at: { readonly x: number; readonly y: number; readonly side: number },
): string {
  const { modules } = create(content, { errorCorrectionLevel: 'M' });
  const edge = 2;
  const one = at.side / (modules.size + 2 * edge);
  let path = '';
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        path += `M${round(at.x + (column + edge) * one)} ${round(at.y + (row + edge) * one)}h${round(one)}v${round(one)}h-${round(one)}z`;
  return `<path d="${path}" fill="${INK}"/>`;
}

/** One sheet of labels as a picture in millimetres: what is seen is what is printed. */
export function sheetSvg(props: {
  readonly paper: LabelPaper;
  readonly label: { readonly widthMm: number; readonly heightMm: number };
  readonly layout: LabelLayout;
  readonly at: readonly { readonly x: number; readonly y: number }[];
  readonly words: readonly LabelWords[];
  /** What the square of a code opens. */
  readonly linkOf: (code: string) => string;
  readonly font?: string;
}): string {
  const { paper, label, layout, at, words, linkOf, font = LABEL_FONT } = props;
  const labels = at.map(({ x, y }, i) => {
    const own = words[i]!;
    const { texts, square } = laidLabel(layout, label, own);
    const edge =
      layout === 'lid'
        ? `<circle cx="${round(label.widthMm / 2)}" cy="${round(label.heightMm / 2)}" r="${round(Math.min(label.widthMm, label.heightMm) / 2)}" fill="none" stroke="#bbb" stroke-width="0.15"/>`
        : `<rect width="${round(label.widthMm)}" height="${round(label.heightMm)}" fill="none" stroke="#bbb" stroke-width="0.15"/>`;
    return `<g transform="translate(${round(x)} ${round(y)})">${edge}${squarePath(linkOf(own.code), square)}${texts
      .map(
        (t) =>
          `<text x="${round(t.x)}" y="${round(t.y)}" font-size="${round(t.size)}" font-weight="${t.strong ? 700 : 400}" text-anchor="${t.middle ? 'middle' : 'start'}">${escaped(t.text)}</text>`,
      )
      .join('')}</g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${round(paper.widthMm)}mm" height="${round(paper.heightMm)}mm" viewBox="0 0 ${round(paper.widthMm)} ${round(paper.heightMm)}" font-family="${font}" fill="${INK}"><rect width="${round(paper.widthMm)}" height="${round(paper.heightMm)}" fill="#fff"/>${labels.join('')}</svg>`;
}
