import type { KitchenSettings, MakePlan, Method } from '../contract/index.ts';
import { potWords } from '../kitchen/index.ts';
import { methodSteps, planOfMethod } from '../products/index.ts';
import { DAY_MIN, formatVolume } from '../science/units/index.ts';
import { chained } from './chain.ts';
import { dayMakeOf, dayProblem, endlessStep, SET_OUT_MIN, type HandsPaces } from './from-makes.ts';
import type { KeptFree } from './kept-free.ts';
import type { DayMake, DayProblem } from './problem.ts';
import { leastPot, vesselsOf } from './vessels.ts';

/** What would just fit is not said to clash because it is put off into the next morning, days. */
export const SPARE_DAYS = 2;

/** A make somebody wants in a day. */
export interface WishedMake {
  readonly id: string;
  readonly name: string;
  readonly method: Method;
  /** L, of butter kg; left out, as much as a make of it usually is. */
  readonly litres?: number | undefined;
  /** The milk or cream it will be poured from; left out, as its method usually has it. */
  readonly milk?: MakePlan['milk'] | undefined;
  /** Not before, and wished by, min from the zero. */
  readonly from?: number;
  readonly by?: number | null;
  /** When hands of a step must begin, by step. */
  readonly fixed?: Readonly<Record<string, number>>;
  /** Who does a step, by step. */
  readonly who?: Readonly<Record<string, string>>;
  /** The make of the same day that it is made from: it begins when that is done. */
  readonly fedBy?: string | undefined;
}

/** A piece of work besides the makes, at its time: skimming what the makes need. */
export interface DayChore {
  readonly id: string;
  readonly title: string;
  readonly at: number;
  readonly minutes: number;
}

/** What somebody wants to make in a day, or in several. */
export interface DayWish {
  readonly kitchen: KitchenSettings;
  readonly zeroMs: number;
  /** What falls into these days is laid out; what is later goes on after them. */
  readonly days: number;
  readonly makes: readonly WishedMake[];
  readonly chores?: readonly DayChore[];
  /** Hours that are wished free, the dearest first. */
  readonly keptFree?: readonly KeptFree[];
  /** Hours meant to be spent at it, min from the zero; outside of them only short looks are laid where it can be. */
  readonly session?: readonly (readonly [from: number, to: number])[];
  readonly seed?: number;
  readonly paces?: HandsPaces;
  /** The day is asked for before it begins: single batches may be begun from this instant on, the others when the day opens, min from the zero. */
  readonly eve?: { readonly fromMs: number; readonly opensMin: number };
}

/** What a make asks for after the days chosen. */
export interface Tail {
  readonly make: string;
  readonly title: string;
  /** After the beginning of which of the day's makes, and how long, min. */
  readonly since: string;
  readonly offset: number;
}

/** The tasks of a make that fall into so many minutes when nothing holds it up, and those after them. */
export function cut(
  make: DayMake,
  minutes: number,
): { readonly within: DayMake; readonly later: readonly Tail[] } {
  let offset = 0;
  const later: Tail[] = [];
  let within = make.tasks.length;
  for (const [k, task] of make.tasks.entries()) {
    offset += task.after;
    if (within === make.tasks.length && make.from + offset + task.minutes > minutes) within = k;
    if (k >= within && !task.fetches)
      later.push({ make: task.of?.make ?? make.id, title: task.title, since: make.id, offset });
    offset += task.minutes;
  }
  // What is only fetched and not begun is begun later.
  if (make.tasks[within - 1]?.fetches) within--;
  return { within: { ...make, tasks: make.tasks.slice(0, within) }, later };
}

/** A piece of work as a make of its own, at its time. */
const choreMake = ({ id, title, at, minutes }: DayChore): DayMake => ({
  id,
  title,
  from: 0,
  by: null,
  fixed: { [id]: at },
  tasks: [{ id, title, minutes, after: 0, slack: 0, holds: [] }],
});

/** The smallest pot that holds so much, L; `null` when none does. */
const smallestPot = ({ pots }: KitchenSettings, litres: number): KitchenSettings['pots'][number] | null =>
  [...pots].sort((a, b) => a.litres - b.litres).find((pot) => pot.litres >= litres) ?? null;

/** Why a batch would never be done, and what would help where it is the fire. */
function neverWords(name: string, plan: MakePlan): string {
  const step = endlessStep(plan);
  return step?.facts.uses?.includes('burner')
    ? `“${name}” would never get hot enough in ${potWords(plan.pot)} on ${plan.burner.name}. Use less milk or a stronger burner, or heat it with the lid on.`
    : `“${name}” would never finish in this kitchen as it is set up.`;
}

