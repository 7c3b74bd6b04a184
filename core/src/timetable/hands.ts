import type { DayDoc } from '../contract/index.ts';
import { stepIn } from './chain.ts';
import type { DayProblem, DaySlot, DayTask } from './problem.ts';
import { whyHere, type WhyHere } from './why-here.ts';

/** One stretch of hands of a day, with what to call it. */
export interface DayHands {
  readonly make: string;
  readonly step: string;
  readonly title: string;
  /** What to do then: of what goes by itself, at its end. */
  readonly act: string;
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

/** Hands as a kept day has them. @example slotsOf(answer.hands) // [{ make, task, title, cook, from, to }, …] */
export const slotsOf = (hands: readonly DayHands[]): DayDoc['slots'] =>
  hands.map(({ make, step, title, cookId, from, to }) => ({
    make,
    task: step,
    title,
    cook: cookId,
    from,
    to,
  }));

/** What hands do: washing up what was emptied goes with it. @example washedUpAfter('Inoculate', { washes: ['pot'], … }) // 'Inoculate, then wash the pot' */
const washedUpAfter = (words: string, { washes = [] }: DayTask): string =>
  washes.length === 0 ? words : `${words}, then wash the ${washes.join(' and ')}`;

/** Slots with their words, in order of time; those of chains as their batches'. */
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
  const stepOf = stepIn(problem);
  const whys = whyHere(problem, slots);
  const whyOf = new Map(slots.map((slot, i) => [slot, whys[i]!]));
  return slots
    .flatMap((slot): DayHands[] => {
      const { task, before, since } = taskOf.get(`${slot.make} ${slot.task}`)!;
      if (task.fetches) return [];
      const own = stepOf(slot);
      const earlier = before === null ? undefined : slotOf.get(`${slot.make} ${before}`);
      const fetched = earlier?.to === slot.from && taskOf.get(`${slot.make} ${before}`)!.task.fetches;
      // What begins with fetching stands where that does.
      const begins = fetched ? earlier : slot;
      const why = whyOf.get(begins)!;
      return [
        {
          make: own.make,
          step: own.task,
          title: washedUpAfter(task.title, task),
          act: washedUpAfter(task.act ?? task.title, task),
          cook: problem.cooks.find(({ id }) => id === slot.cook)!.name,
          cookId: slot.cook,
          from: begins.from,
          to: slot.to,
          holds: task.holds,
          heldFrom: since ?? earlier?.to ?? slot.from,
          why: { ...why, after: why.after && stepOf(why.after) },
        },
      ];
    })
    .sort((a, b) => a.from - b.from || a.to - b.to);
}
