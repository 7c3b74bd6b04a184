import {
  countPieces,
  LABEL_LAYOUTS,
  placedLabels,
  type LabelLayout,
  type LabelWords,
} from '@morning-crock/core';
import type { Good } from '@morning-crock/core/contract';
import { Button, Checkbox, NativeSelect, Textarea } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useKitchenAddress } from '../../data/kitchen-address.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { saveFile } from '../../parts/print/save-file.ts';
import { sheetSvg } from './label-svg.ts';
import { labelWords } from './label-words.ts';
import '../../parts/print/paper.css';
import './label-sheet.css';

const LAYOUT_WORD: Readonly<Record<LabelLayout, string>> = {
  side: 'Upright, code at the side',
  strip: 'Strip round a jar',
  lid: 'Round, for a lid',
};
/** Usual sizes, mm; all may be changed. */
const PAPERS = {
  sheet: { label: 'Sheet 210 × 297 mm', widthMm: 210, heightMm: 297, marginMm: 10, gapMm: 2 },
  letter: { label: 'Sheet 216 × 279 mm', widthMm: 216, heightMm: 279, marginMm: 10, gapMm: 2 },
  roll: { label: 'Roll, 62 mm wide', widthMm: 62, heightMm: 42, marginMm: 1, gapMm: 0 },
} as const;
const LABEL_MM: Readonly<Record<LabelLayout, { widthMm: number; heightMm: number }>> = {
  side: { widthMm: 60, heightMm: 40 },
  strip: { widthMm: 92, heightMm: 24 },
  lid: { widthMm: 60, heightMm: 60 },
};
const MOST_MM = 450;
const LEAST_LABEL_MM = 20;
const MOST_LABELS = 500;
const OWN_LINES = 4;
const OWN_LETTERS = 60;

type Numbers = Readonly<
  Record<'paperWidth' | 'paperHeight' | 'margin' | 'gap' | 'width' | 'height' | 'count', number>
>;

/** What is wrong with a length, mm. */
const lengthFault = (mm: number, least: number): string | null =>
  mm >= least && mm <= MOST_MM ? null : `Between ${least} and ${MOST_MM} mm.`;

