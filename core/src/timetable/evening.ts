import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { STARTER_FACTS } from '../science/souring/index.ts';
import { batchOf } from '../setup/index.ts';
import { stateOfPlan } from '../make/index.ts';
import { STEP_TYPES, type StepType } from '../steps/index.ts';
import type { DayHands } from './hands.ts';
import { isInoculated } from './needs.ts';

/** One thing to do the evening before. */
export interface EveningThing {
  readonly what: 'cream-out' | 'cold-water' | 'cloths' | 'moulds' | 'pots' | 'starter';
  readonly count: number | null;
  readonly litres: number | null;
  /** Of a starter, which. */
  readonly name: string | null;
  readonly of: readonly string[];
}

/** Water to wash a butter with, for each litre of its cream. */
const WASH_PER_LITRE = 1;

/**
 * What to do the evening before a day: by what its steps need.
 * @param hands as laid out, for how many pots are wanted at once
 */
export function eveningList(
  plans: readonly MakePlan[],
  hands: readonly DayHands[],
  kitchen: Pick<KitchenSettings, 'pots'>,
): EveningThing[] {
  const wanting = (what: StepType['evening']) =>
    plans.filter((plan) =>
      stateOfPlan(plan).steps.some(({ step }) => STEP_TYPES[step.kind].evening === what),
    );
  const thing = (
    what: EveningThing['what'],
    own: readonly MakePlan[],
    over: Partial<EveningThing>,
  ): EveningThing[] =>
    own.length === 0
      ? []
      : [{ what, count: null, litres: null, name: null, of: own.map(({ name }) => name), ...over }];
  const tempered = wanting('cream-out');
  const churned = wanting('cold-water');
  const cloths = wanting('cloths');
  const moulds = wanting('moulds');
  const starters = new Map<string, MakePlan[]>();
  for (const plan of plans) {
    const { kind } = plan.starter;
    if (kind === 'none' || !isInoculated(plan)) continue;
    const { label } = STARTER_FACTS[kind];
    starters.set(label, [...(starters.get(label) ?? []), plan]);
  }
  const pots = mostAtOnce(hands, 'pot');
  return [
    ...thing('cream-out', tempered, {}),
    ...thing('cold-water', churned, {
      litres: churned.reduce((sum, plan) => sum + WASH_PER_LITRE * batchOf(plan).litres, 0),
    }),
    ...thing('cloths', cloths, { count: cloths.length }),
    ...thing('moulds', moulds, { count: moulds.length }),
    ...(pots > 0
      ? [
          {
            what: 'pots',
            count: Math.min(pots, kitchen.pots.length),
            litres: null,
            name: null,
            of: [],
          } as const,
        ]
      : []),
    ...[...starters].flatMap(([name, own]) => thing('starter', own, { name })),
  ];
}

/** How many of a thing are held at once at most. */
function mostAtOnce(hands: readonly DayHands[], thing: string): number {
  const spans = heldSpans(hands, thing);
  return spans.reduce(
    (most, { from }) => Math.max(most, spans.filter((s) => s.from <= from && from < s.to).length),
    0,
  );
}

/** From when to when each make has a thing, in order. */
export function heldSpans(
  hands: readonly DayHands[],
  thing: string,
): { readonly make: string; readonly from: number; readonly to: number }[] {
  const spans: { make: string; from: number; to: number }[] = [];
  for (const h of [...hands].sort((a, b) => a.heldFrom - b.heldFrom)) {
    if (!h.holds.includes(thing)) continue;
    const last = spans.findLast((s) => s.make === h.make);
    if (last && last.to >= h.heldFrom) last.to = Math.max(last.to, h.to);
    else spans.push({ make: h.make, from: h.heldFrom, to: h.to });
  }
  return spans;
}

/** Which of several each span has: the first that is free. */
export function lanesOf<S extends { readonly from: number; readonly to: number }>(
  spans: readonly S[],
): (S & { readonly lane: number })[] {
  const until: number[] = [];
  return [...spans]
    .sort((a, b) => a.from - b.from)
    .map((span) => {
      const free = until.findIndex((to) => to <= span.from);
      const lane = free < 0 ? until.length : free;
      until[lane] = span.to;
      return { ...span, lane };
    });
}
