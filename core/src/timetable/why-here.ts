import type { DayProblem, DaySlot } from './problem.ts';

/** What holds hands where they are in a day, from both sides. */
export interface WhyHere {
  /**
   * Why not earlier: what is before it was over only then, or the batch it is made from was, hands were elsewhere, nobody was there, a thing was taken; or nothing: it
   * waits so that others fit, or a batch begins later so that what comes of it finds somebody.
   */
  readonly notEarlier: 'begins' | 'fed' | 'wait' | 'hands' | 'away' | 'thing' | 'others' | 'put-off';
  /** The task hands were at until then, or that had the thing. */
  readonly after: { readonly make: string; readonly task: string } | null;
  /** The thing that was taken. */
  readonly thing: string | null;
  /** Until when it may wait, min; `null` without a limit. */
  readonly latest: number | null;
}

/** Longer than this nobody is told that it may wait, min. */
const NO_HURRY_MIN = 8 * 60;

/** Says of every stretch of hands why it is where it is. @returns in the order of the slots */
export function whyHere(problem: DayProblem, slots: readonly DaySlot[]): WhyHere[] {
  const taskOf = new Map(
    problem.makes.flatMap(({ id, tasks, from }) =>
      tasks.map(
        (task, k) => [`${id} ${task.id}`, { task, k, from, before: tasks[k - 1]?.id ?? null }] as const,
      ),
    ),
  );
  const slotOf = new Map(slots.map((slot) => [`${slot.make} ${slot.task}`, slot]));
  return slots.map((slot): WhyHere => {
    const { task, k, from, before } = taskOf.get(`${slot.make} ${slot.task}`)!;
    const held = before === null ? from : slotOf.get(`${slot.make} ${before}`)!.to;
    const due = held + task.after;
    const latest = k === 0 || task.slack > NO_HURRY_MIN ? null : due + task.slack;
    const own = { after: null, thing: null, latest };
    if (slot.from === due) return { ...own, notEarlier: k === 0 ? 'begins' : task.fetches ? 'fed' : 'wait' };
    const busy = slots.find((other) => other.cook === slot.cook && other.to === slot.from && other !== slot);
    if (busy) return { ...own, notEarlier: 'hands', after: { make: busy.make, task: busy.task } };
    const cook = problem.cooks.find(({ id }) => id === slot.cook);
    if (cook?.free.some(([begin]) => begin === slot.from && begin > 0)) return { ...own, notEarlier: 'away' };
    for (const thing of task.holds) {
      const giver = slots.find(
        (other) =>
          other.make !== slot.make &&
          other.to === (k === 0 ? slot.from : held) &&
          taskOf.get(`${other.make} ${other.task}`)!.task.holds.includes(thing),
      );
      if (giver) return { ...own, notEarlier: 'thing', thing, after: { make: giver.make, task: giver.task } };
    }
    return { ...own, notEarlier: k === 0 ? 'put-off' : 'others' };
  });
}
