import type { Factor, FactorKind, FactorsUsed, KitchenSettings, MakePlan } from '../contract/index.ts';
import { STARTER_FACTS, type StarterKind } from '../culture/index.ts';
import type { MakeState } from '../make/index.ts';
import { updateBelief, type Belief } from '../numerics/index.ts';
import {
  FACTOR_SPREAD,
  observeRate,
  observeThings,
  thingOf,
  typedValue,
  type Observation,
} from './observe.ts';

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
    const burner = kitchen.burners.find((b) => b.id === thing);
    return burner ? { name: burner.name, typed: Math.log(burner.powerKw * burner.efficiency) } : null;
  }
  if (kind === 'cooling') {
    const pot = kitchen.pots.find((p) => p.id === thing);
    return pot ? { name: pot.name, typed: Math.log(pot.lossFactor) } : null;
  }
  const place = kitchen.places.find((p) => p.id === thing);
  if (!place) return null;
  if (kind === 'place-tau') return { name: place.name, typed: Math.log(place.tauH) };
  return { name: place.name, typed: place.kind === 'appliance' ? (place.biasC ?? 0) : 0 };
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
    let belief: Belief = { mean: 0, sigma: FACTOR_SPREAD[kind].prior };
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

/** What the makes of a kitchen taught, and when; kept apart so that a server may remember it a make. */
export interface Lesson {
  readonly state: MakeState;
  readonly things: readonly Observation[];
}

/** Reads the thermal lessons of one finished make. */
export function lessonOf(state: MakeState): Lesson {
  return { state, things: state.finished ? observeThings(state) : [] };
}

const USED_AS = {
  rate: 'rate',
  'place-heat': 'placeHeat',
  'place-tau': 'placeTau',
  cooling: 'cooling',
  burner: 'burner',
} as const satisfies Record<FactorKind, keyof FactorsUsed>;

/** Rates found before, by make and by what was known of its things: a server need not find them again. */
export type RateMemory = Map<string, Observation[]>;

/** What was known of a make's burner, pot and place once it was over: its own readings and those of earlier makes. */
function knownThings(state: MakeState, observations: readonly Observation[]): FactorsUsed {
  const used: FactorsUsed = {};
  for (const kind of ['burner', 'cooling', 'place-heat', 'place-tau'] as const) {
    const thing = thingOf(kind, state.plan);
    const typed = typedValue(kind, state.plan);
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

/**
 * Learns a kitchen's factors from its finished makes: its things from what was measured, and, make by make with those
 * known as far as they were, the pace of its cultures. Normal–normal with shrinkage to what is typed. Source: docs/SCIENCE.md, learning a kitchen.
 * @param resets what was to be forgotten, and when @param memory filled and used when given
 * @param lines what the lines of the register are called; a line that is not there is left out
 */
export function learnFactors(
  lessons: readonly Lesson[],
  kitchen: KitchenSettings,
  resets: readonly Reset[] = [],
  memory: RateMemory = new Map(),
  lines: LineNames = new Map(),
): Factor[] {
  const finished = lessons
    .filter(({ state }) => state.finished)
    .sort((x, y) => x.state.startedAtMs - y.state.startedAtMs);
  const things: Observation[] = [];
  const rates: Observation[] = [];
  for (const lesson of finished) {
    things.push(...lesson.things.filter((o) => !forgotten(o, resets)));
    const known = knownThings(lesson.state, things);
    const key = `${lesson.state.id} ${lesson.state.events.length} ${JSON.stringify(known)}`;
    const found = memory.get(key) ?? observeRate(lesson.state, known);
    memory.set(key, found);
    rates.push(...found);
  }
  return [...fold(rates, kitchen, resets, lines), ...fold(things, kitchen, resets, lines)];
}

/** The factors that apply to a plan's own burner, pot, place and starter, against the plan's typed values. */
export function factorsFor(plan: MakePlan, factors: readonly Factor[]): FactorsUsed {
  const used: FactorsUsed = {};
  // A line nobody has made anything of yet goes at the pace of its kind in this kitchen.
  const kindRate = factors.find((f) => f.kind === 'rate' && f.thing === plan.starter.kind);
  if (kindRate) used.rate = { value: kindRate.mean, sigma: kindRate.sigma, makes: kindRate.makes };
  for (const factor of factors) {
    if (thingOf(factor.kind, plan) !== factor.thing) continue;
    used[USED_AS[factor.kind]] = { value: factor.mean, sigma: factor.sigma, makes: factor.makes };
  }
  return used;
}

/** A plan with what this kitchen has learned about the things it uses. */
export function withFactors(plan: MakePlan, factors: readonly Factor[]): MakePlan {
  return { ...plan, factors: factorsFor(plan, factors) };
}
