import type {
  ByProduct,
  EventOf,
  EventType,
  GoodFacts,
  MakeOutcome,
  MakePlan,
  Stands,
  StepInstance,
  StepKind,
  Way,
} from '../contract/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import type { Cue } from '../science/souring/index.ts';
import type { Advice, AdviceUnits, Batch, CautionId } from '../setup/index.ts';
import type { Alarm } from './alarm.ts';
import type { Curd, Flowed } from './curd-run.ts';
import type { Fed } from './feeding.ts';
import type { Leg, LegRun } from './leg.ts';
import type { Learns } from './learns.ts';
import type { MakeAt, MakeView, StepState } from './make-view.ts';
import type { AcidMark, MarkRole, ShareMark } from './mark.ts';
import type { MethodStep, StepAim, StepFacts, StepHands, StepWords } from './step-facts.ts';
import type { StepOf } from './step-of.ts';
import type { ToldOf } from './told.ts';

export * from './step-facts.ts';

/** A step that comes after a souring, or without one, as it is gone through. */
export interface LaterRun {
  readonly plan: MakePlan;
  readonly of: StepOf;
  readonly startMs: number;
  readonly fed: Fed;
  /** How late its own scatter has it, in σ of ln: 0 is the middle. */
  readonly z: number;
  /** What is worked on as it comes into the step, and how warm. */
  readonly curd: Curd;
  readonly celsius: number;
  /** pH foreseen at an instant. */
  readonly phAt: (ms: number) => number;
  readonly denatured: number;
  readonly told: ToldOf;
}

/** How long such a step takes. */
export interface LaterEnd {
  readonly minutes: number;
  /** One σ of that; left out, its scatter is not told. */
  readonly sigmaMin?: number;
  /** It never gets there as things stand. */
  readonly endless?: boolean;
  /** How warm it leaves it; left out, as where it stands. */
  readonly endC?: number;
}

/** How a souring ends, and how that is told. */
export interface Souring {
  /** The plan as this souring has it, where a make sours more than once; left out, the make's. */
  readonly plan?: (plan: MakePlan, of: StepOf, fed: Fed) => MakePlan;
  /** The points of acidity it passes, in order; which of them ends it is told by their roles. */
  readonly marks: (plan: MakePlan) => readonly AcidMark[];
  /** It is over by the clock, not by its acid: after so many minutes. It sours on in what follows. */
  readonly timedMin?: (of: StepOf) => number;
  /** How far ahead is looked, h. */
  readonly horizonH: (plan: MakePlan) => number;
  /** How firm or thick it comes out, 0..100, an estimate. */
  readonly body: (of: {
    readonly plan: MakePlan;
    readonly batch: Batch;
    readonly denatured: number;
    readonly ph: number;
    readonly gelC: number;
  }) => number;
  readonly bodyWord: (index: number) => string;
  /** A cue that was seen says that it is at least so firm or thick. */
  readonly leastBody?: Readonly<Partial<Record<Cue, number>>>;
  /** What eye and spoon tell, in order. */
  readonly cues: readonly Cue[];
  /** A cue shows that it soured only together with a clean sour smell. */
  readonly smellCounts: boolean;
  readonly words: {
    /** "Firmness", "Thickness" */
    readonly body: string;
    readonly look: string;
    readonly reached: string;
    readonly notShown: string;
    readonly maybeNever: string;
  };
}

/**
 * The pH of a mark of a souring; `null` when it has none of that role.
 * @example markPh(souring, plan, 'ready') // 4.46
 */
export const markPh = (souring: Souring, plan: MakePlan, role: MarkRole): number | null =>
  souring.marks(plan).find((mark) => mark.role === role)?.ph ?? null;

/** A step as what it works on flows through it. */
export interface FlowRun {
  readonly plan: MakePlan;
  readonly of: StepOf;
  /** Its whey protein was unfolded by heat. */
  readonly heated: boolean;
  /** From inoculation to the gel, h; `null` when nobody knows. */
  readonly gelH: number | null;
  /** Whey caught of it in the end; `null` as computed. */
  readonly wheyKg: number | null;
}

/** What speaks against a plan because of a step of it. */
export type Advise = (plan: MakePlan, units: AdviceUnits, of: StepOf) => readonly (Advice | null)[];

/** An entry that a step makes of being called done. */
export type Said = {
  [T in EventType]: { readonly type: T; readonly data: EventOf<T>['data'] };
}[EventType];

/** How a step stands within itself: a load of several, a try after others. */
export interface Within {
  /** Put behind the name of what rings: what was silenced in one rings in the next; empty in the first. */
  readonly suffix: string;
  /** It is over, for this one: nothing rings for its end any more. */
  readonly over: boolean;
  /** What the one large button says, and what to do now; left out, as the step says. */
  readonly doneWords?: string;
  readonly doing?: string;
  /** What is said by calling it done, and whether the step is over with it. */
  readonly says: readonly Said[];
  readonly ends: boolean;
}

/** Why an entry about a step cannot be. */
export interface Refuses {
  readonly entry: EventType;
  /** The entries it follows from. */
  readonly knows: readonly EventType[];
  /** What is wrong, where; `null` when nothing is. @param make folded from what it knows, and from how it began */
  readonly why: (
    make: MakeView,
    entry: LoggedEvent,
  ) => { readonly path: string; readonly message: string } | null;
}

/** How long something keeps in a place, days, and why. */
export interface Keeps {
  readonly days: readonly [number, number];
  readonly reason: string;
}

