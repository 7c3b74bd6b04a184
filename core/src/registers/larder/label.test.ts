import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { laidLabel, LABEL_LAYOUTS, LEAST_SQUARE_MM, placedLabels } from './label.ts';

const WORDS = {
  name: 'Butter of the week',
  code: '4F7K2Q',
  lines: ['Use by 22.06.2026', 'Contains MILK', '250 g · 4F7 K2Q', 'Made 29.01.2026'],
};
const LETTER_SHARE = 0.54;

describe('labels', () => {
  test('whatever they say, nothing runs over an edge or into the square, which a camera can read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LABEL_LAYOUTS),
        fc.integer({ min: 40, max: 120 }),
        fc.integer({ min: 24, max: 120 }),
        fc.string({ minLength: 1, maxLength: 200 }),
        fc.array(fc.string({ maxLength: 60 }), { maxLength: 10 }),
        (layout, widthMm, heightMm, name, lines) => {
          const { texts, square } = laidLabel(layout, { widthMm, heightMm }, { name, lines, code: '4F7K2Q' });
          expect(square.side).toBeGreaterThanOrEqual(LEAST_SQUARE_MM);
          expect(square.x).toBeGreaterThanOrEqual(0);
          expect(square.x + square.side).toBeLessThanOrEqual(widthMm + 1e-9);
          for (const { text, x, y, size, middle } of texts) {
            const wide = text.length * size * LETTER_SHARE;
            const left = middle ? x - wide / 2 : x;
            expect(left).toBeGreaterThanOrEqual(-size);
            expect(left + wide).toBeLessThanOrEqual(widthMm + size);
            expect(y).toBeLessThanOrEqual(heightMm);
            if (layout === 'side') expect(left + wide).toBeLessThanOrEqual(square.x + size);
            if (layout === 'strip') expect(left).toBeGreaterThanOrEqual(square.x + square.side);
          }
        },
      ),
    );
  });

  test('the name is the largest, and lines that find no room go from the last', () => {
    const roomy = laidLabel('side', { widthMm: 60, heightMm: 40 }, WORDS);
    const said = (strong: boolean) => roomy.texts.filter((t) => t.strong === strong).map(({ text }) => text);
    expect(said(true).join(' ')).toBe(WORDS.name);
    expect(said(false)).toEqual(WORDS.lines);
    expect(roomy.texts[0]!.size).toBeGreaterThan(roomy.texts.at(-1)!.size);
    const tight = laidLabel('strip', { widthMm: 60, heightMm: 16 }, WORDS);
    expect(tight.texts.length).toBeLessThan(5);
    expect(tight.texts[1]!.text).toBe('Use by 22.06.2026');
  });

  test('a name of two hundred letters ends in dots on its second line', () => {
    const { texts } = laidLabel(
      'side',
      { widthMm: 60, heightMm: 40 },
      { ...WORDS, name: 'long '.repeat(40) },
    );
    const names = texts.filter(({ strong }) => strong);
    expect(names).toHaveLength(2);
    expect(names[1]!.text.endsWith('…')).toBe(true);
  });

  test('as many sheets as it takes, each label in its own place; none where none fits', () => {
    const paper = { widthMm: 210, heightMm: 297, marginMm: 10, gapMm: 2 };
    const label = { widthMm: 60, heightMm: 40 };
    const sheets = placedLabels(paper, label, 20)!;
    // Three across and six down.
    expect(sheets.map((at) => at.length)).toEqual([18, 2]);
    const all = sheets[0]!;
    expect(new Set(all.map(({ x, y }) => `${x} ${y}`)).size).toBe(18);
    for (const { x, y } of all) {
      expect(x + label.widthMm).toBeLessThanOrEqual(paper.widthMm - paper.marginMm);
      expect(y + label.heightMm).toBeLessThanOrEqual(paper.heightMm - paper.marginMm);
    }
    expect(placedLabels({ ...paper, widthMm: 70 }, label, 1)).toBeNull();
  });
});
