import { STAGE_WORDS } from '../../science/butter/index.ts';
import type { Alarm } from '../alarm.ts';
import type { MakeAt, StepState } from '../make-view.ts';
import { told } from '../told.ts';
import { CHURN_TOLD } from './churn-told.ts';
import { churnLoads, loadStanding, withinChurning } from './loads-on-the-clock.ts';
import { preparedFromMs } from './prepared-from.ts';
import { churningNow, lateStage, tooLongFromMs } from './too-long.ts';

/** While it is churned: it takes too long, a stage is missing, the next load has to come out of the cold. */
function whileChurned(at: MakeAt): readonly Alarm[] {
  const { make } = at;
  const suffix = withinChurning(make)?.suffix ?? '';
  // What was seen to break needs no bell for it.
  const run = loadStanding(make)?.broke ? null : churningNow(at);
  // From when on it is too long follows from how it began.
  const late = run && lateStage(run);
  const next = churnLoads(at)?.next;
  return [
    ...(run
      ? [
          {
            id: `slow-churning${suffix}`,
            dueAtMs: tooLongFromMs(run),
            rank: 3,
            mustAct: false,
            title: 'Churning takes too long',
            text: 'This has taken twice the longest time expected. Measure the cream’s temperature.',
          },
        ]
      : []),
    ...(late
      ? [
          {
            id: `late-${late.stage}${suffix}`,
            dueAtMs: late.atMs,
            rank: 4,
            mustAct: false,
            title: late.stage === 'froth' ? 'Still liquid?' : `Not ${STAGE_WORDS[late.stage]} yet?`,
            text: `By now the cream is usually at “${STAGE_WORDS[late.stage]}”. Mark what you see. If it is not there, measure the cream’s temperature.`,
          },
        ]
      : []),
    ...(next
      ? [
          {
            id: `take-out-load-${next.no}`,
            dueAtMs: next.takeOutMs,
            rank: 5,
            mustAct: false,
            title: `Take out load ${next.no}`,
            text: 'Take the cream out of the fridge now, so it is at temperature when the churn is free.',
          },
        ]
      : []),
  ];
}

/** What rings because of a churning besides its break: before it, while it is on, and after it until the butter is in the cold. */
export function churnAlarms(at: MakeAt, own: StepState): readonly Alarm[] {
  const { make } = at;
  const dueAtMs = preparedFromMs(make);
  const { iced } = told(make, CHURN_TOLD);
  return [
    ...(own.status === 'current' ? whileChurned(at) : []),
    ...(dueAtMs === null
      ? []
      : [
          {
            id: 'prepare',
            dueAtMs,
            rank: 6,
            mustAct: false,
            title: 'Get ready tonight',
            text: 'Put water in the fridge and set out ice, cloth and mould. The churning step lists all you need.',
          },
        ]),
    // Weighed and put by, it firms in the cold.
    ...(!iced || !make.current || make.current.step.facts.inThePot === 'cold'
      ? []
      : [
          {
            id: `iced-${iced.toMs}`,
            dueAtMs: iced.toMs,
            rank: 5,
            mustAct: false,
            title: 'Is the butter firm?',
            text: 'Press the butter with a spoon. When it is firm but not hard, take it out of the iced water and go on.',
          },
        ]),
  ];
}
