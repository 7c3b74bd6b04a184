import {
  PRODUCT_TAKES,
  type KitchenSettings,
  type MakePlan,
  type Method,
  type PracticeKitchen,
  type PracticeSubject,
  type Trouble,
} from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { souringOf, stateOfPlan } from '../make/index.ts';
import { planOfMethod, PRACTISED_PRODUCTS } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { createRandom, hashSeed } from '../science/numerics/index.ts';
import { markPh, workOf, type Work } from '../steps/index.ts';
import * as aims from './aims.ts';
import type { Aim } from './aims.ts';
import type { Instrument } from './instruments.ts';
import type { Crockful, Level } from './lesson.ts';
import { practiceLesson } from './lessons.ts';
import { truthOf, type PracticeWorld } from './world.ts';

/** What is practised, set up: its worlds with their aims. */
export interface Exercise {
  readonly title: string;
  readonly idea: string;
  readonly task: string;
  readonly level: Level;
  readonly limitH: number;
  readonly troubles: readonly Trouble[];
  readonly batches: readonly Practised[];
}

/** One batch of an exercise. */
export interface Practised {
  readonly world: PracticeWorld;
  readonly ends: string | undefined;
  readonly instruments: readonly Instrument[];
  readonly powder: boolean;
  readonly aims: readonly Aim[];
}

/** Methods that can be practised freely. */
export const PRACTISED_METHODS: readonly Method[] = SHIPPED_METHODS.filter(({ product }) =>
  (PRACTISED_PRODUCTS as readonly string[]).includes(product),
);

/** In which works a trouble shows. */
const SHOWS_IN: Readonly<Record<Trouble, readonly Work[]>> = {
  'cold-place': ['place'],
  'warm-place': ['place'],
  'weak-starter': ['place'],
  'strong-burner': ['stove', 'pan'],
  'weak-burner': ['stove', 'pan'],
  'cold-kitchen': ['place', 'temper', 'churn'],
  'warm-kitchen': ['place', 'temper', 'churn'],
  'thermometer-high': ['stove', 'place', 'temper', 'churn'],
  'thin-cream': ['churn'],
  'slow-churn': ['churn'],
  'fast-cloth': ['cloth'],
  'slow-cloth': ['cloth'],
  'weak-rennet': ['set'],
  'wet-butter': ['pan'],
};

const worksOf = ({ steps }: Pick<Method, 'steps'>): Set<Work> =>
  new Set(steps.map(({ kind }) => workOf(kind)));

/** Troubles that can show in a method. @example troublesOf(method) // ['strong-burner', 'weak-burner'] for ghee */
export function troublesOf(method: Pick<Method, 'steps' | 'aims'>): readonly Trouble[] {
  const works = worksOf(method);
  const alone = method.aims.starter?.kind === 'none';
  return (Object.keys(SHOWS_IN) as Trouble[]).filter(
    (trouble) => SHOWS_IN[trouble].some((work) => works.has(work)) && !(alone && trouble === 'weak-starter'),
  );
}

/** What is otherwise in each kitchen than in a usual one. */
const KITCHENS: Readonly<Record<PracticeKitchen, (usual: KitchenSettings) => KitchenSettings>> = {
  usual: (usual) => usual,
  'stone-dairy': (usual) => ({ ...usual, site: { ...usual.site, roomC: 14 } }),
  summer: (usual) => ({ ...usual, site: { ...usual.site, roomC: 28 } }),
  mountain: (usual) => ({ ...usual, site: { ...usual.site, altitudeM: 1900 } }),
  plate: (usual) => ({ ...usual, burners: usual.burners.map((burner) => ({ ...burner, kind: 'plate' })) }),
};

/** How much is practised with, L. */
const FREE_LITRES = { milk: 2.2, cream: 0.9, other: 0.8 } as const;

/** What a free practice is to come to, by what happens in it. */
function freeAims(plan: MakePlan): readonly Aim[] {
  const works = worksOf(plan.method);
  const state = stateOfPlan(plan);
  const souring = souringOf(state);
  const readyPh = souring ? (markPh(souring, plan, 'ready') ?? 4.5) : null;
  return [
    ...(plan.heat.kind === 'hold' && plan.heat.holdMin > 0
      ? [aims.held(plan.heat.holdMin, `At {${plan.heat.targetC}} for ${plan.heat.holdMin} min`)]
      : []),
    ...(works.has('stove') ? [aims.CLEAN, aims.KEPT_IN] : []),
    ...(readyPh === null
      ? []
      : [
          aims.sour(
            readyPh - 0.25,
            readyPh + 0.15,
            `As sour as planned: pH ${(readyPh - 0.25).toFixed(2)} to ${(readyPh + 0.15).toFixed(2)}`,
          ),
          aims.SAFE,
        ]),
    ...(works.has('churn')
      ? [aims.fatLeft(plan.milk.wholeCurd === true ? 0.025 : 0.012), aims.stoppedWithin(2)]
      : []),
    ...(works.has('bowl') ? [aims.serumLeft(0.05)] : []),
    ...(works.has('pan') ? [aims.DRY, aims.BROWNED] : []),
    ...(works.has('cloth') ? [aims.drained('As thick as planned, 5 % thinner or 10 % thicker at most')] : []),
    ...(works.has('set') ? [aims.CUT] : []),
  ];
}

