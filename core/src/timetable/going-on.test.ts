import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { createRandom } from '../science/numerics/index.ts';
import { madeUpDay } from './fixtures/made-up-day.ts';
import { withoutKept } from './kept-free.ts';
import type { DayMake, DayProblem, DaySlot } from './problem.ts';
import { relayDay } from './relay.ts';
import { robustness } from './robust.ts';
import { solveDay } from './solve.ts';

function solved(problem: DayProblem): readonly DaySlot[] {
  const answer = solveDay(problem, 1, 3000);
  if ('clash' in answer) throw new Error('it fits');
  return answer.timetable.slots;
}

/** What is left of a made-up day at a minute, when some waits came out longer by so much. */
function leftAt(
  problem: DayProblem,
  slots: readonly DaySlot[],
  now: number,
  slow: (make: string) => number,
): DayProblem {
  return {
    ...problem,
    makes: problem.makes.flatMap((make) => {
      const own = slots.filter((s) => s.make === make.id);
      const done = own.filter((s) => s.to <= now).length;
      const tasks = make.tasks.slice(done);
      if (tasks.length === 0) return [];
      if (done === 0) return [{ ...make, from: now }];
      const [first, ...rest] = tasks;
      const due = own[done - 1]!.to + first!.after + slow(make.id);
      return [
        {
          ...make,
          from: now,
          underWay: true,
          tasks: [
            {
              ...first!,
              after: Math.max(0, due - now),
              slack: Math.max(0, first!.slack - Math.max(0, now - due)),
            },
            ...rest,
          ],
        },
      ];
    }),
  };
}

