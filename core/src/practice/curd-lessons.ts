import * as aims from './aims.ts';
import type { PracticeLesson } from './lesson.ts';
import type { Instrument } from './instruments.ts';

const HOT: readonly Instrument[] = ['thermometer'];

/** Curd by rennet, and two batches by one clock. */
export const LAST_LESSONS: readonly PracticeLesson[] = [
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
    task: 'Milk has to be heated and held while a jar of cream needs churning. Bring both to a good end.',
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