/** How many of four worlds that surprise have no trouble, one, or two. */
const SURPRISES = [0, 1, 1, 2] as const;

function surprise(seed: number, method: Pick<Method, 'steps' | 'aims'>): readonly Trouble[] {
  const random = createRandom(hashSeed(`trouble ${seed}`));
  const may = [...troublesOf(method)];
  const many = SURPRISES[Math.floor(random.uniform() * SURPRISES.length)]!;
  const chosen: Trouble[] = [];
  while (chosen.length < many && may.length > 0)
    chosen.push(...may.splice(Math.floor(random.uniform() * may.length), 1));
  // A place is not cold and warm at once.
  return chosen.filter((trouble, i) => !chosen.slice(0, i).some((other) => sameThing(other, trouble)));
}
/** Both are about one thing, as their names end: `cold-place`, `warm-place`. */
const sameThing = (a: Trouble, b: Trouble): boolean => a.split('-').at(-1) === b.split('-').at(-1);

const methodBy = (id: string): Method => {
  const method = SHIPPED_METHODS.find((one) => one.id === id);
  if (!method) throw new RangeError(`no method ${id} to practise`);
  return method;
};

function practised(
  of: Omit<Crockful, 'aims'> & { readonly aims: readonly Aim[] | null },
  seed: number,
  troubles: readonly Trouble[],
  startMs: number,
  kitchen: PracticeKitchen = 'usual',
): Practised {
  const method = methodBy(of.method);
  const settings = KITCHENS[kitchen](defaultKitchen('UTC'));
  const plan = planOfMethod(method, settings, new Date(startMs).toISOString(), of.litres);
  return {
    world: {
      seed,
      startMs,
      plan,
      truth: truthOf(seed, troubles),
      troubles,
      begins: {
        ...(of.at === undefined ? {} : { at: of.at }),
        ...(of.celsius === undefined
          ? {}
          : { celsius: typeof of.celsius === 'number' ? of.celsius : of.celsius[seed % of.celsius.length]! }),
        ...(of.denatured === undefined ? {} : { denatured: of.denatured }),
      },
    },
    ends: of.ends,
    instruments: of.instruments,
    powder: of.powder ?? false,
    aims: of.aims ?? freeAims(plan),
  };
}

/** A free practice is over after so long, h. */
const FREE_LIMIT_H = 96;

/**
 * Sets a practice up. The same subject and number make the same worlds, anywhere.
 * @throws RangeError for a lesson or a method there is not
 * @example exerciseOf({ kind: 'lesson', lesson: 'cold-warmer' }, 7, startMs).batches[0].world.truth.placeOffC // about -7
 */
export function exerciseOf(subject: PracticeSubject, seed: number, startMs: number): Exercise {
  if (subject.kind === 'lesson') {
    const lesson = practiceLesson(subject.lesson);
    if (!lesson) throw new RangeError(`no lesson ${subject.lesson}`);
    const troubles = lesson.troubles[seed % lesson.troubles.length]!;
    return {
      ...lesson,
      troubles,
      batches: lesson.crocks.map((crock, i) => practised(crock, seed + i, troubles, startMs)),
    };
  }
  const method = methodBy(subject.method);
  const troubles = subject.troubles === 'surprise' ? surprise(seed, method) : subject.troubles;
  const takes = PRODUCT_TAKES[method.product];
  const works = worksOf(method);
  return {
    title: method.name,
    idea: method.goodFor,
    task: 'Make it from the first step to the last, as you would in earnest.',
    level: subject.level,
    limitH: FREE_LIMIT_H,
    troubles,
    batches: [
      practised(
        {
          method: method.id,
          litres: FREE_LITRES[takes === 'milk' || takes === 'cream' ? takes : 'other'],
          instruments: [
            'thermometer',
            'finger',
            ...(works.has('place') ? (['strip', 'meter'] as const) : []),
            ...(works.has('cloth') ? (['scales'] as const) : []),
          ],
          aims: null,
        },
        seed,
        troubles,
        startMs,
        subject.kitchen,
      ),
    ],
  };
}
