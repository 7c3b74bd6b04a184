import type { EventOf, MakePlan } from '../contract/index.ts';
import { batchOf, planWithout } from '../setup/index.ts';
import { mixMilks } from '../science/milk/index.ts';
import { withLoadsLeft } from '../steps/index.ts';
import { instantOf, type LoggedEvent } from '../log/index.ts';

/** Where what sours stands, how much of it, and what was poured to it when that began. */
export interface Stay {
  readonly fromMs: number;
  readonly place: MakePlan['place'];
  readonly litres: number;
  /** What was there as a share of the whole, and how warm the rest was. */
  readonly mixed: { readonly keeps: number; readonly celsius: number } | null;
}

/** Another make that was poured into this one. */
export type Joined = EventOf<'joined'>['data'] & { readonly atMs: number; readonly keeps: number };

/** What became of a plan by what left it and what came to it. */
export interface Parts {
  readonly plan: MakePlan;
  /** The same without what was poured in from other makes: what the souring began with. */
  readonly alone: MakePlan;
  /** What is left of what was in it at an instant, by what was parted off since; 1 is all of it. */
  readonly leftOf: (atMs: number) => number;
  readonly stays: readonly Stay[];
  readonly joined: readonly Joined[];
}

/** A plan with another make's milk in it, mixed by mass balance; raw when either was. */
function planWith(plan: MakePlan, { massKg, composition, raw }: EventOf<'joined'>['data']): MakePlan {
  const mix = mixMilks([batchOf(plan), { massKg, composition }]);
  const { second: _second, powder: _powder, ...milk } = plan.milk;
  return {
    ...plan,
    milk: {
      ...milk,
      litres: mix.litres,
      composition: mix.composition,
      fatFraction: mix.composition.fatFraction,
      treatment: raw ? 'raw' : milk.treatment,
    },
  };
}

/**
 * Folds what left a make, what was poured to it, and where it stood meanwhile.
 * @param begun the place it was planned for at first
 * @param planned the plan with all its changes and with what was really poured
 */
export function partsOf(events: readonly LoggedEvent[], begun: MakePlan['place'], planned: MakePlan): Parts {
  let plan = planned;
  let alone = planned;
  const splits: { readonly atMs: number; readonly keeps: number }[] = [];
  let place = begun;
  const stays: Stay[] = [
    { fromMs: Number.NEGATIVE_INFINITY, place, litres: batchOf(plan).litres, mixed: null },
  ];
  const joined: Joined[] = [];
  const stay = (event: LoggedEvent, mixed: Stay['mixed'] = null): void => {
    stays.push({ fromMs: instantOf(event), place, litres: batchOf(plan).litres, mixed });
  };
  for (const event of events) {
    switch (event.type) {
      case 'replanned':
        if (!event.data.place) break;
        place = event.data.place;
        stay(event);
        break;
      case 'split-off': {
        const { share, jars } = event.data;
        plan = withLoadsLeft(planWithout(plan, share, jars), 1 - share);
        alone = withLoadsLeft(planWithout(alone, share, jars), 1 - share);
        splits.push({ atMs: instantOf(event), keeps: 1 - share });
        stay(event);
        break;
      }
      case 'joined': {
        const { massKg } = batchOf(plan);
        const keeps = massKg / (massKg + event.data.massKg);
        plan = planWith(plan, event.data);
        joined.push({ ...event.data, atMs: instantOf(event), keeps });
        stay(event, { keeps, celsius: event.data.celsius });
        break;
      }
      default:
    }
  }
  return {
    plan,
    alone,
    leftOf: (atMs) => splits.reduce((left, split) => (split.atMs >= atMs ? left * split.keeps : left), 1),
    stays,
    joined,
  };
}

/** A plan with its lots as they really went in: the mass is what was poured, the kind of milk what was planned. */
export function withPour(plan: MakePlan, from: EventOf<'milk-poured'>['data']['from']): MakePlan {
  const { lots } = plan.milk;
  if (!lots) return plan;
  const massKg = from.reduce((sum, part) => sum + part.massKg, 0);
  const plannedKg = lots.reduce((sum, lot) => sum + lot.massKg, 0);
  const litres = (plan.milk.litres * massKg) / plannedKg;
  return {
    ...plan,
    milk: {
      ...plan.milk,
      litres,
      lots: from.map(({ lotId, massKg: kg }) => {
        const asked = lots.find((lot) => lot.lotId === lotId);
        return { lotId, name: asked?.name ?? 'another lot', massKg: kg, costPerKg: asked?.costPerKg ?? null };
      }),
    },
  };
}