/** A wish that cannot be asked, and why. */
export interface Refused {
  readonly fits: false;
  readonly why: string;
  readonly clashing: readonly string[];
}

/** Why batches cannot be made from each other as they are wished; `null` when they can. */
function feedingFault(makes: readonly WishedMake[]): { readonly why: string; readonly make: string } | null {
  const byId = new Map(makes.map((make) => [make.id, make]));
  const fed = new Map<string, string>();
  for (const { id, name, fedBy } of makes) {
    if (fedBy === undefined) continue;
    const feeder = byId.get(fedBy);
    if (!feeder) return { make: id, why: `“${name}” is made from a batch that is not in this plan.` };
    if (fed.has(fedBy))
      return { make: id, why: `“${feeder.name}” can go into one other batch of a plan, not into two.` };
    fed.set(fedBy, id);
  }
  for (const { id, name } of makes) {
    let links = 0;
    for (let at = byId.get(id)?.fedBy; at !== undefined && links <= makes.length; at = byId.get(at)?.fedBy)
      links++;
    if (links > makes.length) return { make: id, why: `“${name}” cannot be made from what is made from it.` };
  }
  return null;
}

/** A wish as a day to be laid out. */
export interface AskedDay {
  readonly whole: DayProblem;
  readonly tails: readonly Tail[];
}

/**
 * The day of a wish as it is to be laid out; what cannot be asked is refused, with the make it is about.
 * @yields 0, so that whoever waits for it has a turn between two makes
 */
export function* askedDay(wish: DayWish): Generator<number, AskedDay | Refused> {
  const { kitchen, zeroMs, days, makes, chores = [], session, paces } = wish;
  const lacks = (['burners', 'pots', 'cooks'] as const).find((things) => kitchen[things].length === 0);
  if (lacks === 'burners' || lacks === 'pots')
    return { fits: false, why: `There is no ${lacks.slice(0, -1)} in this kitchen.`, clashing: [] };
  if (lacks === 'cooks') return { fits: false, why: 'Nobody is there in that time.', clashing: [] };
  const startAt = new Date(zeroMs).toISOString();
  const fault = feedingFault(makes);
  if (fault) return { fits: false, why: fault.why, clashing: [fault.make] };
  const seenMakes: DayMake[] = [];
  for (const { id, name, method, litres, milk, from = 0, by = null, fixed = {}, who = {} } of makes) {
    const refuse = (why: string): Refused => ({ fits: false, why, clashing: [id] });
    const unknown = [...Object.keys(fixed), ...Object.keys(who)].find(
      (step) => !method.steps.some((s) => s.id === step),
    );
    if (unknown !== undefined)
      return refuse(`“${name}” has no step “${unknown}” to set a time or a person for.`);
    const nobody = Object.values(who).find((cook) => !kitchen.cooks.some((c) => c.id === cook));
    if (nobody !== undefined)
      return refuse(`“${name}” is given to someone who is not a cook in this kitchen.`);
    const planned = planOfMethod(method, kitchen, startAt, litres);
    const needs = leastPot(planned);
    const pot = smallestPot(kitchen, needs) ?? planned.pot;
    const plan = { ...planned, name, pot, ...(milk ? { milk } : {}) };
    const largest = Math.max(...kitchen.pots.map((pot) => pot.litres));
    if (needs > largest && vesselsOf(plan, methodSteps(plan)).some((vessels) => vessels.includes('pot')))
      return refuse(
        `“${name}” needs a pot for ${formatVolume(needs, kitchen.units.measures)}. The largest here holds ${formatVolume(largest, kitchen.units.measures)}. Make less, or make it in two batches.`,
      );
    const seen = dayMakeOf({ id, plan, from, by, fixed, who, paces });
    if (!seen) return refuse(neverWords(name, plan));
    if (by !== null && by <= from)
      return refuse(`“${name}” is due before its earliest start. Change one of the two times.`);
    seenMakes.push(seen);
    yield 0;
  }
  const fedBy = new Map(makes.flatMap(({ id, fedBy: of }) => (of === undefined ? [] : [[id, of] as const])));
  const asked: DayMake[] = [];
  const tails: Tail[] = [];
  for (const make of chained(seenMakes, fedBy, SET_OUT_MIN)) {
    const { within, later } = cut(make, days * DAY_MIN);
    if (within.tasks.length === 0)
      return {
        fits: false,
        why: `“${make.title}” does not start within the chosen days.`,
        clashing: [make.id],
      };
    asked.push(within);
    tails.push(...later);
  }
  const all = [...chores.map(choreMake), ...asked];
  const whole = { ...dayProblem(kitchen, all, zeroMs, days + SPARE_DAYS), ...(session ? { session } : {}) };
  return { whole, tails };
}
