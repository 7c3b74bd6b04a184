import {
  PRODUCT_TAKES,
  STEP_KINDS,
  type Factor,
  type FactorKind,
  type FactorsUsed,
  type KitchenSettings,
  type MakePlan,
  type StepKind,
} from '../../contract/index.ts';
import { STARTER_FACTS, type StarterKind } from '../../science/souring/index.ts';
import type { DrainWay } from '../../science/curd/index.ts';
import { FLAME_SHARE, FLAMES } from '../../science/heat/index.ts';
import type { MakeState } from '../../make/index.ts';
import { STEP_TYPES } from '../../steps/index.ts';
import { updateBelief, type Belief } from '../../science/numerics/index.ts';
import {
  FACTOR_SPREAD,
  observeRate,
  observeThings,
  thingOf,
  typedValue,
  type Observation,
} from './observe.ts';

/** How each way of draining is called. */
const DRAINS: Readonly<Record<DrainWay, string>> = {
  cloth: 'Yogurt draining in cloth',
  renneted: 'Rennet curd draining in cloth',
  hung: 'Hung curd',
  pressed: 'Curd under a weight',
};

/** A factor forgotten from an instant on. */
export interface Reset {
  readonly kind: FactorKind;
  readonly thing: string;
  readonly atMs: number;
}

/** Names of culture lines, by identity. */
export type LineNames = ReadonlyMap<string, string>;

/** What a kind of thing is called, and its value as typed now. */
function named(
  kind: FactorKind,
  thing: string,
  kitchen: KitchenSettings,
  lines: LineNames,
): { name: string; typed: number } | null {
  if (kind === 'rate') {
    const name = thing in STARTER_FACTS ? STARTER_FACTS[thing as StarterKind].label : lines.get(thing);
    return name === undefined ? null : { name, typed: 0 };
  }
  if (kind === 'burner') {
    const [id, flame = 'full'] = thing.split(' ');
    const burner = kitchen.burners.find((b) => b.id === id);
    const share = FLAME_SHARE[FLAMES.find((f) => f === flame) ?? 'full'];
    return burner
      ? {
          name: flame === 'full' ? burner.name : `${burner.name}, ${flame} heat`,
          typed: Math.log(burner.powerKw * burner.efficiency * share),
        }
      : null;
  }
  if (kind === 'cooling') {
    const pot = kitchen.pots.find((p) => p.id === thing);
    return pot ? { name: pot.name, typed: Math.log(pot.lossFactor) } : null;
  }
  if (kind === 'churn') {
    const [speed = '', ...name] = thing.split(' ');
    return { name: `${name.join(' ')}${speed === 'medium' ? '' : `, ${speed}`}`, typed: 0 };
  }
  if (kind === 'hands') {
    const type = STEP_KINDS.includes(thing as StepKind) ? STEP_TYPES[thing as StepKind] : null;
    return type && { name: `${type.gerund.charAt(0).toUpperCase()}${type.gerund.slice(1)}`, typed: 0 };
  }
  if (kind === 'cloth') return { name: DRAINS[thing as DrainWay], typed: 0 };
  const place = kitchen.places.find((p) => p.id === thing);
  if (!place) return null;
  if (kind === 'place-tau') return { name: place.name, typed: Math.log(place.tauH) };
  return { name: place.name, typed: place.biasC ?? 0 };
}

const forgotten = (o: Observation, resets: readonly Reset[]): boolean =>
  resets.some((r) => r.kind === o.kind && r.thing === o.thing && r.atMs >= o.atMs);

/** Folds observations, oldest first, into factors against the values as typed now. */
function fold(
  observations: readonly Observation[],
  kitchen: KitchenSettings,
  resets: readonly Reset[],
  lines: LineNames,
): Factor[] {
  const groups = new Map<string, Observation[]>();
  for (const o of [...observations].sort((a, b) => a.atMs - b.atMs)) {
    if (forgotten(o, resets)) continue;
    const key = `${o.kind} ${o.thing}`;
    groups.set(key, [...(groups.get(key) ?? []), o]);
  }
  return [...groups.values()].flatMap((group): Factor[] => {
    const { kind, thing } = group[0]!;
    const about = named(kind, thing, kitchen, lines);
    if (!about) return [];
    let belief: Belief = { mean: 0, sigma: group[0]!.prior ?? FACTOR_SPREAD[kind].prior };
    const history = group.map((o) => {
      const observed = o.value - about.typed;
      belief = updateBelief(belief, observed, o.sigma);
      return {
        makeId: o.makeId,
        name: o.makeName,
        at: new Date(o.atMs).toISOString(),
        observed,
        sigma: o.sigma,
        mean: belief.mean,
        meanSigma: belief.sigma,
      };
    });
    return [
      { kind, thing, name: about.name, mean: belief.mean, sigma: belief.sigma, makes: group.length, history },
    ];
  });
}

/**
 * What a make taught of the things it used, and what its culture's pace depends on: small enough that a server remembers it
 * for every make there ever was.
 */
export interface Lesson {
  readonly makeId: string;
  readonly startedAtMs: number;
  /** It is over, and teaches something. */
  readonly finished: boolean;
  readonly plan: MakePlan;
  readonly things: readonly Observation[];
}