/** All that is known of one kind of step, but for what speaks against a plan (`advice/`). */
export interface StepType {
  readonly kind: StepKind;
  readonly facts: StepFacts;
  /** What it is called in a line of entries: "heating". */
  readonly gerund: string;
  /** What one begins with that is put into a method, besides its name. */
  readonly usual?: Readonly<Record<string, unknown>>;
  /** What it wants to find in the kitchen, and what of it is made ready the evening before. */
  readonly asks?: readonly string[];
  readonly evening?: 'cream-out' | 'cold-water' | 'cloths' | 'moulds';
  /** Whether a batch has it at all; left out, every batch has. */
  readonly applies?: (plan: MakePlan) => boolean;
  readonly words: (plan: MakePlan, of: StepOf) => StepWords;
  readonly hands: (plan: MakePlan, of: StepOf) => StepHands;
  readonly cautions: (plan: MakePlan, of: StepOf) => readonly CautionId[];
  /** How what its `flow` adds is measured out, where not by weight; and how hot it must be. */
  readonly adds?: {
    readonly by: 'volume';
    /** °C; `null` when nothing is hot enough. @param fromC of what it comes to */
    readonly hotC?: (plan: MakePlan, of: StepOf, fromC: number) => number | null;
    /** How warm all of it is then, °C. */
    readonly toC?: (of: StepOf) => number;
  };
  /** What it aims at, told while it lasts; left out, there is nothing to tell. */
  readonly aim?: (plan: MakePlan, of: StepOf) => StepAim;
  /** What it does to the heat of the milk; left out, it is hands work that leaves it as it is. */
  readonly leg?: (run: LegRun) => Leg;
  /** How long it takes when it comes after a souring; left out, its hands, or the cold at work. */
  readonly later?: (run: LaterRun) => LaterEnd;
  /** Where it stands meanwhile; left out, in the cold when it waits after a souring, else as it is. */
  readonly stands?: (plan: MakePlan, of: StepOf) => Stands;
  /** What it parts off and what comes to it; left out, all of it goes on as it is. */
  readonly flow?: (curd: Curd, run: FlowRun) => Flowed;
  readonly souring?: Souring;
  /** What the burner under it draws while it lasts, kW; left out, it stands on none. */
  readonly drawsKw?: (plan: MakePlan, of: StepOf) => number;
  /** How much of the product is likely to come out of it, kg. */
  readonly givesKg?: (plan: MakePlan, of: StepOf) => number;
  /** Hands in between, every so often: turned, or stirred through; `null` when there are none. */
  readonly everyMin?: (of: StepOf) => number | null;
  /** What it passes on its way, by shares of its time; and when one of them was seen, ms since 1970, `null` when nobody did. */
  readonly marks?: (plan: MakePlan, of: StepOf) => readonly ShareMark[];
  /** How far it is by what was seen last, 0..1; `null` when nothing was. */
  readonly shareSeen?: (make: MakeView) => number | null;
  readonly markSeen?: (make: MakeView, mark: string) => number | null;
  /** How it stands within itself, while it is on. */
  readonly within?: (make: MakeView) => Within | null;
  /** The early end of its band and its middle, where it knows them better than the forecast: asked as it began. */
  readonly bells?: (at: MakeAt) => { readonly earlyMs: number; readonly middleMs: number } | null;
  /** What rings because of it besides its end; asked of every step, whatever its status, as the present one began. */
  readonly alarms?: (at: MakeAt, own: StepState) => readonly Alarm[];
  /** Entries about it that cannot be, whatever their shape. */
  readonly refuses?: Refuses;
  /** Who calls it done has seen so much. */
  readonly doneShows?: { readonly cue: Cue; readonly cleanSmell: boolean };
  /** Once it is in, a set proves no acid; said so. */
  readonly setProvesNothing?: string;
  /** What a make teaches about a thing of the kitchen. */
  readonly learns?: Learns;
  /** What else is likely to come out of it, kg. */
  readonly besides?: (plan: MakePlan) => { readonly what: ByProduct; readonly massKg: number };
  /** What came out of it may go different ways by now: parts have the step and all before it in common. */
  readonly parts?: (make: MakeView) => boolean;
  /** How long what came out of it keeps; `null` where nothing is known. */
  readonly keeps?: (at: MakeAt, place: 'cold' | 'freezer') => Keeps | null;
  /** What it says of a make in the Daybook's line. */
  readonly outcome?: (at: MakeAt) => Pick<MakeOutcome, 'churned'>;
  /** In which of the ways that makers argue about it was gone through. */
  readonly ways?: (at: MakeAt) => readonly Way[];
  /** What a label says because of it. */
  readonly labels?: (make: MakeView) => Pick<GoodFacts, 'sour'>;
  /** The plan of a make to be made again, with what was measured in place of what was planned. */
  readonly again?: (at: MakeAt) => MakePlan;
}

/** A step as this batch has it; `null` when it has none of the kind. */
export function stepFor(type: StepType, plan: MakePlan, of: StepOf): MethodStep | null {
  const { kind, facts, applies, words, hands, cautions, aim } = type;
  if (applies && !applies(plan)) return null;
  return {
    id: of.step.id,
    kind,
    instance: of.step,
    facts,
    ...words(plan, of),
    ...hands(plan, of),
    cautions: cautions(plan, of),
    aim: aim ? aim(plan, of) : null,
  };
}

/**
 * The parameters of a step of one kind.
 * @throws TypeError for a step of another kind
 */
export function paramsOf<K extends StepKind>(
  step: StepInstance,
  kind: K,
): Extract<StepInstance, { readonly kind: K }> {
  if (step.kind !== kind) throw new TypeError(`${step.id} is no step of the kind ${kind}`);
  return step as Extract<StepInstance, { readonly kind: K }>;
}
