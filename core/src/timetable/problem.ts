/** One piece of work of a make: hands, after a wait that goes by itself. All times are whole minutes from the day's zero. */
export interface DayTask {
  readonly id: string;
  /** What it is called, for a clash that is told. */
  readonly title: string;
  /** Hands it takes, ≥ 1 min. */
  readonly minutes: number;
  /** What must pass by itself between the end of the one before and this, min; of the first, from when the make may begin. */
  readonly after: number;
  /** How long it may be put off once it is due, min; of the first as long as anybody likes. */
  readonly slack: number;
  /** What is taken from the end of the task before until this one is done: a burner, a pot. */
  readonly holds: readonly string[];
  /** Who does it; left out, whoever has hands. */
  readonly who?: string | null;
}

/** One make of the day: its tasks in order. */
export interface DayMake {
  readonly id: string;
  readonly title: string;
  /** Not before, min. */
  readonly from: number;
  readonly tasks: readonly DayTask[];
  /** What the maker fixed: the minute a task begins at, by task. */
  readonly fixed: Readonly<Record<string, number>>;
  /** Wished to be done by then, min; `null` no matter when. */
  readonly by: number | null;
  /** It is going on: what its first task holds it has already, and that task may wait no longer than its slack. */
  readonly underWay?: boolean;
}

/** Who has hands, and when: free stretches in order, not touching. */
export interface DayCook {
  readonly id: string;
  readonly name: string;
  readonly free: readonly (readonly [from: number, to: number])[];
}

/** A day to be laid out. */
export interface DayProblem {
  readonly makes: readonly DayMake[];
  readonly cooks: readonly DayCook[];
  /** How many there are of what is held; what is not named here there is enough of. */
  readonly things: Readonly<Record<string, number>>;
  /** Nothing is later than this, min. */
  readonly horizon: number;
}

/** When a task is done, and by whom. */
export interface DaySlot {
  readonly make: string;
  readonly task: string;
  readonly from: number;
  readonly to: number;
  readonly cook: string;
}

/** A day laid out. */
export interface Timetable {
  readonly slots: readonly DaySlot[];
  /** When the last of it is done, min. */
  readonly finish: number;
  /** Minutes by which makes are later than wished, all together. */
  readonly late: number;
  /** Sum of when each make is done, min: of two days that end alike the one that is over sooner is better. */
  readonly sum: number;
}

/** Whether one timetable is better than another: fewer minutes late, an earlier finish, makes done sooner; in this order. */
export function isBetter(
  a: Pick<Timetable, 'late' | 'finish' | 'sum'>,
  b: Pick<Timetable, 'late' | 'finish' | 'sum'>,
): boolean {
  if (a.late !== b.late) return a.late < b.late;
  if (a.finish !== b.finish) return a.finish < b.finish;
  return a.sum < b.sum;
}
