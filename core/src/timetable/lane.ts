/** What is taken of one lane: stretches in order of their beginning; those of a thing there are several of may overlap. */
export interface Lane {
  /** Takes a stretch. */
  take(from: number, to: number): void;
  /** Gives the same stretch back. */
  give(from: number, to: number): void;
  /** The first minute from `at` on at which it is free for so long; `at` itself when it is. */
  firstFree(at: number, minutes: number): number;
}

/** A lane of so many of one thing. */
export function createLane(many: number): Lane {
  const starts: number[] = [];
  const ends: number[] = [];
  /** Where a stretch that begins then belongs. */
  const placeOf = (from: number): number => {
    let low = 0;
    let high = starts.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (starts[middle]! < from) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  /** Within [from, to): the end of a stretch at which there is one less where too many are taken; `null` when there is room. */
  const full = (from: number, to: number): number | null => {
    // Only at the beginning, and where a stretch begins, can they become too many.
    for (let i = -1; i < starts.length; i++) {
      const at = i < 0 ? from : starts[i]!;
      if (i >= 0 && at <= from) continue;
      if (at >= to && i >= 0) return null;
      let taken = 0;
      let soonest = Number.POSITIVE_INFINITY;
      for (let k = 0; k < starts.length && starts[k]! <= at; k++) {
        if (ends[k]! <= at) continue;
        taken++;
        soonest = Math.min(soonest, ends[k]!);
      }
      if (taken >= many) return soonest;
    }
    return null;
  };
  return {
    take(from, to) {
      const at = placeOf(from);
      starts.splice(at, 0, from);
      ends.splice(at, 0, to);
    },
    give(from, to) {
      for (let i = placeOf(from); i < starts.length && starts[i] === from; i++)
        if (ends[i] === to) {
          starts.splice(i, 1);
          ends.splice(i, 1);
          return;
        }
      throw new RangeError('nothing was taken there');
    },
    firstFree(at, minutes) {
      let from = at;
      for (;;) {
        const until = full(from, from + minutes);
        if (until === null) return from;
        from = until;
      }
    },
  };
}
