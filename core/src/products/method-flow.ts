import type { MakePlan, StepId } from '../contract/index.ts';
import { batchOf } from '../setup/index.ts';
import type { Curd, PartedOff } from '../steps/index.ts';
import { typedSteps } from './catalogue.ts';

/** Whey protein counts as unfolded by heat from here on. */
const HEATED_FROM = 0.3;

/** What became of what went in, step by step. */
export interface MassFlow {
  /** Milk and starter, as they went in. */
  readonly wentIn: Curd;
  /** What is worked on when a step begins. */
  readonly into: ReadonlyMap<StepId, Curd>;
  /** What is there in the end. */
  readonly out: Curd;
  readonly off: readonly (PartedOff & { readonly step: StepId })[];
  readonly added: readonly { readonly what: string; readonly massKg: number; readonly step: StepId }[];
}

/** What is known of a make besides its plan, for where its mass goes. */
export interface FlowKnown {
  /** Starter as it went in, kg; left out, as planned. */
  readonly doseKg?: number | null;
  /** Whey protein unfolded, 0..1; left out, none. */
  readonly denatured?: number;
  /** Hours from inoculation to the gel. */
  readonly gelH?: number | null;
  readonly skipped?: ReadonlySet<StepId>;
  /** Whey that a step's cloth really let go of what hung in it, kg; `null` where nobody weighed. */
  readonly wheyOff?: (step: StepId, wholeKg: number) => number | null;
}

/**
 * Mass, fat and protein through the steps of a plan: what goes in and comes to it is what comes out, is parted off, or is still
 * there. Estimates but for what was weighed.
 */
export function massFlow(plan: MakePlan, known: FlowKnown = {}): MassFlow {
  const { massKg, composition } = batchOf(plan);
  const wentIn = {
    massKg: massKg + ((known.doseKg === undefined ? plan.starter.massKg : known.doseKg) ?? 0),
    fatFraction: composition.fatFraction,
    proteinFraction: composition.proteinFraction,
  };
  let curd: Curd = wentIn;
  const into = new Map<StepId, Curd>();
  const off: MassFlow['off'][number][] = [];
  const added: MassFlow['added'][number][] = [];
  for (const { type, of } of typedSteps(plan)) {
    const step = of.step.id;
    into.set(step, curd);
    if (!type.flow || known.skipped?.has(step)) continue;
    const parted = type.flow(curd, {
      plan,
      of,
      heated: (known.denatured ?? 0) > HEATED_FROM,
      gelH: known.gelH ?? null,
      wheyKg: known.wheyOff?.(step, curd.massKg) ?? null,
    });
    curd = parted.curd;
    off.push(...parted.off.map((part) => ({ ...part, step })));
    added.push(...parted.added.map((part) => ({ ...part, step })));
  }
  return { wentIn, into, out: curd, off, added };
}
