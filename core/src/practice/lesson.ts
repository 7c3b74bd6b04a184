import type { Trouble } from '../contract/index.ts';
import type { Aim } from './aims.ts';
import type { Instrument } from './instruments.ts';

/** 1: the forecast is shown. 2: on request, and the score says so. 3: likewise, and the clock does not stop by itself. */
export type Level = 1 | 2 | 3;

/** One crock of an exercise. */
export interface Crockful {
  readonly method: string;
  readonly litres: number;
  /** What is decided otherwise than by the method. */
  readonly toC?: number;
  /** Where it begins, and how it stands there; left out, at its first step. */
  readonly at?: string;
  /** By the number of its world, where there are several, °C. */
  readonly celsius?: number | readonly number[];
  readonly denatured?: number;
  /** The step it ends with; left out, the last. */
  readonly ends?: string;
  readonly instruments: readonly Instrument[];
  /** Milk powder stands ready. */
  readonly powder?: true;
  readonly aims: readonly Aim[];
}

/** One idea, a goal, and a trouble that is not told before. */
export interface PracticeLesson {
  readonly id: string;
  readonly title: string;
  /** The one idea. */
  readonly idea: string;
  /** What to do; `{43}` is a temperature. */
  readonly task: string;
  readonly about: 'Yogurt' | 'Cream' | 'Butter' | 'Ghee' | 'Skyr' | 'Kefir' | 'Fresh cheese' | 'Two at once';
  /** Minutes it takes at a quiet pace. */
  readonly minutes: number;
  readonly level: Level;
  /** It is over after so long, h. */
  readonly limitH: number;
  /** One of these is at work, by the number of its world. */
  readonly troubles: readonly (readonly Trouble[])[];
  readonly crocks: readonly Crockful[];
}