/** Labels of a lot: as many as there are pieces, on sheets or a roll; what is seen is what is printed. */
export function LabelSheet({ good, nowMs }: { readonly good: Good; readonly nowMs: number }) {
  const units = useUnits();
  const address = useKitchenAddress();
  /** What the square of a code opens: its record, on any tablet of the kitchen. */
  const linkOf = (code: string): string => `${address}/larder/${code}`;
  const { site } = useKitchen();
  const left = good.stocks.filter(({ massKg }) => massKg > 0);
  const pieces = left.reduce((sum, stock) => {
    const { whole, openKg } = countPieces(good, stock);
    return sum + whole + (openKg > 0 ? 1 : 0);
  }, 0);
  const [layout, setLayout] = useState<LabelLayout>('side');
  const [n, setN] = useState<Numbers>({
    paperWidth: PAPERS.sheet.widthMm,
    paperHeight: PAPERS.sheet.heightMm,
    margin: PAPERS.sheet.marginMm,
    gap: PAPERS.sheet.gapMm,
    width: LABEL_MM.side.widthMm,
    height: LABEL_MM.side.heightMm,
    count: Math.max(1, pieces),
  });
  const [own, setOwn] = useState('');
  const [cost, setCost] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const set = (to: Partial<Numbers>): void => setN((before) => ({ ...before, ...to }));
  const ownLines = own
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const ownFault =
    ownLines.length > OWN_LINES
      ? `At most ${OWN_LINES} lines.`
      : ownLines.some((line) => line.length > OWN_LETTERS)
        ? `At most ${OWN_LETTERS} characters a line.`
        : null;
  const faults = {
    paperWidth: lengthFault(n.paperWidth, LEAST_LABEL_MM),
    paperHeight: lengthFault(n.paperHeight, LEAST_LABEL_MM),
    margin: n.margin >= 0 && n.margin <= 50 ? null : 'Between 0 and 50 mm.',
    gap: n.gap >= 0 && n.gap <= 50 ? null : 'Between 0 and 50 mm.',
    width: lengthFault(n.width, LEAST_LABEL_MM),
    height: lengthFault(n.height, LEAST_LABEL_MM),
    count:
      Number.isInteger(n.count) && n.count >= 1 && n.count <= MOST_LABELS
        ? null
        : `Between 1 and ${MOST_LABELS}.`,
  };
  const ok = ownFault === null && Object.values(faults).every((one) => one === null);
  const paper = { widthMm: n.paperWidth, heightMm: n.paperHeight, marginMm: n.margin, gapMm: n.gap };
  const label = { widthMm: n.width, heightMm: n.height };
  const placed = ok ? placedLabels(paper, label, n.count) : null;
  const [one, ...svgs] = useMemo((): string[] => {
    if (!placed || left.length === 0) return [];
    // Each piece has its own: its size, and until when it keeps where it stands.
    const words: LabelWords[] = left.flatMap((stock) => {
      const { whole, openKg } = countPieces(good, stock);
      const one = labelWords(good, stock, units, site.zone, { cost, own: ownLines });
      return Array.from({ length: whole + (openKg > 0 ? 1 : 0) }, () => one);
    });
    const one = sheetSvg({
      paper: { ...label, marginMm: 0, gapMm: 0 },
      label,
      layout,
      at: [{ x: 0, y: 0 }],
      words,
      linkOf,
    });
    let next = 0;
    return [
      one,
      ...placed.map((at) =>
        sheetSvg({
          paper,
          label,
          layout,
          at,
          words: at.map(() => words[next++ % words.length]!),
          linkOf,
        }),
      ),
    ];
    // Everything that is drawn is in this text.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [JSON.stringify([n, layout, own, cost, good, units.system, address]), units]);
  const field = (key: keyof Numbers, text: string, unit = 'mm') => (
    <NumberField
      label={text}
      unit={unit}
      width={130}
      value={n[key]}
      fault={faults[key]}
      onValue={(value) => set({ [key]: value })}
    />
  );
  const asFile = async (): Promise<void> => {
    setFault(null);
    try {
      const { labelsPdf } = await import('./labels-pdf.ts');
      saveFile(`labels-${good.code}.pdf`, await labelsPdf(svgs, paper));
    } catch {
      setFault(
        'This device could not make the PDF. Choose Print instead, then “Save as PDF” in the print window.',
      );
    }
  };
  return (
    <section aria-label={`Labels for ${good.name}`} className="larder-two">
      <style>{`@page { size: ${n.paperWidth}mm ${n.paperHeight}mm; margin: 0; }`}</style>
      <div className="may-shrink column">
        <h2>
          Labels for <Link to={`/larder/${good.id}`}>{good.name}</Link>
        </h2>
        {left.length === 0 && <p className="months-word">None left, so there is nothing to label.</p>}
        <Choices
          legend="Layout"
          value={layout}
          options={LABEL_LAYOUTS.map((value) => ({ value, label: LAYOUT_WORD[value] }))}
          onChange={(next) => {
            setLayout(next);
            set({ width: LABEL_MM[next].widthMm, height: LABEL_MM[next].heightMm });
          }}
        />
        <NativeSelect
          label="Paper"
          data={[
            { value: '', label: 'custom size' },
            ...Object.entries(PAPERS).map(([value, { label: text }]) => ({ value, label: text })),
          ]}
          defaultValue="sheet"
          onChange={(event) => {
            const chosen = Object.entries(PAPERS).find(([key]) => key === event.currentTarget.value)?.[1];
            if (chosen)
              set({
                paperWidth: chosen.widthMm,
                paperHeight: chosen.heightMm,
                margin: chosen.marginMm,
                gap: chosen.gapMm,
              });
          }}
        />
        <div className="field-row">
          {field('paperWidth', 'Paper width')}
          {field('paperHeight', 'Paper height')}
          {field('margin', 'Margin')}
          {field('gap', 'Gap')}
        </div>
        <div className="field-row">
          {field('width', 'Label width')}
          {field('height', 'Label height')}
          {field('count', 'Number', 'labels')}
        </div>
        <Textarea
          label="Your own lines"
          description="You are responsible for what a label must say where you sell. Follow your local rules and your licence."
          value={own}
          maxLength={400}
          autosize
          minRows={2}
          error={ownFault}
          onChange={(event) => setOwn(event.currentTarget.value)}
        />
        {good.costPerKg !== null && (
          <Checkbox label="Show cost" checked={cost} onChange={(e) => setCost(e.currentTarget.checked)} />
        )}
        {ok && placed === null && (
          <p className="field-error" role="alert">
            No label fits on this paper. Make the label or the margin smaller.
          </p>
        )}
        {fault && (
          <p className="field-error" role="alert">
            {fault}
          </p>
        )}
        <div className="row wide">
          <Button h={72} disabled={svgs.length === 0} onClick={() => window.print()}>
            Print {n.count} {n.count === 1 ? 'label' : 'labels'}
          </Button>
          <Button variant="default" h={72} disabled={svgs.length === 0} onClick={() => void asFile()}>
            Download PDF
          </Button>
        </div>
        <p className="quiet">
          Use-by dates count from where each piece is stored today, {units.day(nowMs)}. Reprint labels after
          thawing.
        </p>
      </div>
      <div className="may-shrink column">
        {one !== undefined && <div className="label-one" dangerouslySetInnerHTML={{ __html: one }} />}
        <div className="label-pages paper" role="img" aria-label={`Preview of ${n.count} labels`}>
          {svgs.map((svg, i) => (
            <div key={i} className="label-page" dangerouslySetInnerHTML={{ __html: svg }} />
          ))}
        </div>
      </div>
    </section>
  );
}
