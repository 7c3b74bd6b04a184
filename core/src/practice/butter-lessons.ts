import * as aims from './aims.ts';
import type { PracticeLesson } from './lesson.ts';
import type { Instrument } from './instruments.ts';

const HOT: readonly Instrument[] = ['thermometer'];

/** Cream to butter, and butter to ghee. */
export const BUTTER_LESSONS: readonly PracticeLesson[] = [
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
];
