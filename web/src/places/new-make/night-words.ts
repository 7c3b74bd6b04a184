import { stepFacts } from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';
import { timesWords } from './line-words.ts';
import type { Planning } from './use-plan.ts';

/**
 * What a plan asks for when nobody is there, in sentences: hands, and what would have soured meanwhile. What comes after a
 * souring that is left until somebody is up is left with it, and not told besides.
 * @example nightWords(planning, units) // ['Ready about 22:36, while you are asleep or away. If you leave it until 05:30 it will taste sharp.']
 */
export function nightWords({ clashes, plan }: Pick<Planning, 'clashes' | 'plan'>, units: Units): string[] {
  const zeroMs = Date.parse(plan.startAt);
  const soured = clashes.filter((clash) => clash.sournessAtWake);
  const hands = clashes.filter(
    (clash) => !clash.sournessAtWake && !soured.some(({ atMs }) => atMs <= clash.atMs),
  );
  const ready = hands.some((clash) => stepFacts(clash.kind).sours);
  return [
    ...(hands.length === 0
      ? []
      : [
          `${ready ? 'Ready' : 'Needs you'} ${timesWords(
            hands.map((clash) => units.time(clash.atMs, zeroMs)),
          )}, while you are asleep or away.`,
        ]),
    ...soured.map(
      (clash) =>
        `Ready about ${units.time(clash.atMs, zeroMs)}, while you are asleep or away. If you leave it until ${units.time(clash.wakeMs, zeroMs)} it will taste ${clash.sournessAtWake}.`,
    ),
  ];
}
