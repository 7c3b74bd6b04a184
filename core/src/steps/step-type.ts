import type { EventType, MakePlan, StepId } from '../contract/index.ts';
import type { CautionId } from '../method/index.ts';
import type { Leg, LegRun } from './leg.ts';

/** What stands in the pot while a step lasts. */
type InThePot = 'milk' | 'hot-milk' | 'warm-milk' | 'souring' | 'cold';

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
  readonly due?: { readonly title: string; readonly text: string };
}

/** What a step aims at, in a form every place can put into its kitchen's measures. */
export type StepAim =
  | { readonly to: 'heat'; readonly celsius: number }
  | { readonly to: 'time'; readonly minutes: number }
  | { readonly to: 'dose' }
  | { readonly to: 'ready' }
  | { readonly to: 'words'; readonly words: string };

/** Hands and patience of a step for one batch. */
export interface StepHands {
  /** Minutes that need the cook, at its end unless it is all hands. */
  readonly handsMin: number;
  /** How long its end may wait before the milk suffers, minutes. */
  readonly slackMin: number;
  /** Must act when due, rather than may wait. */
  readonly mustAct: boolean;
}

/** All that is known of one kind of step. */
export interface StepType {
  readonly kind: StepId;
  readonly facts: StepFacts;
  /** Whether a batch has it at all; left out, every batch has. */
  readonly applies?: (plan: MakePlan) => boolean;
  readonly words: (plan: MakePlan) => StepWords;
  readonly hands: (plan: MakePlan) => StepHands;
  readonly cautions: (plan: MakePlan) => readonly CautionId[];
  /** What it aims at, told while it lasts; left out, there is nothing to tell. */
  readonly aim?: (plan: MakePlan) => StepAim;
  /** What it does to the heat of the milk; left out, it is hands work that leaves it as it is. */
  readonly leg?: (run: LegRun) => Leg;
}

/** One step of a method for one batch. */
export interface MethodStep extends StepWords, StepHands {
  readonly id: StepId;
  readonly cautions: readonly CautionId[];
  readonly aim: StepAim | null;
  readonly facts: StepFacts;
}

/** A step as this batch has it; `null` when it has none of the kind. */
export function stepFor(type: StepType, plan: MakePlan): MethodStep | null {
  const { kind, facts, applies, words, hands, cautions, aim } = type;
  if (applies && !applies(plan)) return null;
  return {
    id: kind,
    facts,
    ...words(plan),
    ...hands(plan),
    cautions: cautions(plan),
    aim: aim ? aim(plan) : null,
  };
}
