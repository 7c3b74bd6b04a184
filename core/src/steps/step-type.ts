import type {
  ByProduct,
  EventType,
  MakePlan,
  Stands,
  StepId,
  StepInstance,
  StepKind,
} from '../contract/index.ts';
import type { Cue } from '../science/souring/index.ts';
import type { Advice, AdviceUnits, Batch, CautionId } from '../setup/index.ts';
import type { Curd, CurdSeen, Flowed } from './curd-run.ts';
import type { Fed } from './feeding.ts';
import type { Leg, LegRun } from './leg.ts';
import type { AcidMark, MarkRole, ShareMark } from './mark.ts';
import type { StepOf } from './step-of.ts';

/** What stands in the pot while a step lasts. */
type InThePot =
  | 'milk'
  | 'hot-milk'
  | 'warm-milk'
  | 'souring'
  | 'cold'
  | 'cream'
  | 'tempering'
  | 'churning'
  | 'grains'
  | 'butter'
  | 'ghee'
  | 'hot-ghee'
  | 'curd'
  | 'cloth'
  | 'wheel';

/** What has to be known of a kind of step to run it, whatever it is called. */
export interface StepFacts {
  readonly inThePot: InThePot;
  /** It goes by itself and wants hands at its end; otherwise it is hands from its beginning. */
  readonly waits: boolean;
  /** Its end may wait till tomorrow without harm. */
  readonly overnight: boolean;
  /** Nothing in the pot depends on it any more: it may be done, or left out, at any time. */
  readonly whenever: boolean;
  /** What is read off in it most of all. */
  readonly pad: 'temperature' | 'ph' | 'mass';
  /** A probe in the milk has something to tell. */
  readonly probed: boolean;
  /** The entry that is doing it, besides its being called done. */
  readonly endedBy: EventType | null;
  /** The milk gets warmer, or cooler, by what the kitchen has; its own makes teach how fast. */
  readonly moves: 'up' | 'down' | null;
  /** The culture goes in with it. */
  readonly inoculates: boolean;
  /** The culture works in it: the forecast's band is about its end. */
  readonly sours: boolean;
  /** A set that is seen shows that it soured: not where rennet sets the milk, sour or not. */
  readonly setShowsAcid: boolean;
  /** The by-product that is weighed in it, rather than the product. */
  readonly weighs?: ByProduct;
  /** What hands tell of it, besides that it is done. */
  readonly tells?:
    'stages' | 'buttermilk' | 'rinses' | 'salt' | 'pan' | 'drips' | 'break' | 'turns' | 'grains';
  /** Who calls it done has seen it set, and smelt it clean. */
  readonly doneShowsSet?: true;
  /** Hotter than this it suffers, and at the second it smokes, °C. */
  readonly tooHot?: { readonly celsius: number; readonly smokesC: number };
  /** Rennet goes in with it: from then on a set proves no acid. */
  readonly rennets?: true;
  /** Cream is parted into butter and buttermilk in it. */
  readonly parts?: true;
}

/** Most steps are hands, over when somebody says so, and leave the milk as it is: only what is otherwise has to be said. */
const PLAIN: Omit<StepFacts, 'inThePot'> = {
  waits: false,
  overnight: false,
  whenever: false,
  pad: 'temperature',
  probed: false,
  endedBy: null,
  moves: null,
  inoculates: false,
  sours: false,
  setShowsAcid: false,
};

/** The facts of a kind of step by what sets it apart. @example factsOf({ inThePot: 'cold', waits: true }).sours // false */
export const factsOf = (own: Partial<StepFacts> & Pick<StepFacts, 'inThePot'>): StepFacts => ({
  ...PLAIN,
  ...own,
});

/** What is rung: it may fill every screen of the kitchen, where it cannot be missed. */
export interface Bell {
  readonly title: string;
  readonly text: string;
  readonly fills?: true;
}

/** Words of a step for one batch. */
export interface StepWords {
  readonly title: string;
  /** What to do, in one sentence. */
  readonly doing: string;
  /** What a cook says when it is done; the label of the one large button. */
  readonly doneWords: string;
  readonly why: string;
  /** How its end is told in a line of times: "hot at" 08:10. */
  readonly endWords?: string;
  /** Rung when it is due: what to say, and what to do about it. */
  readonly due?: Bell;
  /** Rung before that, at the early end of its band. */
  readonly early?: Bell;
}

/** What a step aims at, in a form every place can put into its kitchen's measures. */
export type StepAim =
  | { readonly to: 'heat'; readonly celsius: number }
  | { readonly to: 'time'; readonly minutes: number }
  | { readonly to: 'break' }
  | { readonly to: 'dose' }
  | { readonly to: 'amount'; readonly massKg: number }
  | { readonly to: 'ready' }
  /** Something is put in; how much is worked out from what is there. */
  | { readonly to: 'added'; readonly words: string }
  | { readonly to: 'words'; readonly words: string };

/** Hands and patience of a step for one batch. */
export interface StepHands {
  /** Minutes that need the cook, at its end unless it is all hands. */
  readonly handsMin: number;
  /** How long its end may wait before the milk suffers, minutes. */
  readonly slackMin: number;
  /** Must act when due, rather than may wait. */
  readonly mustAct: boolean;
  /** How long it goes by itself after the souring, minutes; left out, it has no time of its own. */
  readonly waitMin?: number;
  /** Hands begin so long before its end, minutes; left out, at its end. */
  readonly leadMin?: number;
}

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
  readonly seen: CurdSeen;
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

/** All that is known of one kind of step, but for what speaks against a plan (`advice/`). */
export interface StepType {
  readonly kind: StepKind;
  readonly facts: StepFacts;
  /** Whether a batch has it at all; left out, every batch has. */
  readonly applies?: (plan: MakePlan) => boolean;
  readonly words: (plan: MakePlan, of: StepOf) => StepWords;
  readonly hands: (plan: MakePlan, of: StepOf) => StepHands;
  readonly cautions: (plan: MakePlan, of: StepOf) => readonly CautionId[];
  /** What it aims at, told while it lasts; left out, there is nothing to tell. */
  /** How what its `flow` adds is measured out, where not by weight; and how hot it must be. */
  readonly adds?: {
    readonly by: 'volume';
    /** °C; `null` when nothing is hot enough. @param fromC of what it comes to */
    readonly hotC?: (plan: MakePlan, of: StepOf, fromC: number) => number | null;
    /** How warm all of it is then, °C. */
    readonly toC?: (of: StepOf) => number;
  };
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
  /** What it passes on its way, by shares of its time. */
  readonly marks?: (plan: MakePlan, of: StepOf) => readonly ShareMark[];
}

/** One step of a method for one batch. */
export interface MethodStep extends StepWords, StepHands {
  readonly id: StepId;
  readonly kind: StepKind;
  /** With what was decided for it. */
  readonly instance: StepInstance;
  readonly cautions: readonly CautionId[];
  readonly aim: StepAim | null;
  readonly facts: StepFacts;
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
