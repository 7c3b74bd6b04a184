import { PRODUCT_TAKES, type MakePlan } from '../contract/index.ts';
import { STARTER_FACTS } from '../science/souring/index.ts';
import { batchOf, secondName } from '../setup/index.ts';
import { MILK_SAID } from '../science/milk/index.ts';
import { productOf } from '../products/index.ts';
import { rennetOf, rennetWords, type MethodStep } from '../steps/index.ts';
import { PLACE_FACTS, placeAmbientC, placeWarms } from '../science/heat/index.ts';
import { formatMass, formatMinutes, formatTemperature, DAY_MIN, lower } from '../science/units/index.ts';

/** Texts that leave the house: each stands by itself, in °C and °F, whoever reads it wherever. */

const TELLS_TIME = /\b(?:min|h|hours?|days?)\b/;

const heatWords = (celsius: number): string =>
  `${formatTemperature(celsius, 'C')} (${formatTemperature(celsius, 'F')})`;
const sentence = (text: string): string =>
  text === '' ? '' : `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`;
/** What lasts hours is told to so many minutes: above how long, min, and how closely. */
const ROUNDED_MIN = [
  [10 * 60, 30],
  [3 * 60, 10],
] as const;
/** "7 days", "5 h 20 min". */
function lasting(minutes: number): string {
  if (minutes >= 2 * DAY_MIN) return `${Math.round(minutes / DAY_MIN)} days`;
  const to = ROUNDED_MIN.find(([above]) => minutes >= above)?.[1] ?? 1;
  return formatMinutes(Math.round(minutes / to) * to);
}
/** The starter of a plan with its amount, as it goes into a list. @example starterLine(plan) // "41 g live plain yogurt" */
function starterLine({ starter }: MakePlan): string | null {
  const { label, dosing } = STARTER_FACTS[starter.kind];
  if (dosing === 'none') return null;
  if (dosing === 'mass') {
    const weighed = (massKg: number | null, of: string): string =>
      massKg === null ? lower(of) : `${formatMass(massKg, 'metric')} ${lower(of)}`;
    const { also } = starter;
    const first = weighed(starter.massKg, label);
    return also ? `${first} and ${weighed(also.massKg, STARTER_FACTS[also.kind].label)}` : first;
  }
  const { statedRatio } = starter;
  const many = statedRatio === null || statedRatio === 1 ? '' : `${statedRatio} × `;
  return `${lower(label)}, ${many}the packet’s dose for this much milk`;
}

/** What a step puts in besides the starter. */
export interface Added {
  readonly step: string;
  readonly what: string;
  readonly massKg: number;
}

/** What a step puts in, by what and how much. */
function addedLines(
  plan: MakePlan,
  added: readonly Added[],
): { readonly step: string; readonly line: string }[] {
  const rennet = rennetOf(plan);
  return [
    ...(rennet ? [{ step: rennet.id, line: `rennet, ${rennetWords(plan, rennet)}` }] : []),
    ...added.map(({ step, what, massKg }) => ({
      step,
      line: `about ${formatMass(massKg, 'metric')} of ${what}`,
    })),
  ];
}

/**
 * Everything that goes in, a line each.
 * @example ingredientsOf(plan, []) // ["2 L shop milk, whole", "41 g live plain yogurt", "rennet, about 12 drops"]
 */
export function ingredientsOf(plan: MakePlan, added: readonly Added[]): string[] {
  const { milk } = plan;
  const { goods } = productOf(plan);
  const takes = PRODUCT_TAKES[plan.product];
  const poured =
    takes === 'milk'
      ? `${milk.litres} L ${goods.into === 'milk' ? MILK_SAID[milk.kind] : goods.into}`
      : takes === 'cream'
        ? `${milk.litres} L ${milk.wholeCurd ? 'whole soured milk' : 'cream'}, ${Math.round((milk.fatFraction ?? batchOf(plan).composition.fatFraction) * 100)} % fat`
        : `${formatMass(batchOf(plan).massKg, 'metric')} ${goods.into}`;
  const starter = starterLine(plan);
  return [
    poured,
    ...(milk.second ? [`${milk.second.litres} L ${secondName(milk.second)}`] : []),
    ...(milk.powder ? [`${formatMass(milk.powder.massKg, 'metric')} milk powder`] : []),
    ...(starter === null ? [] : [starter]),
    ...addedLines(plan, added).map(({ line }) => line),
  ];
}

/** Where it sours: at what temperature where the place keeps one; what is only wrapped or warmed up before cools slowly. */
function whereWords({ place, roomC }: Pick<MakePlan, 'place' | 'roomC'>): string {
  if (place.kind === 'room') return `Keep it at room temperature, about ${heatWords(roomC)}.`;
  return placeWarms(place)
    ? `Keep it at ${heatWords(placeAmbientC(place, roomC))}.`
    : `Place: ${lower(PLACE_FACTS[place.kind].label)}.`;
}

/** Whether a text tells a span of minutes that so many lie in: "for 10–15 min" needs no "12 min" after it. */
function isWithin(text: string, minutes: number): boolean {
  const [, from, to] = /(\d+)–(\d+) min/.exec(text) ?? [];
  return from !== undefined && Number(from) <= minutes && minutes <= Number(to);
}

/** What a step aims at: its temperature, its minutes, its amount, its cue. */
function aimWords(step: MethodStep, plan: MakePlan, minutes: number): string {
  const about = minutes >= 1 ? `about ${lasting(minutes)}` : '';
  switch (step.aim?.to) {
    case 'heat':
      return `Stop at ${heatWords(step.aim.celsius)}${about === '' ? '' : `, after ${about}`}`;
    case 'time':
      return isWithin(step.doing, step.aim.minutes) ? '' : `For ${lasting(step.aim.minutes)}`;
    case 'dose': {
      const line = starterLine(plan);
      return line === null ? '' : `Starter: ${line}`;
    }
    case 'amount':
      return `${formatMass(step.aim.massKg, 'metric')} of milk`;
    case 'break':
      return `Stop when it breaks into grains in thin buttermilk, after ${about}`;
    case 'ready': {
      const keep = step.facts.sours ? ` ${whereWords(plan)}` : '';
      return `Stop when it smells clean and is sour enough (${plan.wanted.sourness}), after ${about}.${keep}`;
    }
    case 'added':
    case 'words':
      // Some say how long it takes themselves, or what to do says so already.
      if (TELLS_TIME.test(step.aim.words)) return TELLS_TIME.test(step.doing) ? '' : step.aim.words;
      if (lower(step.doing).includes(lower(step.aim.words))) return about;
      return about === '' ? step.aim.words : `${step.aim.words}, ${about}`;
    default:
      return step.facts.waits ? about : '';
  }
}

/**
 * A step's instruction with its temperature, minutes, amount and cue.
 * @param minutes it takes in this kitchen, about
 * @example instructionOf(heat, plan, [], 17) // "Heat the milk and keep stirring. Stop at 85 °C (185 °F), after about 17 min."
 */
export function instructionOf(
  step: MethodStep,
  plan: MakePlan,
  added: readonly Added[],
  minutes: number,
): string {
  const puts = addedLines(plan, added)
    .filter((one) => one.step === step.id)
    .map(({ line }) => sentence(line));
  // What goes in is said with its amount already.
  const isTold = puts.length > 0 && (step.aim?.to === 'added' || step.aim?.to === 'words');
  const aim = isTold ? '' : sentence(aimWords(step, plan, minutes));
  return [sentence(step.doing), ...puts, aim, step.instance.note ? sentence(step.instance.note) : '']
    .filter((text) => text !== '')
    .join(' ');
}
