import type { Random } from '../numerics/index.ts';
import { compareScores, type Score, type SequenceTimer } from './sequence.ts';

/** A sequence with how good it is. */
export interface Placed {
  readonly sequence: readonly number[];
  readonly score: Score;
}

/** What is over so long before a task is due is never put off until after it, min. */
const WORTH_WAITING_MIN = 60;
/** One place in so many is passed over, so that not the same ones are tried each time. */
const PASSED_OVER = 0.06;

/**
 * Puts all tasks of a make among those of the others, in the best places there are: goes through the places of each task
 * and gives up where what is there already leads nowhere.
 * @param others the sequence without it
 * @param worst what is worse than this is no use; `null` when anything is welcome
 * @param most sequences that may be timed
 * @returns `null` when none was found
 */
export function insertMake(
  timer: SequenceTimer,
  others: readonly number[],
  make: number,
  worst: Score | null,
  most: number,
  random: Random,
  horizon: number,
): { readonly placed: Placed | null; readonly tried: number } {
  const tasks = timer.tasksOf[make]!;
  const sequence = [...others];
  let best: Placed | null = null;
  let limitScore = worst;
  let tried = 0;
  const put = (k: number, from: number): void => {
    const task = tasks[k]!;
    // Before what is over long before it is due it would only keep hands idle.
    const due = timer.dueOf(task) - WORTH_WAITING_MIN;
    let first = from;
    while (first < sequence.length && timer.at[sequence[first]!]! + timer.minutes[sequence[first]!]! <= due)
      first++;
    for (let place = first; place <= sequence.length && tried < most; place++) {
      if (place < sequence.length && random.uniform() < PASSED_OVER) continue;
      sequence.splice(place, 0, task);
      tried++;
      const limit = limitScore && limitScore.late === 0 ? limitScore.finish : horizon;
      const score = timer.timed(sequence, limit);
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
}
