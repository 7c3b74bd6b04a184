import { describe, expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import { daySpells } from './day-spells.ts';
import { madeUpDay } from './fixtures/made-up-day.ts';
import { type DayProblem } from './problem.ts';
import { scoreOf } from './score.ts';
import { relayDay } from './relay.ts';
import { solveDay } from './solve.ts';

const ZERO_MS = Date.parse('2026-03-02T08:00:00.000Z');

describe('hours of each day', () => {
  test('by the clock, from the zero; over midnight, and what is over by then left out', () => {
    expect(daySpells('UTC', ZERO_MS, 2, { from: '09:00', to: '12:00' })).toEqual([
      [60, 240],
      [1500, 1680],
    ]);
    expect(daySpells('UTC', ZERO_MS, 2, { from: '05:00', to: '07:30' })).toEqual([[1260, 1410]]);
    expect(daySpells('UTC', ZERO_MS, 1, { from: '22:00', to: '01:00' })).toEqual([[840, 1020]]);
    // It began before the day did, and goes on.
    expect(daySpells('UTC', ZERO_MS, 1, { from: '07:00', to: '10:00' })).toEqual([[-60, 120]]);
  });

  test('in order, none in another, and as long as the clock says where it is not put on', () => {
    const clock = fc
      .tuple(fc.nat(23), fc.nat(59))
      .map(([h, m]) => `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`);
    fc.assert(
      fc.property(clock, clock, fc.integer({ min: 1, max: 5 }), (from, to, days) => {
        fc.pre(from !== to);
        const spells = daySpells('UTC', ZERO_MS, days, { from, to });
        expect(spells.length).toBeGreaterThanOrEqual(days - 1);
        for (const [i, [begin, end]] of spells.entries()) {
          expect(end).toBeGreaterThan(begin);
          expect(end - begin).toBeLessThanOrEqual(1440);
          if (i > 0) expect(begin - spells[i - 1]![0]).toBe(1440);
        }
      }),
    );
  });

  test('a day laid out anew minds them too: of ways that keep everything, one with less work outside', () => {
    const session = [[120, 420]] as const;
    const outside = { without: 0, minded: 0 };
    for (let seed = 1; seed <= 40; seed++) {
      const problem = madeUpDay({ seed, makes: 3, tasks: 3 });
      const answer = solveDay(problem, 1, 1500);
      if ('clash' in answer) continue;
      const { slots } = answer.timetable;
      // Something was added, and the first make is an hour late.
      const added = { ...madeUpDay({ seed: seed + 500, makes: 1, tasks: 3 }).makes[0]!, id: 'added' };
      const left: DayProblem = {
        ...problem,
        makes: [...problem.makes.map((make, m) => (m === 0 ? { ...make, from: 60 } : make)), added],
      };
      const [blind, minded] = [relayDay(left, slots)!, relayDay({ ...left, session }, slots)!];
      expect(minded.broken).toBeLessThanOrEqual(blind.broken);
      outside.without += scoreOf({ ...left, session }, blind.slots).outside;
      outside.minded += scoreOf({ ...left, session }, minded.slots).outside;
    }
    expect(outside.minded).toBeLessThan(outside.without);
  });
});
