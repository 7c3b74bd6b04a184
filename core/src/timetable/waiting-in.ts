import type { DayDoc, MakePlan } from '../contract/index.ts';

/** A batch of a day as it waits for the one it is made from. */
export type WaitingMake = DayDoc['makes'][number] & { readonly plan: MakePlan; readonly fedBy: string };

/** Batches of a day that are made from another one of it and not begun. */
export const waitingIn = ({ makes }: Pick<DayDoc, 'makes'>): WaitingMake[] =>
  makes.flatMap((make) =>
    make.makeId === null && make.plan && make.fedBy !== undefined
      ? [{ ...make, plan: make.plan, fedBy: make.fedBy }]
      : [],
  );

/** Those of them that wait for a make. */
export const waitingFor = (day: Pick<DayDoc, 'makes'>, makeId: string): WaitingMake[] =>
  waitingIn(day).filter(({ fedBy }) => day.makes.find(({ id }) => id === fedBy)?.makeId === makeId);