/** Reads the thermal lessons of one finished make. */
export function lessonOf(state: MakeState): Lesson {
  const { id, startedAtMs, plan } = state;
  // A packet's strength is nobody's to know, and its feeds are too small to tell of pots and places.
  // What was parted off another make tells the same as that one.
  const finished =
    state.finished !== null && PRODUCT_TAKES[plan.product] !== 'packet' && plan.splitFrom === undefined;
  return { makeId: id, startedAtMs, finished, plan, things: finished ? observeThings(state) : [] };
}

const USED_AS = {
  rate: 'rate',
  'place-heat': 'placeHeat',
  'place-tau': 'placeTau',
  cooling: 'cooling',
  burner: 'burner',
  churn: 'churn',
  cloth: 'cloth',
} as const satisfies Record<Exclude<FactorKind, 'hands'>, keyof FactorsUsed>;

/** A make whose culture's pace is to be found, and what was known of its burner, pot and place once it was over. */
export interface RateQuestion {
  readonly makeId: string;
  readonly known: FactorsUsed;
}

/** What was known of a make's burner, pot and place once it was over: its own readings and those of earlier makes. */
function knownThings(plan: MakePlan, observations: readonly Observation[]): FactorsUsed {
  const used: FactorsUsed = {};
  for (const kind of ['burner', 'cooling', 'place-heat', 'place-tau'] as const) {
    const thing = thingOf(kind, plan);
    const typed = typedValue(kind, plan);
    let belief: Belief = { mean: 0, sigma: FACTOR_SPREAD[kind].prior };
    let makes = 0;
    for (const o of observations) {
      if (o.kind !== kind || o.thing !== thing) continue;
      belief = updateBelief(belief, o.value - typed, o.sigma);
      makes++;
    }
    if (makes > 0) used[USED_AS[kind]] = { value: belief.mean, sigma: belief.sigma, makes };
  }
  return used;
}

/** The lessons of finished makes without what was to be forgotten, oldest first, and what they ask of each make. */
export function rateQuestions(lessons: readonly Lesson[], resets: readonly Reset[] = []): RateQuestion[] {
  const things: Observation[] = [];
  return finishedOf(lessons).map(({ makeId, plan, things: own }) => {
    things.push(...own.filter((o) => !forgotten(o, resets)));
    return { makeId, known: knownThings(plan, things) };
  });
}

const finishedOf = (lessons: readonly Lesson[]): Lesson[] =>
  lessons.filter((lesson) => lesson.finished).sort((x, y) => x.startedAtMs - y.startedAtMs);

/** What `factorsFrom` folds. */
export interface Taught {
  readonly lessons: readonly Lesson[];
  /** The answers to `rateQuestions`, in their order. */
  readonly rates: readonly (readonly Observation[])[];
  readonly kitchen: KitchenSettings;
  /** What was to be forgotten, and when. */
  readonly resets?: readonly Reset[];
  /** What the lines of the register are called; a line that is not there is left out. */
  readonly lines?: LineNames;
}

/**
 * Folds what the makes taught into factors: the things from what was measured, the cultures from the answers to
 * `rateQuestions`. Normal–normal with shrinkage to what is typed. Source: docs/SCIENCE.md, learning a kitchen.
 */
export function factorsFrom({ lessons, rates, kitchen, resets = [], lines = new Map() }: Taught): Factor[] {
  const things = finishedOf(lessons).flatMap((lesson) => lesson.things);
  return [...fold(rates.flat(), kitchen, resets, lines), ...fold(things, kitchen, resets, lines)];
}

/** The same at once, for makes that are all at hand. */
export function learnFactors(
  states: readonly MakeState[],
  kitchen: KitchenSettings,
  resets: readonly Reset[] = [],
  lines: LineNames = new Map(),
): Factor[] {
  const lessons = states.map(lessonOf);
  const byId = new Map(states.map((state) => [state.id, state]));
  const rates = rateQuestions(lessons, resets).map(({ makeId, known }) =>
    observeRate(byId.get(makeId)!, known),
  );
  return factorsFrom({ lessons, rates, kitchen, resets, lines });
}

/** What one setting of a burner leaves open of another, σ of ln [F: judgement]. */
const OTHER_FLAME_LN_SIGMA = 0.2;

/** The factors that apply to a plan's own burner, pot, place and starter, against the plan's typed values. */
export function factorsFor(plan: MakePlan, factors: readonly Factor[]): FactorsUsed {
  const used: FactorsUsed = {};
  // A line nobody has made anything of yet goes at the pace of its kind in this kitchen.
  const kindRate = factors.find((f) => f.kind === 'rate' && f.thing === plan.starter.kind);
  if (kindRate) used.rate = { value: kindRate.mean, sigma: kindRate.sigma, makes: kindRate.makes };
  // So does a burner at a setting nobody has measured: as it did at another, known less well.
  const burner = factors.find((f) => f.kind === 'burner' && f.thing.split(' ')[0] === plan.burner.id);
  if (burner)
    used.burner = {
      value: burner.mean,
      sigma: Math.hypot(burner.sigma, OTHER_FLAME_LN_SIGMA),
      makes: burner.makes,
    };
  for (const factor of factors) {
    if (factor.kind === 'hands' || thingOf(factor.kind, plan) !== factor.thing) continue;
    used[USED_AS[factor.kind]] = { value: factor.mean, sigma: factor.sigma, makes: factor.makes };
  }
  return used;
}

/** A plan with what this kitchen has learned about the things it uses. */
export function withFactors(plan: MakePlan, factors: readonly Factor[]): MakePlan {
  return { ...plan, factors: factorsFor(plan, factors) };
}
