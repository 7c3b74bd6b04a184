/** One piece of work of a make: hands, after a wait that goes by itself. All times are whole minutes from the day's zero. */
export interface DayTask {
  readonly id: string;
  /** What it is called, for a clash that is told. */
  readonly title: string;
  /** What hands do then, where that is not what it is called: it goes by itself until its end. */
  readonly act?: string;
  /** Hands it takes, ≥ 1 min. */
  readonly minutes: number;
  /** What must pass by itself between the end of the one before and this, min; of the first, from when the make may begin. */
  readonly after: number;
  /** How long it may be put off once it is due, min; the first has no limit. */
  readonly slack: number;
  /** What is taken from the end of the task before until this one is done: a burner, a pot. */
  readonly holds: readonly string[];
  /** Of what comes in sizes, the smallest that will do: a pot of so many litres. Left out, any. */
  readonly least?: Readonly<Record<string, number>>;
  /** In a pinch it may be done so much before it is due: it is set and safe, if not yet as sour as wanted. Never planned so, min. */
  readonly early?: number;
  /** Whoever does it is to be there so long before and after it as well, though not at it: it may come early or late, min. */
  readonly margin?: readonly [before: number, after: number];
  /** What is washed up at its end, within its minutes. */
  readonly washes?: readonly string[];
  /** One σ of that wait, min; left out, it is as long as it is. */
  readonly sigma?: number;
  /** Hands may not go from it, not for a minute: hot fat. */
  readonly stays?: boolean;
  /** Who does it; left out, whoever has hands. */
  readonly who?: string | null;
  /** In a chain of batches, whose it is: its batch, and its step there. */
  readonly of?: { readonly make: string; readonly task: string };
  /** It fetches what the batch before gave, and is no step of its own: the first step of the next batch begins with it. */
  readonly fetches?: boolean;
  /** Wished to be over by then, though more of its chain comes after it, min. */
  readonly by?: number;
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
  /** The sizes of what comes in sizes, one for each there is: litres of pots. */
  readonly sizes?: Readonly<Record<string, readonly number[]>>;
  /** Hours somebody means to spend at it; outside of them only short looks are welcome. Left out, all hours are alike. */
  readonly session?: readonly (readonly [from: number, to: number])[];
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
  /** Minutes of hands outside the session, short looks not counted. */
  readonly outside: number;
  /** Chances that something comes due while nobody is there and may not wait till then, added up; small ones are none. */
  readonly risk: number;
  /** Sum of when each make is done, min: of two days that end alike the one that is over sooner is better. */
  readonly sum: number;
}

/** So short a task is a look: welcome at any hour of the day, min. */
export const LOOK_MIN = 10;

/** Minutes of a task outside the session; none where there is no session, and none of a look. @example outsideOf([[0, 60]], 50, 20) // 10 */
export function outsideOf(session: DayProblem['session'], from: number, minutes: number): number {
  if (!session || minutes <= LOOK_MIN) return 0;
  return session.reduce(
    (left, [a, b]) => left - Math.max(0, Math.min(b, from + minutes) - Math.max(a, from)),
    minutes,
  );
}
