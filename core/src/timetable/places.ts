import type { NumberedDay } from './numbered.ts';

/** Passes from the last to the first task in which what pulls another along makes the way to the end longer. */
const PASSES = 2;

/** What is known of putting one task at each place of a timed sequence, without timing it again. */
export interface Places {
  /** Start of each task of the sequence, and of what is put in as early as it may ever begin, min. */
  readonly soonest: Float64Array;
  /**
   * Looks at a sequence that was timed.
   * @param at starts as timed, min by task
   * @param task what is to be put in
   * @param first no place before this comes into question
   */
  look(sequence: readonly number[], at: Float64Array, task: number, first: number): void;
  /**
   * Whether the task may stand at a place, no later than it may end.
   * @param limit what ends later is no use, min
   * @returns `no` never here, `no more` nor at any later place
   */
  at(place: number, limit: number): 'maybe' | 'no' | 'no more';
}

/**
 * Tells places that lead nowhere. With one cook all that stands between two tasks is done between them, so that what may not
 * wait tells how much can stand there, and whatever is put in makes nothing sooner. With more cooks every place is a maybe.
 * @example createPlaces(numbered(day)).at(0, day.horizon) // 'maybe'
 */
export function createPlaces(day: NumberedDay): Places {
  const { count, before, next, minutes, after, slack, least, tail } = day;
  const alone = day.cooks === 1;
  const soonest = new Float64Array(count);
  const placeOf = new Int32Array(count);
  /** Minutes of hands before each place. */
  const begun = new Float64Array(count + 1);
  /** Minutes that may be put in at each place before something waits too long. */
  const room = new Float64Array(count + 1);
  /** From the beginning of what stands at a place to the end of all at the very soonest, min. */
  const toEnd = new Float64Array(count + 1);
  let sequence: readonly number[] = [];
  let task = 0;
  let from = 0;

  const measureRoom = (): void => {
    const long = sequence.length;
    room.fill(Number.POSITIVE_INFINITY, 0, long + 1);
    for (let p = 0; p < long; p++) {
      const i = sequence[p]!;
      const b = before[i]!;
      placeOf[i] = p;
      begun[p + 1] = begun[p]! + minutes[i]!;
      if (b < 0) continue;
      const own = after[i]! + slack[i]! - (begun[p]! - begun[placeOf[b]! + 1]!);
      for (let q = placeOf[b]! + 1; q <= p; q++) if (own < room[q]!) room[q] = own;
    }
  };

  const measureToEnd = (): void => {
    const long = sequence.length;
    toEnd[long] = 0;
    for (let pass = 0; pass < PASSES; pass++)
      for (let p = long - 1; p >= 0; p--) {
        const i = sequence[p]!;
        const n = next[i]!;
        const b = before[i]!;
        const isThere = n >= 0 && sequence[placeOf[n]!] === n;
        const own = isThere ? after[n]! + toEnd[placeOf[n]!]! : tail[i]!;
        const ways = minutes[i]! + Math.max(own, toEnd[p + 1]!);
        const pulled = pass === 0 || b < 0 ? 0 : toEnd[placeOf[b]!]! - slack[i]! - after[i]! - minutes[b]!;
        toEnd[p] = Math.max(ways, pulled);
      }
  };

  return {
    soonest,
    look(of, at, put, first) {
      sequence = of;
      task = put;
      from = first;
      if (!alone) return;
      soonest.set(at);
      soonest[task] = least[task]!;
      measureRoom();
      measureToEnd();
    },
    at(place, limit) {
      if (!alone) return 'maybe';
      const b = before[task]!;
      const own = minutes[task]!;
      const mostAhead = after[task]! + slack[task]!;
      if (b >= 0 && begun[place]! - begun[from]! > mostAhead) return 'no more';
      if (own > room[place]!) return 'no';
      let start = soonest[task]!;
      if (b >= 0) start = Math.max(start, soonest[b]! + minutes[b]! + after[task]!);
      if (place > 0) {
        const last = sequence[place - 1]!;
        start = Math.max(start, soonest[last]! + minutes[last]!);
      }
      start = day.there(0, start, task);
      if (start + own + tail[task]! > limit) return 'no more';
      // The one before it is pulled along.
      if (b >= 0 && start - mostAhead - minutes[b]! + toEnd[from - 1]! > limit) return 'no more';
      return start + own + toEnd[place]! > limit ? 'no' : 'maybe';
    },
  };
}