describe('a day laid out anew', () => {
  test('what is over while everybody sleeps waits till morning, and keeps nothing else waiting', () => {
    const make = (id: string, wait: number): DayMake => ({
      id,
      title: id,
      from: 0,
      fixed: {},
      by: null,
      underWay: true,
      tasks: [
        { id: 'set', title: 'set', minutes: 5, after: wait, slack: 30, holds: [] },
        { id: 'chill', title: 'chill', minutes: 5, after: 20, slack: 300, holds: [] },
      ],
    });
    const night: DayProblem = {
      makes: [make('late', 700), make('soon', 60), make('sooner', 30)],
      cooks: [
        {
          id: 'a',
          name: 'A',
          free: [
            [0, 600],
            [900, 1440],
          ],
        },
      ],
      things: {},
      horizon: 1440,
    };
    const relaid = relayDay(night, [])!;
    // Due at 730 at the latest, done from 900.
    expect(relaid.broken).toBe(170);
    expect(relaid.slots.find(({ make: of, task }) => of === 'sooner' && task === 'set')!.from).toBe(30);
    expect(relaid.slots.find(({ make: of, task }) => of === 'soon' && task === 'set')!.from).toBe(60);
  });

  test('nothing moves when nothing happened', () => {
    const problem = madeUpDay({ seed: 9, makes: 4, tasks: 4 });
    const slots = solved(problem);
    const relaid = relayDay(
      leftAt(problem, slots, 0, () => 0),
      slots,
    )!;
    expect({ moved: relaid.moved, broken: relaid.broken }).toEqual({ moved: [], broken: 0 });
  });

  test('whatever is late, hands overlap nowhere, no wait is cut short, nothing is before now', () => {
    fc.assert(
      fc.property(
        fc.nat(1e5),
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 0, max: 90 }),
        (seed, now, late) => {
          const problem = madeUpDay({ seed, makes: 4, tasks: 3 });
          const answer = solveDay(problem, 1, 1500);
          if ('clash' in answer) return;
          const { slots } = answer.timetable;
          const left = leftAt(problem, slots, now, (make) => (make === 'm0' ? late : 0));
          if (left.makes.length === 0) return;
          const relaid = relayDay(left, slots)!;
          expect(relaid).not.toBeNull();
          expect(relaid.slots).toHaveLength(left.makes.reduce((sum, { tasks }) => sum + tasks.length, 0));
          const sorted = [...relaid.slots].sort((a, b) => a.from - b.from);
          for (const [i, slot] of sorted.entries()) {
            expect(slot.from).toBeGreaterThanOrEqual(now);
            if (i > 0) expect(slot.from).toBeGreaterThanOrEqual(sorted[i - 1]!.to);
            expect(problem.cooks[0]!.free.some(([a, b]) => a <= slot.from && slot.to <= b)).toBe(true);
          }
          let over = 0;
          for (const make of left.makes) {
            let held = make.from;
            for (const [k, task] of make.tasks.entries()) {
              const slot = relaid.slots.find((s) => s.make === make.id && s.task === task.id)!;
              expect(slot.from).toBeGreaterThanOrEqual(held + task.after);
              if (k > 0 || make.underWay) over += Math.max(0, slot.from - held - task.after - task.slack);
              held = slot.to;
            }
          }
          expect(over).toBe(relaid.broken);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a make that is slow moves what hangs on it, and leaves the others where they are', () => {
    const problem: DayProblem = {
      cooks: [{ id: 'a', name: 'A', free: [[0, 900]] }],
      things: {},
      horizon: 900,
      makes: [
        {
          id: 'butter',
          title: 'Butter',
          from: 0,
          by: null,
          fixed: {},
          tasks: [
            { id: 'churn', title: 'Churn', minutes: 30, after: 0, slack: 60, holds: [] },
            { id: 'wash', title: 'Wash', minutes: 20, after: 0, slack: 5, holds: [] },
          ],
        },
        {
          id: 'yogurt',
          title: 'Yogurt',
          from: 0,
          by: null,
          fixed: {},
          tasks: [{ id: 'pour', title: 'Pour', minutes: 10, after: 200, slack: 60, holds: [] }],
        },
      ],
    };
    const slots = solved(problem);
    const at = (all: readonly DaySlot[], task: string): number => all.find((s) => s.task === task)!.from;
    // At minute 30 the churning is only half done.
    const left: DayProblem = {
      ...problem,
      makes: [
        {
          ...problem.makes[0]!,
          from: 30,
          underWay: true,
          tasks: [{ ...problem.makes[0]!.tasks[0]!, minutes: 25 }, problem.makes[0]!.tasks[1]!],
        },
        { ...problem.makes[1]!, from: 30, tasks: [{ ...problem.makes[1]!.tasks[0]!, after: 170 }] },
      ],
    };
    const relaid = relayDay(left, slots)!;
    expect(relaid.moved.map(({ make, task }) => `${make} ${task}`).sort()).toEqual([
      'butter churn',
      'butter wash',
    ]);
    expect(at(relaid.slots, 'wash')).toBe(55);
    expect(at(relaid.slots, 'pour')).toBe(at(slots, 'pour'));
  });

  test('what was added goes among the others; when all cannot be kept, it says by how much', () => {
    const problem = madeUpDay({ seed: 3, makes: 3, tasks: 3 });
    const slots = solved(problem);
    const extra = { ...madeUpDay({ seed: 77, makes: 1, tasks: 2 }).makes[0]!, id: 'extra' };
    const relaid = relayDay({ ...problem, makes: [...problem.makes, extra] }, slots)!;
    expect(relaid.slots.filter((s) => s.make === 'extra')).toHaveLength(2);
    expect(relaid.broken).toBe(0);
    const task = { title: 't', minutes: 30, after: 0, slack: 0, holds: [] };
    const both = ['x', 'y'].map((id) => ({
      id,
      title: id,
      from: 0,
      by: null,
      fixed: {},
      underWay: true,
      tasks: [{ ...task, id: 't' }],
    }));
    const old = both.map(({ id }, n): DaySlot => ({
      make: id,
      task: 't',
      from: 30 * n,
      to: 30 * n + 30,
      cook: 'a',
    }));
    expect(relayDay({ ...problem, things: {}, makes: both }, old)!.broken).toBe(30);
    expect(relayDay({ ...problem, cooks: [], makes: both }, old)).toBeNull();
  });
});

describe('when something must break', () => {
  /** A small day in which all that is under way is wanted at once; all times multiples of five minutes. */
  const crowded = (seed: number): DayProblem => {
    const random = createRandom(seed);
    const five = (below: number): number => 5 * Math.floor(random.uniform() * below);
    return {
      makes: Array.from({ length: 3 }, (_, m): DayMake => ({
        id: `m${m}`,
        title: `m${m}`,
        from: 0,
        by: null,
        fixed: {},
        underWay: true,
        tasks: Array.from({ length: 2 }, (_task, k) => ({
          id: `t${k}`,
          title: `t${k}`,
          minutes: 10 + five(4),
          after: k === 0 ? five(3) : five(5),
          slack: five(3),
          holds: [],
        })),
      })),
      cooks: [{ id: 'a', name: 'A', free: [[0, 900]] }],
      things: {},
      horizon: 900,
    };
  };

  /** The fewest minutes that can be broken, by trying every beginning of every task. */
  function leastBroken({ makes }: DayProblem): number {
    let best = Number.POSITIVE_INFINITY;
    const busy: [number, number][] = [];
    const next = makes.map(() => 0);
    const end = makes.map(({ from }) => from);
    const place = (broken: number): void => {
      if (broken >= best) return;
      const left = makes.flatMap(({ tasks }, m) => (next[m]! < tasks.length ? [m] : []));
      if (left.length === 0) {
        best = broken;
        return;
      }
      const over = busy.at(-1)?.[1] ?? 0;
      for (const m of left) {
        const task = makes[m]!.tasks[next[m]!]!;
        const due = end[m]! + task.after;
        // In the order in which hands are given; put off on purpose as well, so that what follows is due later.
        for (let at = Math.max(due, over); at <= Math.max(due, over) + 40; at += 5) {
          const before = end[m]!;
          busy.push([at, at + task.minutes]);
          next[m]!++;
          end[m] = at + task.minutes;
          place(broken + Math.max(0, at - due - task.slack));
          end[m] = before;
          next[m]!--;
          busy.pop();
        }
      }
    };
    place(0);
    return best;
  }

  test('no more breaks than must, by trying everything', () => {
    let most = 0;
    let must = 0;
    for (let seed = 1; seed <= 25; seed++) {
      const problem = crowded(seed);
      const least = leastBroken(problem);
      const relaid = relayDay(problem, [])!;
      must += least;
      most = Math.max(most, relaid.broken - least);
      expect(relaid.broken).toBeGreaterThanOrEqual(least);
    }
    expect(must).toBeGreaterThan(0);
    expect(most).toBe(0);
  });

  test('more under way than there are pots is no reason to say nothing', () => {
    const problem = crowded(4);
    const pots: DayProblem = {
      ...problem,
      things: { pot: 1 },
      makes: problem.makes.map((make) => ({
        ...make,
        tasks: make.tasks.map((task) => ({ ...task, holds: ['pot'] })),
      })),
    };
    expect(relayDay(pots, [])?.slots).toHaveLength(6);
  });
});

test('what has the burner keeps it, though others were to have it first: the rest comes after it', () => {
  const make = (id: string, over: Partial<DayMake>, waits: number): DayMake => ({
    id,
    title: id,
    from: 50,
    by: null,
    fixed: {},
    tasks: ['pour', 'heat', 'cool'].map((task, k) => ({
      id: task,
      title: task,
      minutes: 5,
      after: k === 0 ? 0 : waits,
      slack: 5,
      holds: task === 'heat' ? ['burner'] : [],
    })),
    ...over,
  });
  const late = make('late', { underWay: true }, 60);
  const problem: DayProblem = {
    makes: [{ ...late, tasks: late.tasks.slice(1) }, make('other', {}, 30)],
    cooks: [{ id: 'a', name: 'A', free: [[0, 900]] }],
    things: { burner: 1 },
    horizon: 900,
  };
  const slot = (of: string, task: string, from: number): DaySlot => ({
    make: of,
    task,
    from,
    to: from + 5,
    cook: 'a',
  });
  // It was to be heated after the other one.
  const before = [
    slot('other', 'pour', 0),
    slot('other', 'heat', 35),
    slot('late', 'heat', 100),
    slot('other', 'cool', 70),
    slot('late', 'cool', 165),
  ];
  const relaid = relayDay(problem, before)!;
  const at = (of: string, task: string): DaySlot =>
    relaid.slots.find((s) => s.make === of && s.task === task)!;
  expect(relaid.broken).toBe(0);
  expect(at('late', 'heat').to).toBeLessThanOrEqual(at('other', 'pour').to);
});

/** The same day with waits that come out longer or shorter by a σ: all of them, or one make's. */
const scattered = (problem: DayProblem, sigma: number, only?: string): DayProblem => ({
  ...problem,
  makes: problem.makes.map((make) =>
    only !== undefined && make.id !== only
      ? make
      : { ...make, tasks: make.tasks.map((task) => ({ ...task, sigma })) },
  ),
});

describe('simulated days', () => {
  test('with no spread every day is as planned; with much, more days clash than with little', () => {
    const problem = madeUpDay({ seed: 12, makes: 4, tasks: 3 });
    const slots = solved(problem);
    const still = robustness(problem, slots);
    expect(still.clashing).toBe(0);
    expect(still.finish[0]).toBe(still.finish[1]);
    const [some, more] = [5, 40].map((sigma) => robustness(scattered(problem, sigma), slots));
    expect(more!.clashing).toBeGreaterThan(some!.clashing);
    expect(more!.finish[1]).toBeGreaterThan(more!.finish[0]);
    expect(robustness(scattered(problem, 20), slots)).toEqual(robustness(scattered(problem, 20), slots));
  });

  test('nothing is begun that would keep hands from what soon may not wait', () => {
    // The drain is over around minute 60 and may wait 2 min; the other task takes hands from 50 to 80 whatever happens.
    const problem: DayProblem = {
      cooks: [{ id: 'a', name: 'A', free: [[0, 600]] }],
      things: {},
      horizon: 600,
      makes: [
        {
          id: 'a',
          title: 'a',
          from: 0,
          by: null,
          fixed: {},
          tasks: [
            { id: 'pour', title: 'p', minutes: 1, after: 0, slack: 0, holds: [] },
            { id: 'stop', title: 's', minutes: 1, after: 90, slack: 2, holds: [] },
          ],
        },
        {
          id: 'b',
          title: 'b',
          from: 0,
          by: null,
          fixed: {},
          tasks: [{ id: 'work', title: 'w', minutes: 30, after: 0, slack: 0, holds: [] }],
        },
      ],
    };
    const slots: DaySlot[] = [
      { make: 'a', task: 'pour', from: 0, to: 1, cook: 'a' },
      { make: 'b', task: 'work', from: 50, to: 80, cook: 'a' },
      { make: 'a', task: 'stop', from: 91, to: 92, cook: 'a' },
    ];
    // Due at about minute 91, σ 20: one day in four it falls into the half hour, and the half hour waits for it then.
    expect(robustness(scattered(problem, 20), slots, 2000).clashing).toBe(0);
    const must = {
      ...problem,
      makes: [
        problem.makes[0]!,
        {
          ...problem.makes[1]!,
          underWay: true,
          tasks: [{ ...problem.makes[1]!.tasks[0]!, after: 50, slack: 5, stays: true }],
        },
      ],
    };
    // The half hour cannot wait either, nor be left for a moment: whichever is first, the other one is too late.
    const { clashing } = robustness(must, slots, 10);
    expect(clashing).toBe(0);
    const often = robustness(scattered(must, 20, 'a'), slots, 4000).clashing / 4000;
    // Φ((78 − 91)/20) − Φ((50 − 91)/20), the part of a normal wait that ends while hands are taken and may not wait till then.
    expect(often).toBeGreaterThan(0.17);
    expect(often).toBeLessThan(0.31);
  });
});

test('hours kept free are taken out of everybody’s, or of one’s', () => {
  const cooks = ['a', 'b'].map((id) => ({
    id,
    name: id,
    free: [
      [0, 100],
      [200, 300],
    ] as const,
  }));
  const spell = { id: 's', title: 's', from: 50, to: 250 };
  expect(withoutKept(cooks, [{ ...spell, cook: 'b' }]).map(({ free }) => free)).toEqual([
    [
      [0, 100],
      [200, 300],
    ],
    [
      [0, 50],
      [250, 300],
    ],
  ]);
  expect(withoutKept(cooks, [{ ...spell, cook: null }]).every(({ free }) => free.length === 2)).toBe(true);
});
