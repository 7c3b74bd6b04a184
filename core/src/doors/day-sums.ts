import type * as z from 'zod';
import type { Method } from '../contract/index.ts';
import { layDay } from '../timetable/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import type { DAY_INPUTS, DAY_OUTPUTS } from './day-schemas.ts';

type DayOut = z.infer<typeof DAY_OUTPUTS.day>;

export const DAY_SUMS = {
  day: ({
    makes,
    kitchen,
    startAt,
    days,
    seed,
    keptFree,
    session,
  }: z.infer<typeof DAY_INPUTS.day>): DayOut => {
    const none: DayOut = {
      slots: [],
      finish: null,
      bound: null,
      late: 0,
      outside: 0,
      pots: [],
      givenUp: [],
      prices: [],
      simulated: null,
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
          clash: `There is no method called “${typeof method === 'string' ? method : method.name}”.`,
          clashing: [make.name],
        };
      asked.push({ ...make, method: of, id: String(i) });
    }
    const answer = layDay({
      kitchen: kitchen ?? defaultKitchen('UTC'),
      zeroMs: Date.parse(startAt),
      days,
      makes: asked,
      keptFree: keptFree.map((kept, i) => ({ ...kept, id: String(i), cook: null })),
      ...(session ? { session } : {}),
      seed,
    });
    if (!answer.fits) return { ...none, clash: answer.why, clashing: answer.clashing.map(nameOf) };
    const { hands, finish, bound, late, outside, pots, after, givenUp, prices, robustness } = answer;
    const titleOf = (id: string): string => keptFree[Number(id)]!.title;
    const named = <T extends { readonly make: string }>(of: T): T => ({ ...of, make: nameOf(of.make) });
    return {
      ...none,
      slots: hands.map(({ make, step, title, from, to, cook }) =>
        named({ make, step, title, from, to, cook }),
      ),
      finish,
      bound,
      late,
      outside,
      pots: pots.map(({ make, name }) => ({ make: nameOf(make), pot: name })),
      givenUp: givenUp.map(titleOf),
      prices: prices.map(({ id, ...price }) => ({ title: titleOf(id), ...price })),
      simulated: { days: robustness.days, clashing: robustness.clashing, finish: [...robustness.finish] },
      after: after.map(named),
    };
  },
};
