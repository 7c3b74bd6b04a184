import { describe, expect, test } from '@jest/globals';
import { readTakenAt } from './taken-at.ts';

describe('when a reading was taken', () => {
  const now = Date.parse('2026-03-02T10:00:00.000Z');
  const at = (text: string) => readTakenAt(text, 'UTC', now);

  test('nothing typed is now, an earlier time is placed there', () => {
    expect(at('')).toEqual({ ok: true, atMs: now });
    expect(at('09:15')).toEqual({ ok: true, atMs: Date.parse('2026-03-02T09:15:00.000Z') });
  });

  test('a minute ahead is now, half an hour ahead is refused, the evening is yesterday’s', () => {
    expect(at('10:01')).toEqual({ ok: true, atMs: now });
    expect(at('10:30')).toMatchObject({ ok: false });
    expect(at('22:10')).toEqual({ ok: true, atMs: Date.parse('2026-03-01T22:10:00.000Z') });
  });
});
