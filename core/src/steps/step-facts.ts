import type { ByProduct, EventType, StepId, StepInstance, StepKind } from '../contract/index.ts';
import type { CautionId } from '../setup/index.ts';

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

/** What has to be known of a kind of step to run it, whatever it is called. What only one kind does is a function of its type. */
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
  /** Hands tell something of it besides that it is done: it has entries of its own. */
  readonly tells?: true;
  /** How it looks is worth a picture. */
  readonly looks?: true;
  /** Fat is in the pot, not milk: it may be far hotter. */
  readonly fat?: true;
  /** What of the kitchen is taken while it lasts, besides the place it sours in. */
  readonly uses?: readonly ('burner' | 'churn' | 'cloth')[];
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
  /** Hands are at it from its beginning to its end: nothing else can be done meanwhile. */
  readonly allAlong?: boolean;
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
