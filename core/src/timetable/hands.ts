import type { DayProblem, DaySlot, DayTask } from './problem.ts';
import { whyHere, type WhyHere } from './why-here.ts';

/** One stretch of hands of a day, with what to call it. */
export interface DayHands {
  readonly make: string;
  readonly step: string;
  readonly title: string;
  readonly cook: string;
  readonly cookId: string;
  /** Minutes from the zero. */
  readonly from: number;
  readonly to: number;
  /** What it holds, and since when. */
  readonly holds: readonly string[];
  readonly heldFrom: number;
  readonly why: WhyHere;
}

/** What hands do: washing up what was emptied goes with it. @example titleOf({ title: 'Inoculate', washes: ['pot'], … }) // 'Inoculate, then wash the pot' */
const titleOf = ({ title, washes = [] }: DayTask): string =>
  washes.length === 0 ? title : `${title}, then wash the ${washes.join(' and ')}`;

/** Slots with their words, in order of time. */
export function handsOf(problem: DayProblem, slots: readonly DaySlot[]): DayHands[] {
  const taskOf = new Map(
    problem.makes.flatMap(({ id, tasks, underWay, from }) =>
      tasks.map(
        (task, k) =>
          [
            `${id} ${task.id}`,
            { task, before: tasks[k - 1]?.id ?? null, since: underWay && k === 0 ? from : null },
          ] as const,
      ),
    ),
  );
  const slotOf = new Map(slots.map((slot) => [`${slot.make} ${slot.task}`, slot]));
  const whys = whyHere(problem, slots);
  return slots
    .map((slot, i): DayHands => {
      const { task, before, since } = taskOf.get(`${slot.make} ${slot.task}`)!;
      return {
        make: slot.make,
        step: slot.task,
        title: titleOf(task),
        cook: problem.cooks.find(({ id }) => id === slot.cook)!.name,
        cookId: slot.cook,
        from: slot.from,
        to: slot.to,
        holds: task.holds,
        heldFrom: since ?? (before === null ? slot.from : slotOf.get(`${slot.make} ${before}`)!.to),
        why: whys[i]!,
      };
    })
    .sort((a, b) => a.from - b.from || a.to - b.to);
}
