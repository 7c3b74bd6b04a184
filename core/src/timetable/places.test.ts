import { describe, expect, test } from '@jest/globals';
import { createRandom } from '../science/numerics/index.ts';
import { madeUpDay } from './fixtures/made-up-day.ts';
import { createPlaces } from './places.ts';
import type { DayProblem } from './problem.ts';
import { createSequenceTimer } from './sequence.ts';

/** Goes through every place of each first and second task of each make among those of the others, all laid one after the other. */
function everyPlace(
  problem: DayProblem,
  see: (at: {
    readonly sequence: readonly number[];
    readonly place: number;
    readonly from: number;
    readonly task: number;
    readonly starts: Float64Array;
  }) => void,
): void {
  const timer = createSequenceTimer(problem);
  const { tasksOf } = timer.day;
  for (const [make, own] of tasksOf.entries()) {
    const others = tasksOf.filter((_, m) => m !== make).flat();
    // With only its first task in, and then with that and its second.
    for (const k of [0, 1]) {
      const sequence = [...own.slice(0, k), ...others];
      if (!timer.timed(sequence, problem.horizon)) continue;
      const starts = Float64Array.from(timer.at);
      for (let place = k; place <= sequence.length; place++)
        see({ sequence, place, from: k, task: own[k]!, starts });
    }
  }
}

const withTask = (sequence: readonly number[], place: number, task: number): number[] => [
  ...sequence.slice(0, place),
  task,
  ...sequence.slice(place),
];

describe('places in a sequence', () => {
  const days = Array.from({ length: 8 }, (_, i) => madeUpDay({ seed: 700 + i, makes: 4, tasks: 4 }));

  test('where a place is ruled out timing it leads nowhere', () => {
    let ruledOut = 0;
    let open = 0;
    for (const problem of days) {
      const timer = createSequenceTimer(problem);
      const places = createPlaces(timer.day);
      const random = createRandom(7);
      everyPlace(problem, ({ sequence, place, from, task, starts }) => {
        places.look(sequence, starts, task, from);
        const limit = 300 + Math.floor(900 * random.uniform());
        const can = places.at(place, limit);
        if (can === 'maybe') open++;
        else {
          ruledOut++;
          expect(timer.timed(withTask(sequence, place, task), limit)).toBeNull();
        }
        if (can !== 'no more') return;
        for (let later = place + 1; later <= sequence.length; later++)
          expect(timer.timed(withTask(sequence, later, task), limit)).toBeNull();
      });
    }
    expect(ruledOut).toBeGreaterThan(100);
    expect(open).toBeGreaterThan(100);
  });

  test('timing goes on from what is known to the same times as from nothing', () => {
    let same = 0;
    for (const problem of days) {
      const timer = createSequenceTimer(problem);
      const places = createPlaces(timer.day);
      everyPlace(problem, ({ sequence, place, from, task, starts }) => {
        places.look(sequence, starts, task, from);
        const whole = withTask(sequence, place, task);
        const anew = timer.timed(whole, problem.horizon);
        const times = Float64Array.from(timer.at);
        const known = { soonest: places.soonest, place: from > 0 ? from - 1 : place };
        // What goes round too often is given up, sooner from nothing: it has farther to go.
        if (!anew) return;
        expect(timer.timed(whole, problem.horizon, known)).toEqual(anew);
        for (const i of whole) expect(timer.at[i]).toBe(times[i]);
        same++;
      });
    }
    expect(same).toBeGreaterThan(100);
  });

  test('with two cooks every place is open', () => {
    const problem = days[0]!;
    const two = { ...problem, cooks: [...problem.cooks, { ...problem.cooks[0]!, id: 'b', name: 'B' }] };
    const places = createPlaces(createSequenceTimer(two).day);
    everyPlace(two, ({ sequence, place, from, task, starts }) => {
      places.look(sequence, starts, task, from);
      expect(places.at(place, 0)).toBe('maybe');
    });
  });
});
