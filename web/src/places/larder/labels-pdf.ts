import pdfMake from 'pdfmake/build/pdfmake.js';
import strong from '@fontsource/source-sans-3/files/source-sans-3-latin-700-normal.woff?url';
import plain from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url';
import type { LabelPaper } from '@morning-crock/core';
import { LABEL_FONT } from './label-svg.ts';

/** Points of print in a millimetre. */
const POINTS_PER_MM = 72 / 25.4;

/** A file of the app as text that goes into another. */
async function asBase64(url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}

/**
 * Sheets of labels as one PDF file, in the lettering they are shown in.
 * @param svgs one picture a sheet
 * @throws Error when the lettering cannot be read
 */
export async function labelsPdf(svgs: readonly string[], { widthMm, heightMm }: LabelPaper): Promise<Blob> {
  const [regular, bold] = await Promise.all([asBase64(plain), asBase64(strong)]);
  pdfMake.addVirtualFileSystem({ 'plain.woff': regular, 'strong.woff': bold });
  pdfMake.addFonts({ [LABEL_FONT]: { normal: 'plain.woff', bold: 'strong.woff' } });
  const width = widthMm * POINTS_PER_MM;
  return pdfMake
    .createPdf({
      pageSize: { width, height: heightMm * POINTS_PER_MM },
      pageMargins: 0,
      defaultStyle: { font: LABEL_FONT },
      // A picture a hair higher than its page would begin another.
      content: svgs.map((svg, i) => ({
        svg,
        width: width * 0.9999,
        ...(i < svgs.length - 1 ? { pageBreak: 'after' as const } : {}),
      })),
    })
    .getBlob();
}
