import type { Random } from '../science/numerics/index.ts';
import { createPlaces, type Places } from './places.ts';
import { compareScores, type Score } from './score.ts';
import type { SequenceTimer } from './sequence.ts';

/** A sequence with how good it is. */
export interface Placed {
  readonly sequence: readonly number[];
  readonly score: Score;
  /** Who tasks were given to besides whoever had hands first; left out, nobody. */
  readonly given?: Int32Array;
}

/** How one make is put in. */
interface Insertion {
  /** What is worse than this is no use; `null` when anything is welcome. */
  readonly worst: Score | null;
  /** Sequences that may be timed. */
  readonly most: number;
  readonly random: Random;
  /** Nothing ends later, min. */
  readonly horizon: number;
}

/** Puts a make among others. @returns `null` when there is no place, and how many sequences were timed */
export type Inserter = (
  others: readonly number[],
  make: number,
  how: Insertion,
) => { readonly placed: Placed | null; readonly tried: number };

/** What is over so long before a task is due is never put off until after it, min. */
const WORTH_WAITING_MIN = 60;
/** One place in so many is passed over, so that not the same ones are tried each time. */
const PASSED_OVER = 0.06;

/**
 * Puts all tasks of a make among those of the others, in the best places there are: goes through the places of each task
 * and gives up where what is there already leads nowhere.
 * @example createInserter(timer)([], 0, { worst: null, most: 100, random, horizon: 1440 }).placed?.sequence
 */
export function createInserter(timer: SequenceTimer): Inserter {
  const { minutes, tasksOf } = timer.day;
  /** One for each task of a make, kept from one insertion to the next. */
  const placesOf: Places[] = [];
  return (others, make, { worst, most, random, horizon }) => {
    const tasks = tasksOf[make]!;
    const sequence = [...others];
    let best: Placed | null = null;
    let limitScore = worst;
    let tried = 0;
    const put = (k: number, from: number): void => {
      const task = tasks[k]!;
      const places = (placesOf[k] ??= createPlaces(timer.day));
      places.look(sequence, timer.at, task, from);
      // Before what is over long before it is due it would only keep hands idle.
      const due = timer.dueOf(task) - WORTH_WAITING_MIN;
      let first = from;
      while (first < sequence.length && timer.at[sequence[first]!]! + minutes[sequence[first]!]! <= due)
        first++;
      for (let place = first; place <= sequence.length && tried < most; place++) {
        const can = places.at(place, horizon);
        if (can === 'no more') break;
        if (can === 'no' || (place < sequence.length && random.uniform() < PASSED_OVER)) continue;
        sequence.splice(place, 0, task);
        tried++;
        const known = { soonest: places.soonest, place: k > 0 ? from - 1 : place };
        const score = timer.timed(sequence, horizon, known);
        if (score && (!limitScore || compareScores(score, limitScore) <= 0)) {
          if (k + 1 < tasks.length) put(k + 1, place + 1);
          else if (!best || compareScores(score, best.score) < 0 || random.uniform() < 0.5) {
            best = { sequence: [...sequence], score };
            limitScore = score;
          }
        }
        sequence.splice(place, 1);
      }
    };
    if (sequence.length > 0 && !timer.timed(sequence, horizon)) return { placed: null, tried: 1 };
    put(0, 0);
    return { placed: best, tried };
  };
}
