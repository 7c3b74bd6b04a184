import { CHURN_FACTS, type ChurnKind } from '../../science/butter/index.ts';
import type { Method } from '../../contract/index.ts';
import { shipped } from './shipped-method.ts';

/** What a churn nobody entered in the Kitchen holds, L. */
const USUAL_LITRES = 2;
/** As much water as butter, kneaded through. */
const KNEADED = { waterKgPerKg: 1, exchangeFraction: 0.8 } as const;

/** Cream brought to its temperature, churned, washed so often, salted so much. */
const churned = (of: {
  readonly churn: ChurnKind;
  readonly toC: number;
  readonly washes: number;
  readonly saltFraction?: number;
}) =>
  [
    'take-out',
    { kind: 'temper', toC: of.toC, standing: 'room' },
    {
      kind: 'churn',
      churn: of.churn,
      speed: 'medium',
      name: CHURN_FACTS[of.churn].label,
      litres: USUAL_LITRES,
    },
    'drain',
    { kind: 'wash', washes: of.washes, ...KNEADED },
    { kind: 'work', saltFraction: of.saltFraction ?? 0 },
    'weigh',
  ] as const;

/** Butter by hand and by machine, of sweet cream, ripened cream and whole curd, to keep and for ghee. */
export const BUTTER_METHODS: readonly Method[] = [
  shipped(
    'butter',
    'butter',
    'Sweet cream, by hand',
    'Mild butter that keeps. A jar, a crank or a plunger.',
    {},
    churned({ churn: 'jar', toC: 12, washes: 3 }),
  ),
  shipped(
    'butter',
    'butter-machine',
    'Sweet cream, by machine',
    'Quick. Stand by from two thirds of the time: it breaks all at once.',
    {},
    churned({ churn: 'whisk', toC: 12, washes: 3 }),
  ),
  shipped(
    'butter',
    'butter-ripened',
    'Ripened cream',
    'Fuller taste, quicker to break, with cultured buttermilk to drink.',
    { milk: { soured: true } },
    churned({ churn: 'crank', toC: 14, washes: 3, saltFraction: 0.012 }),
    'Vent a closed churn early and often: ripened cream makes gas.',
  ),
  shipped(
    'butter',
    'butter-raw-ripened',
    'Raw cream, ripened',
    'From raw cream that soured. Keeps shorter, and carries what the milk carried.',
    { milk: { kind: 'cow-rich', treatment: 'raw', soured: true } },
    churned({ churn: 'crank', toC: 14, washes: 3, saltFraction: 0.012 }),
    'Raw cream is not for pregnant people, small children, older people or anyone ill.',
  ),
  shipped(
    'butter',
    'butter-curd',
    'Whole curd',
    'Soured milk churned whole, with no skimming. A quarter to half of the fat may stay in the buttermilk.',
    { milk: { kind: 'cow-rich', fatFraction: 0.045, soured: true, wholeCurd: true } },
    churned({ churn: 'plunger', toC: 17, washes: 2 }),
  ),
  shipped(
    'butter',
    'butter-for-ghee',
    'For ghee',
    'Churned a little warm and rinsed once: the water boils off anyway.',
    {},
    churned({ churn: 'whisk', toC: 14, washes: 1 }),
  ),
];

const clarified = (school: 'stir' | 'skim') =>
  [
    { kind: 'clarify', moistureFraction: 0.17, flame: 'medium', school, doneC: 112 },
    'settle',
    'filter',
    'weigh',
    { kind: 'cool-ghee', as: 'coarse' },
  ] as const;

/** Two schools of ghee. */
export const GHEE_METHODS: readonly Method[] = [
  shipped(
    'ghee',
    'ghee',
    'Stirred all the time',
    'Browns evenly and gives a little more. You cannot leave the pan.',
    {},
    clarified('stir'),
  ),
  shipped(
    'ghee',
    'ghee-still',
    'Left still, foam skimmed',
    'Clear and mild. Some fat goes with the foam.',
    {},
    clarified('skim'),
  ),
];
