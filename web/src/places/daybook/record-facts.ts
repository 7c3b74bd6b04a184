import {
  batchOf,
  doNotEat,
  fatBalance,
  pointForecast,
  productOf,
  rennetLearned,
  souringOf,
  yieldOf,
  type MakeState,
  makeAt,
} from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';
import { curveDataOf } from '../../charts/curve-data.ts';
import type { CurveData } from '../../charts/curve-option.ts';
import { tasteWords } from '../../parts/words/taste-words.ts';
import { fatFacts } from './panels/Churned.tsx';
import { gheeFacts } from './panels/Clarified.tsx';

/** One fact of a make: what it is called, and how it was. */
export type RecordFact = readonly [label: string, value: string];

/** When a make was over, or as far as it is known to have come. */
export const endOf = (state: MakeState): number => state.finished?.atMs ?? state.startedAtMs;

const VERDICT = { kept: '✓ kept', discarded: '✗ discarded', 'under-way': '● under way' } as const;

/** How a make turned out, in a word with its sign. */
export const verdictOf = (state: MakeState): string =>
  doNotEat(state) ? '✗ do not eat' : VERDICT[state.finished?.verdict ?? 'under-way'];

/** The curve of a make that is over: the band stored when it began, the model through what was measured. */
export function recordCurve(state: MakeState, units: Units): CurveData {
  const point = pointForecast(state, endOf(state));
  const band = (state.planned?.phBand ?? []).map(([hour, p10, p50, p90]) => ({ hour, p10, p50, p90 }));
  return curveDataOf(state, point, band, null, units);
}

/** What went in and came out of a make, and what is told of it. */
export function recordFacts(state: MakeState, units: Units): RecordFact[] {
  const balance = yieldOf(state);
  const { goods } = productOf(state.plan);
  const sours = souringOf(state) !== null;
  const fat = fatBalance(makeAt(state, endOf(state)));
  const ghee = gheeFacts(state, units);
  const learned = rennetLearned(state, pointForecast(state, endOf(state)));
  return [
    [
      `${goods.into.charAt(0).toUpperCase()}${goods.into.slice(1)} in`,
      `${units.mass(balance.milkKg)} (${units.volume(batchOf(state.plan).litres)})`,
    ],
    ...(sours ? [['Starter', units.mass(balance.starterKg)] as const] : []),
    ['Yield', balance.outKg === null ? 'not weighed' : units.mass(balance.outKg)],
    ...(balance.wheyKg > 0 ? [['Whey collected', units.mass(balance.wheyKg)] as const] : []),
    ...(learned
      ? [
          [
            'Your rennet',
            `about ${Math.round(learned.imcu)} IMCU/${learned.unit}, from the clean break`,
          ] as const,
        ]
      : []),
    ...(state.plan.method.name ? [['Method', state.plan.method.name] as const] : []),
    ...(fat ? fatFacts(fat, state, units) : ghee),
    ...(fat || ghee.length > 0
      ? []
      : [
          [
            'Losses',
            balance.lostKg === null
              ? '–'
              : `${units.mass(Math.abs(balance.lostKg))}${balance.lostKg < 0 ? ' more than went in. Weigh again.' : ''}`,
          ] as const,
        ]),
    ...(sours
      ? [
          [
            'Kept for next time',
            state.reservedKg === null ? 'nothing' : units.mass(state.reservedKg),
          ] as const,
          ['Taste', state.tasting ? tasteWords(state.tasting) : 'not tasted'] as const,
        ]
      : state.tasting
        ? [['Taste', tasteWords(state.tasting)] as const]
        : []),
  ];
}
