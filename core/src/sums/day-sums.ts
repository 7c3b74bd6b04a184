import type * as z from 'zod';
import { clashWords, dayMakeOf, dayProblem, solveDay, type DayMake } from '../day/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../schools/index.ts';
import type { DAY_INPUTS, DAY_OUTPUTS } from './day-schemas.ts';

export const DAY_SUMS = {
  day: ({
    makes,
    kitchen = defaultKitchen('UTC'),
    startAt,
    days,
    seed,
  }: z.infer<typeof DAY_INPUTS.day>): z.infer<typeof DAY_OUTPUTS.day> => {
    const none = { slots: [], finish: null, bound: null, late: 0 };
    const asked: DayMake[] = [];
    for (const [i, make] of makes.entries()) {
      const of =
        typeof make.method === 'string' ? SHIPPED_METHODS.find(({ id }) => id === make.method) : make.method;
      if (!of)
        return {
          ...none,
          clash: `No method is called “${typeof make.method === 'string' ? make.method : make.method.name}”.`,
          clashing: [make.name],
        };
      const plan = { ...planOfMethod(of, kitchen, startAt, make.litres), name: make.name };
      const { from, by, fixed } = make;
      const unknown = Object.keys(fixed).find((id) => !of.steps.some((step) => step.id === id));
      if (unknown !== undefined)
        return { ...none, clash: `“${make.name}” has no step “${unknown}” to fix.`, clashing: [make.name] };
      const laid = dayMakeOf({ id: `${i} ${make.name}`, plan, from, by, fixed });
      if (!laid)
        return {
          ...none,
          clash: `“${make.name}” never comes to an end in this kitchen as it is.`,
          clashing: [make.name],
        };
      asked.push(laid);
    }
    const problem = dayProblem(kitchen, asked, Date.parse(startAt), days);
    const nameOf = (id: string): string => asked.find((make) => make.id === id)!.title;
    const solved = solveDay(problem, seed);
    if ('clash' in solved)
      return { ...none, clash: clashWords(problem, solved), clashing: solved.clash.map(nameOf) };
    const { slots, finish, late } = solved.timetable;
    return {
      slots: [...slots]
        .sort((a, b) => a.from - b.from)
        .map(({ make, task, from, to, cook }) => ({
          make: nameOf(make),
          step: task,
          title: asked.find(({ id }) => id === make)!.tasks.find(({ id }) => id === task)!.title,
          from,
          to,
          cook: problem.cooks.find(({ id }) => id === cook)!.name,
        })),
      finish,
      bound: solved.bound,
      late,
      clash: null,
      clashing: [],
    };
  },
};
