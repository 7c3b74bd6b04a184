import { describe, expect, test } from '@jest/globals';
import { TERMS, withTerms } from './terms.ts';

const explainedIn = (text: string): string[] =>
  withTerms(text).flatMap((piece) => (typeof piece === 'string' ? [] : [piece.term.id]));
const written = (text: string): string =>
  withTerms(text)
    .map((piece) => (typeof piece === 'string' ? piece : piece.as))
    .join('');

describe('the words', () => {
  test('are forty to sixty, each once, by name', () => {
    expect(TERMS.length).toBeGreaterThanOrEqual(40);
    expect(TERMS.length).toBeLessThanOrEqual(60);
    const names = TERMS.map(({ name }) => name.toLowerCase());
    expect(new Set(names).size).toBe(names.length);
    expect(new Set(TERMS.map(({ id }) => id)).size).toBe(TERMS.length);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b, 'en')));
  });

  test.each(TERMS)('$name is explained in one to three sentences', ({ text }) => {
    const sentences = text.match(/[.](?=\s|$)/g) ?? [];
    expect(sentences.length).toBeGreaterThanOrEqual(1);
    expect(sentences.length).toBeLessThanOrEqual(3);
    expect(text).toMatch(/^[A-Z].*\.$/);
  });
});

describe('explained where they stand', () => {
  test('nothing of the text is lost or changed', () => {
    const text = 'Pour off the whey. Whey protein unfolds; pH falls to 4.6, then temper it.';
    expect(written(text)).toBe(text);
    expect(explainedIn(text)).toEqual(['whey', 'whey-protein', 'ph', 'temper']);
  });

  test('each once a text, in whatever form and case', () => {
    expect(explainedIn('Inoculate at 44 °C. It was inoculated late.')).toEqual(['inoculate']);
    expect(explainedIn('Cream at 12 °C breaks in about 20 min.')).toEqual(['break']);
  });

  test('a word within another is none', () => {
    expect(explainedIn('breakfast, temperature, phase and wheyless')).toEqual([]);
    expect(explainedIn('')).toEqual([]);
  });
});
