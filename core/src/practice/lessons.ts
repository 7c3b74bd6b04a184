import type { Trouble } from '../contract/index.ts';
import * as aims from './aims.ts';
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

const HOT: readonly Instrument[] = ['thermometer'];
const ACID: readonly Instrument[] = ['thermometer', 'strip'];

/** In order: each stands on those before it. */
export const LESSONS: readonly PracticeLesson[] = [
  {
    id: 'heat-and-hold',
    title: 'Heat and hold',
    idea: 'Milk is held hot for its firmness. It catches when nobody stirs, and boils over when nobody looks.',
    task: 'Bring 2.3 L of milk to {85} and hold it there for 10 min. Stir every few minutes. Turn the heat down in time.',
    about: 'Yogurt',
    minutes: 5,
    level: 1,
    limitH: 2,
    troubles: [['strong-burner'], ['weak-burner']],
    crocks: [
      {
        method: 'yogurt',
        litres: 2.3,
        at: 'heat',
        celsius: 8,
        ends: 'hold',
        instruments: HOT,
        aims: [aims.held(10, 'At {85} for 10 min'), aims.CLEAN, aims.KEPT_IN],
      },
    ],
  },
  {
    id: 'cool-in-time',
    title: 'Cool to the right moment',
    idea: 'Above {47} a yogurt culture suffers. Far below {40} it is slow. Add the starter in between.',
    task: 'The milk has just been held hot. Cool it, and add the starter between {41} and {46}.',
    about: 'Yogurt',
    minutes: 5,
    level: 1,
    limitH: 5,
    troubles: [['cold-kitchen'], ['warm-kitchen']],
    crocks: [
      {
        method: 'yogurt',
        litres: 1.7,
        at: 'cool',
        celsius: 85,
        denatured: 0.9,
        ends: 'inoculate',
        instruments: HOT,
        aims: [aims.starterAt(41, 46), aims.within(150, 'Starter in within two and a half hours')],
      },
    ],
  },
  {
    id: 'no-thermometer',
    title: 'Set without a thermometer',
    idea: 'A tilted jar says enough. Set milk moves as one mass and leaves the wall.',
    task: 'The starter is in and the jar is warm. Look at it now and then, name what you see, and move it to the fridge when it is set but not too sour.',
    about: 'Yogurt',
    minutes: 6,
    level: 2,
    limitH: 14,
    troubles: [[], ['warm-place']],
    crocks: [
      {
        method: 'yogurt',
        litres: 1.4,
        at: 'incubate',
        celsius: 43,
        denatured: 0.92,
        ends: 'incubate',
        instruments: ['finger'],
        aims: [aims.sour(4.15, 4.6, 'Set, and not too sour: pH 4.15 to 4.6'), aims.SAFE],
      },
    ],
  },
  {
    id: 'cold-warmer',
    title: 'The cold warmer',
    idea: 'A dial is not a thermometer. Measure the milk itself, early, while there is time to help it.',
    task: 'The yogurt maker is set to {43}. See that the yogurt is set within 7 h.',
    about: 'Yogurt',
    minutes: 7,
    level: 1,
    limitH: 14,
    troubles: [['cold-place']],
    crocks: [
      {
        method: 'yogurt',
        litres: 1.9,
        at: 'incubate',
        celsius: 42,
        denatured: 0.9,
        ends: 'incubate',
        instruments: ACID,
        aims: [aims.sour(4.1, 4.6, 'Set: pH 4.1 to 4.6'), aims.SAFE, aims.within(420, 'Within 7 h')],
      },
    ],
  },
  {
    id: 'tired-starter',
    title: 'The tired starter',
    idea: 'Old starter is mostly dead. Warmth does not wake it. Fresh starter does the work, if it comes in time.',
    task: 'The starter came from a jar at the back of the fridge. The milk is warm. Find out whether it is souring, and help it if it is not.',
    about: 'Yogurt',
    minutes: 7,
    level: 1,
    limitH: 14,
    troubles: [['weak-starter']],
    crocks: [
      {
        method: 'yogurt',
        litres: 1.6,
        at: 'incubate',
        celsius: 43,
        denatured: 0.9,
        ends: 'incubate',
        instruments: ACID,
        aims: [aims.sour(4.1, 4.6, 'Set: pH 4.1 to 4.6'), aims.SAFE, aims.within(420, 'Within 7 h')],
      },
    ],
  },
  {
    id: 'sour-enough',
    title: 'Sour enough to be safe',
    idea: 'Rennet sets milk that is still sweet. A set proves no acid. Only a measured pH of 5.3 or less does.',
    task: 'The skyr milk has its starter and its rennet. It sets soon. Go on only when it is sour: pH 4.6 or less.',
    about: 'Skyr',
    minutes: 6,
    level: 2,
    limitH: 16,
    troubles: [['cold-place'], []],
    crocks: [
      {
        method: 'skyr',
        litres: 2.6,
        at: 'incubate',
        celsius: 40,
        denatured: 0.9,
        ends: 'incubate',
        instruments: ACID,
        aims: [aims.sour(4.1, 4.6, 'Sour through: pH 4.1 to 4.6'), aims.SAFE],
      },
    ],
  },
  {
    id: 'thick',
    title: 'Thick by draining',
    idea: 'Whey runs fast at first, then ever more slowly, and every cloth is its own. Weigh the whey to know this one.',
    task: 'The yogurt hangs in a cloth in the fridge. Stop when it is as thick as the plan wants. If it went too far, stir whey back in.',
    about: 'Yogurt',
    minutes: 5,
    level: 1,
    limitH: 30,
    troubles: [['fast-cloth'], ['slow-cloth']],
    crocks: [
      {
        method: 'yogurt-strained',
        litres: 2.1,
        at: 'strain',
        celsius: 6,
        denatured: 0.9,
        ends: 'strain',
        instruments: ['scales'],
        aims: [aims.drained('As thick as planned, 5 % thinner or 10 % thicker at most')],
      },
    ],
  },
  {
    id: 'cold-kitchen-cream',
    title: 'Cultured cream in a cold kitchen',
    idea: 'Cultures of room temperature go by the room. A few kelvins colder, and a night becomes two days.',
    task: 'Cream with its starter stands on the counter. See that it is thick within 24 h.',
    about: 'Cream',
    minutes: 6,
    level: 2,
    limitH: 60,
    troubles: [['cold-kitchen']],
    crocks: [
      {
        method: 'cultured-cream',
        litres: 0.9,
        at: 'ripen',
        celsius: 18,
        ends: 'ripen',
        instruments: ACID,
        aims: [aims.sour(4.35, 4.72, 'Thick: pH 4.35 to 4.72'), aims.SAFE, aims.within(1440, 'Within 24 h')],
      },
    ],
  },
  {
    id: 'kefir-overnight',
    title: 'Kefir by the clock of the room',
    idea: 'In a warm kitchen kefir is done hours sooner. Taste and look, and do not go by the time of last week.',
    task: 'Grains are in the milk, and the kitchen is not what it was last week. Take the grains out while the kefir is pleasantly sour.',
    about: 'Kefir',
    minutes: 6,
    level: 2,
    limitH: 72,
    troubles: [['warm-kitchen'], ['cold-kitchen']],
    crocks: [
      {
        method: 'kefir',
        litres: 1.1,
        at: 'incubate',
        celsius: 20,
        ends: 'incubate',
        instruments: ACID,
        aims: [aims.sour(4.3, 4.65, 'Pleasantly sour: pH 4.3 to 4.65'), aims.SAFE],
      },
    ],
  },
  {
    id: 'temper-and-churn',
    title: 'Temper and churn',
    idea: 'Fridge-cold cream takes for ever. Too warm, and the fat stays in the buttermilk. The minutes are in the temperature.',
    task: 'The cream comes from the fridge. Bring it to the temperature of the plan, churn it in the jar, and stop when it breaks.',
    about: 'Butter',
    minutes: 7,
    level: 1,
    limitH: 8,
    troubles: [['warm-kitchen'], ['cold-kitchen']],
    crocks: [
      {
        method: 'butter',
        litres: 0.9,
        at: 'temper',
        celsius: 4,
        ends: 'churn',
        instruments: HOT,
        aims: [aims.breaksWithin(40), aims.fatLeft(0.009), aims.stoppedWithin(2)],
      },
    ],
  },
  {
    id: 'stop-in-time',
    title: 'Stop in time',
    idea: 'Cream breaks all at once. Churned on, the grains close around their buttermilk.',
    task: 'The mixer is on. Watch the cream, slow the clock when it turns yellow, and stop at the break.',
    about: 'Butter',
    minutes: 5,
    level: 2,
    limitH: 2,
    troubles: [[], ['slow-churn']],
    crocks: [
      {
        method: 'butter-machine',
        litres: 0.9,
        at: 'churn',
        celsius: 12,
        ends: 'churn',
        instruments: HOT,
        aims: [aims.stoppedWithin(1), aims.fatLeft(0.012)],
      },
    ],
  },
  {
    id: 'too-cold-too-warm',
    title: 'Too cold, too warm',
    idea: 'A churn that will not break is nearly always too cold. Greasy cream is too warm. Measure before you go on.',
    task: 'The jar has been shaken for a while and nothing happens, or it looks oily. Find out why, and put it right.',
    about: 'Butter',
    minutes: 6,
    level: 2,
    limitH: 4,
    troubles: [['slow-churn'], []],
    crocks: [
      {
        method: 'butter',
        litres: 0.8,
        at: 'churn',
        celsius: [5, 18.5],
        ends: 'churn',
        instruments: HOT,
        aims: [aims.breaksWithin(47), aims.fatLeft(0.01), aims.stoppedWithin(2)],
      },
    ],
  },
  {
    id: 'wash-and-salt',
    title: 'Wash and salt to keep',
    idea: 'Buttermilk left in the butter spoils it. Each wash takes most of what is left. Salt is weighed by the butter.',
    task: 'The grains are drained. Wash until the water runs clear and no longer, then salt the butter with 1.2 %.',
    about: 'Butter',
    minutes: 4,
    level: 1,
    limitH: 3,
    troubles: [[]],
    crocks: [
      {
        method: 'butter-ripened',
        litres: 1.2,
        at: 'wash',
        celsius: 13,
        ends: 'work',
        instruments: [],
        aims: [aims.serumLeft(0.04), aims.washesAtMost(4), aims.salt(0.009, 0.016)],
      },
    ],
  },
  {
    id: 'ghee',
    title: 'Ghee to the last drop',
    idea: 'While water boils off, the fat stays at the boil. Once it is gone, the fat climbs by the minute.',
    task: 'Butter is in the pan. Boil its water off, let the solids turn gold, and take it off the heat before they burn.',
    about: 'Ghee',
    minutes: 6,
    level: 2,
    limitH: 3,
    troubles: [['wet-butter'], ['strong-burner'], ['wet-butter', 'strong-burner']],
    crocks: [
      {
        method: 'ghee',
        litres: 0.8,
        at: 'clarify',
        celsius: 12,
        ends: 'clarify',
        instruments: HOT,
        aims: [aims.DRY, aims.BROWNED],
      },
    ],
  },
  {
    id: 'rennet',
    title: 'Rennet without panic',
    idea: 'A curd that does not break clean yet needs time, not more rennet. Try it again in seven minutes.',
    task: 'The milk has its rennet. Try the curd with the knife, and go on when it breaks clean.',
    about: 'Fresh cheese',
    minutes: 5,
    level: 2,
    limitH: 6,
    troubles: [['weak-rennet'], ['cold-kitchen']],
    crocks: [
      {
        method: 'fresh-rennet',
        litres: 3.2,
        at: 'coagulate',
        celsius: 31,
        ends: 'coagulate',
        instruments: HOT,
        aims: [aims.CUT],
      },
    ],
  },
  {
    id: 'two-things',
    title: 'Two things at once',
    idea: 'Let what is slow run while you do what is quick. What spoils by the minute goes first.',
    task: 'Milk has to be heated and held while a jar of cream wants churning. Bring both to a good end.',
    about: 'Two at once',
    minutes: 8,
    level: 1,
    limitH: 3,
    troubles: [['strong-burner'], ['slow-churn']],
    crocks: [
      {
        method: 'yogurt',
        litres: 2.7,
        at: 'heat',
        celsius: 8,
        ends: 'hold',
        instruments: HOT,
        aims: [aims.held(10, 'Milk at {85} for 10 min'), aims.CLEAN, aims.KEPT_IN],
      },
      {
        method: 'butter',
        litres: 0.8,
        at: 'churn',
        celsius: 13,
        ends: 'churn',
        instruments: HOT,
        aims: [aims.fatLeft(0.012), aims.stoppedWithin(2)],
      },
    ],
  },
];

/** @returns `null` for a lesson there is not. */
export const practiceLesson = (id: string): PracticeLesson | null =>
  LESSONS.find((lesson) => lesson.id === id) ?? null;
