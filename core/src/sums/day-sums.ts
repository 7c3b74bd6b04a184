import type * as z from 'zod';
import type { Method } from '../contract/index.ts';
import { layDay } from '../day/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { SHIPPED_METHODS } from '../schools/index.ts';
import type { DAY_INPUTS, DAY_OUTPUTS } from './day-schemas.ts';

type DayOut = z.infer<typeof DAY_OUTPUTS.day>;

export const DAY_SUMS = {
  day: ({ makes, kitchen, startAt, days, seed }: z.infer<typeof DAY_INPUTS.day>): DayOut => {
    const none: DayOut = {
      slots: [],
      finish: null,
      bound: null,
      late: 0,
      after: [],
      clash: null,
      clashing: [],
    };
    const nameOf = (id: string): string => makes[Number(id)]!.name;
    const asked: { method: Method; id: string; name: string }[] = [];
    for (const [i, make] of makes.entries()) {
      const { method } = make;
      const of = typeof method === 'string' ? SHIPPED_METHODS.find(({ id }) => id === method) : method;
      if (!of)
        return {
          ...none,
          clash: `No method is called “${typeof method === 'string' ? method : method.name}”.`,
          clashing: [make.name],
        };
      asked.push({ ...make, method: of, id: String(i) });
    }
    const answer = layDay({
      kitchen: kitchen ?? defaultKitchen('UTC'),
      zeroMs: Date.parse(startAt),
      days,
      makes: asked,
      seed,
    });
    if (!answer.fits) return { ...none, clash: answer.why, clashing: answer.clashing.map(nameOf) };
    const { hands, finish, bound, late, after } = answer;
    const named = <T extends { readonly make: string }>(of: T): T => ({ ...of, make: nameOf(of.make) });
    return {
      ...none,
      slots: hands.map(({ why: _why, ...h }) => named(h)),
      finish,
      bound,
      late,
      after: after.map(named),
    };
  },
};
