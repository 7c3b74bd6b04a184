import { churnWindowC, DRAINED_SERUM, washesFor } from '../../science/butter/index.ts';
import type { KitchenSettings, MethodSnapshot } from '../../contract/index.ts';
import type { Begin } from '../product.ts';
import { creamPlan } from './cream-plan.ts';

/** A kitchen that never said what it churns in has a jar with a lid. */
const JAR = { name: 'A large jar', litres: 2, kind: 'jar' } as const;
/** As much water as butter, kneaded through. */
const KNEADED = { waterKgPerKg: 1, exchangeFraction: 0.8 };
/** A little below the middle of the window: less fat stays behind. */
const SHARE_OF_WINDOW = 0.6;

function methodFor(kitchen: KitchenSettings): MethodSnapshot {
  const own = kitchen.churns[0];
  const churn = own ? { name: own.name, litres: own.litres, kind: own.kind ?? 'crank' } : JAR;
  const [low, high] = churnWindowC({});
  return {
    id: 'butter',
    version: 1,
    steps: [
      { id: 'take-out', kind: 'take-out' },
      {
        id: 'temper',
        kind: 'temper',
        toC: Math.round(low + SHARE_OF_WINDOW * (high - low)),
        standing: 'room',
      },
      {
        id: 'churn',
        kind: 'churn',
        churn: churn.kind,
        speed: 'medium',
        name: churn.name,
        litres: churn.litres,
        ...(own?.settings ? { setting: { at: Math.ceil(own.settings / 2), of: own.settings } } : {}),
      },
      { id: 'drain', kind: 'drain' },
      {
        id: 'wash',
        kind: 'wash',
        washes: washesFor('keep', { carriedKgPerKg: DRAINED_SERUM, ...KNEADED }),
        ...KNEADED,
      },
      { id: 'work', kind: 'work', saltFraction: 0 },
      { id: 'weigh', kind: 'weigh' },
    ],
  };
}

export const beginButter: Begin = (kitchen, startAt, about = 1) => ({
  product: 'butter',
  method: methodFor(kitchen),
  ...creamPlan(kitchen, startAt, about),
  name: 'Butter',
  wanted: { sourness: 'mild', thickness: 'firm' },
  starter: { kind: 'none', ageD: null, massKg: null, statedRatio: null, typed: null },
  place: kitchen.places.find((place) => place.kind === 'room') ?? kitchen.places[0]!,
});
