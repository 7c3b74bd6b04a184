import { describe, expect, test } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import { foldMake, type MakeState } from '../make/index.ts';
import { faultyKindsOf, planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import {
  CLUES,
  clueLikelihood,
  cluesOf,
  COMPLAINTS,
  COMPLAINTS_OF,
  priorsOf,
  type CauseId,
  type ComplaintId,
} from '../science/causes/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { logClues, movesOf } from './batch-clues.ts';
import { eventsOfNeverEntered } from './never-entered.ts';

const ID = '00000000000000000000000000';
const NOW_MS = Date.parse('2026-03-02T18:00:00.000Z');

/** A batch of a shipped method in the usual kitchen, of which nothing was read. */
function made(id: string): MakeState {
  const method = SHIPPED_METHODS.find((one) => one.id === id)!;
  const plan = planOfMethod(method, defaultKitchen('UTC'), new Date(NOW_MS).toISOString());
  const sinceMs = NOW_MS - 6 * HOUR_MS;
  return foldMake(ID, eventsOfNeverEntered(ID, { plan, sinceMs, nowMs: NOW_MS }))!;
}

/** Causes that a plan alone speaks for, more than twice as much as for the others, by complaint. */
function spokenFor(id: string): string[] {
  const state = made(id);
  const clues = logClues(state, NOW_MS);
  return faultyKindsOf(state.plan).flatMap((kind) =>
    COMPLAINTS_OF[kind].flatMap((complaint: ComplaintId) => {
      const asked = new Set(cluesOf(complaint));
      const may = priorsOf(complaint, { times: movesOf(state) });
      return clues.flatMap(({ clue, fits }) => {
        if (!asked.has(clue)) return [];
        const usual = CLUES[clue].usual.reduce((sum, share, i) => sum + share * (fits[i] ?? 0), 0);
        return may.flatMap(({ cause, share }) =>
          cause !== null && share > 0 && clueLikelihood(clue, cause, fits) > 2.5 * usual
            ? [`${complaint}: ${cause}`]
            : [],
        );
      });
    }),
  );
}

describe('a batch made exactly as its method says', () => {
  /** What is truly so of the milk, or of how hot it gets: a softer set is the price of the method. */
  const TRUE_OF: Readonly<Record<string, CauseId>> = {
    'yogurt-goat': 'goat',
    'yogurt-coasting': 'unheated',
    'yogurt-ewe': 'unheated',
    buttermilk: 'unheated',
    'jar-of-two': 'unheated',
    'jar-of-two-heated': 'unheated',
    'cream-cheese': 'unheated',
    'clabber-spoon': 'unheated',
  };

  test.each(SHIPPED_METHODS.map(({ id }) => id))(
    '%s is blamed for nothing that its method asks for',
    (id) => {
      const own = TRUE_OF[id];
      expect(spokenFor(id).filter((one) => !one.endsWith(`: ${own}`))).toEqual([]);
    },
  );

  test('what is true of it is still said', () => {
    expect(spokenFor('yogurt-goat')).toEqual(['thin: goat']);
    expect(spokenFor('buttermilk')).toContain('thin: unheated');
  });

  test('no cause is ruled out of every method', () => {
    const ruledOut = SHIPPED_METHODS.map(({ id }) =>
      Object.entries(movesOf(made(id))).flatMap(([cause, times]) => (times === 0 ? [cause] : [])),
    );
    for (const cause of Object.keys(COMPLAINTS.thin.causes))
      expect(ruledOut.every((causes) => causes.includes(cause))).toBe(false);
  });
});
