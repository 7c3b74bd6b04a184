import type { MakePlan, Method, StepInstance } from '../contract/index.ts';
import type { StarterKind } from '../science/souring/index.ts';
import { KILOGRAMS_PER, MILLILITRES_PER, MINUTE_MS } from '../science/units/index.ts';
import { CAUTIONS } from '../setup/index.ts';
import { methodSteps, productCalled } from '../products/index.ts';
import type { Measured } from './measure.ts';
import { ingredientsOf, instructionOf } from './recipe-words.ts';

/** A recipe as the open vocabulary of schema.org writes it (JSON-LD). */
export interface RecipeLd {
  readonly '@context': 'https://schema.org';
  readonly '@type': 'Recipe';
  readonly name: string;
  readonly description: string;
  readonly recipeYield: string;
  readonly totalTime: string;
  readonly recipeIngredient: readonly string[];
  readonly recipeInstructions: readonly {
    readonly '@type': 'HowToStep';
    readonly name: string;
    readonly text: string;
    readonly timeRequired: string;
  }[];
}

/** "PT1H30M" @param minutes ≥ 0 */
export function isoDuration(minutes: number): string {
  const whole = Math.round(minutes);
  const [days, hours, rest] = [Math.floor(whole / 1440), Math.floor((whole % 1440) / 60), whole % 60];
  const time = `${hours > 0 ? `${hours}H` : ''}${rest > 0 ? `${rest}M` : ''}`;
  const day = days > 0 ? `${days}D` : '';
  return day === '' && time === '' ? 'PT0M' : `P${day}${time === '' ? '' : `T${time}`}`;
}

/** Minutes of an ISO 8601 duration of days, hours, minutes and seconds; `null` for anything else. */
export function minutesOfIso(text: string): number | null {
  const parts =
    /^P(?:(\d+(?:\.\d+)?)D)?(?:T(?:(\d+(?:\.\d+)?)H)?(?:(\d+(?:\.\d+)?)M)?(?:(\d+(?:\.\d+)?)S)?)?$/i.exec(
      text.trim(),
    );
  if (!parts || parts.slice(1).every((part: string | undefined) => part === undefined)) return null;
  const [days, hours, minutes, seconds] = parts.slice(1).map((part: string | undefined) => Number(part ?? 0));
  return days! * 1440 + hours! * 60 + minutes! + seconds! / 60;
}

/**
 * A method as a recipe for other programs: with the times and amounts of one kitchen, each step to be followed by itself.
 * @param plan of the method in that kitchen, of as much as was measured
 */
export function recipeOf(of: Method, measured: Measured, plan: MakePlan): RecipeLd {
  const words = new Map(methodSteps(plan).map((step) => [step.id, step]));
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: of.name,
    description: of.goodFor,
    recipeYield: `about ${measured.outKg.toFixed(2)} kg`,
    totalTime: isoDuration(measured.hours * 60),
    recipeIngredient: ingredientsOf(plan, measured.added),
    recipeInstructions: measured.steps.map(({ id, title, startMs, endMs }) => {
      const minutes = (endMs - startMs) / MINUTE_MS;
      const step = words.get(id);
      return {
        '@type': 'HowToStep',
        name: title,
        // Whoever follows it elsewhere has nothing beside it that warns.
        text: step
          ? [
              instructionOf(step, plan, measured.added, minutes),
              ...step.cautions.map((id) => CAUTIONS[id]),
            ].join(' ')
          : title,
        timeRequired: isoDuration(minutes),
      };
    }),
  };
}

/** What came of reading a recipe: a method of own steps, and what nobody could make out. */
export interface RecipeRead {
  readonly method: Omit<Method, 'id'>;
  readonly notUnderstood: readonly string[];
}

const MOST_STEPS = 60;
const DEEPEST = 4;
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** Text as text: other programs write markup into it. */
const plain = (value: unknown, max: number): string =>
  typeof value === 'string'
    ? value
        .replace(/<[^>]*>/g, ' ')
        .replace(/\p{Surrogate}/gu, '')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, max)
    : '';

/** The recipe in a JSON-LD document: itself, one of a list, or one of its graph; `null` when there is none. */
export function findRecipe(raw: unknown, depth = 0): Readonly<Record<string, unknown>> | null {
  if (depth > DEEPEST) return null;
  if (Array.isArray(raw)) {
    for (const one of raw.slice(0, 50) as unknown[]) {
      const found = findRecipe(one, depth + 1);
      if (found) return found;
    }
    return null;
  }
  if (!isObject(raw)) return null;
  const type = raw['@type'];
  if (type === 'Recipe' || (Array.isArray(type) && type.includes('Recipe'))) return raw;
  return '@graph' in raw ? findRecipe(raw['@graph'], depth + 1) : null;
}

interface Instruction {
  readonly name: string;
  readonly text: string;
  readonly minutes: number | null;
}

/** The steps of a recipe, in order: texts, steps, sections of steps, or one text of several lines. */
function instructionsOf(raw: unknown, lost: string[], depth = 0): Instruction[] {
  if (typeof raw === 'string')
    return raw
      .split(/\r?\n|(?:^|\s)\d+[.)]\s/)
      .map((line) => plain(line, 400))
      .filter((line) => line !== '')
      .map((text) => ({ name: '', text, minutes: null }));
  if (Array.isArray(raw))
    return (raw.slice(0, 200) as unknown[]).flatMap((one) => instructionsOf(one, lost, depth + 1));
  if (!isObject(raw) || depth > DEEPEST) return [];
  if ('itemListElement' in raw) return instructionsOf(raw['itemListElement'], lost, depth + 1);
  const text = plain(raw['text'], 400) || plain(raw['description'], 400) || plain(raw['name'], 400);
  if (text === '') {
    lost.push('a step without text');
    return [];
  }
  const time = raw['timeRequired'] ?? raw['totalTime'] ?? raw['performTime'];
  const minutes = typeof time === 'string' ? minutesOfIso(time) : null;
  if (typeof time === 'string' && minutes === null)
    lost.push(`the time “${plain(time, 40)}” for “${text.slice(0, 40)}”`);
  return [{ name: plain(raw['name'], 80), text, minutes }];
}

const UNIT_MIN: readonly (readonly [RegExp, number])[] = [
  [/^(?:d|days?)$/i, 1440],
  [/^(?:h|hrs?|hours?)$/i, 60],
  [/^(?:m|min|mins|minutes?)$/i, 1],
];
/** How long a text says it takes, minutes: the later end of a range, all of several added up; `null` when it does not say. */
export function minutesInText(text: string): number | null {
  let sum = 0;
  const pattern =
    /(\d+(?:[.,]\d+)?)(?:\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?))?\s*(days?|d|hours?|hrs?|h|minutes?|mins?|min|m)\b/gi;
  for (const [, from, to, unit] of text.matchAll(pattern)) {
    const each = UNIT_MIN.find(([is]) => is.test(unit!))?.[1] ?? 0;
    sum += Number((to ?? from)!.replace(',', '.')) * each;
  }
  if (sum === 0 && /\bovernight\b/i.test(text)) return 10 * 60;
  return sum === 0 ? null : sum;
}

const KG: readonly (readonly [RegExp, number])[] = [
  [/^(?:kg|kilos?|kilograms?)$/i, 1],
  [/^(?:g|grams?)$/i, 0.001],
  [/^(?:lb|lbs|pounds?)$/i, KILOGRAMS_PER.lb],
  [/^(?:oz|ounces?)$/i, KILOGRAMS_PER.oz],
  [/^(?:l|litres?|liters?)$/i, 1.03],
  [/^(?:ml|millilitres?|milliliters?)$/i, 0.00103],
  [/^cups?$/i, (MILLILITRES_PER['cup-us'] * 1.03) / 1000],
  [/^quarts?$/i, 0.975],
  [/^gallons?$/i, 3.9],
  [/^(?:tbsp|tablespoons?)$/i, 0.0152],
  [/^(?:tsp|teaspoons?)$/i, 0.0051],
];
/** The weight an ingredient line says, kg, about; `null` when it does not say. @example kgOf('3 tablespoons plain yogurt') // 0.046 */
export function kgOf(line: string): number | null {
  const parts = /^\s*(?:about\s+)?(\d+(?:[.,]\d+)?)(?:\s*\/\s*(\d+))?\s*([a-z]+)\b/i.exec(line);
  if (!parts) return null;
  const each = KG.find(([is]) => is.test(parts[3]!))?.[1];
  if (each === undefined) return null;
  return (Number(parts[1]!.replace(',', '.')) / Number(parts[2] ?? 1)) * each;
}

const STARTER_WORDS: readonly (readonly [RegExp, StarterKind])[] = [
  [/kefir\s+grains/i, 'kefir-grains'],
  [/kefir/i, 'milk-kefir'],
  [/buttermilk|sour\s+cream/i, 'cultured-buttermilk'],
  [/yog(?:h)?urt/i, 'fresh-yogurt'],
];

/** What of the ingredients decides the make: its starter's share; all else is told with it. */
function readIngredients(lines: readonly string[], lost: string[]): Method['aims'] {
  const milk = lines.find(
    (line) => /\b(?:milk|cream)\b/i.test(line) && !/buttermilk|powder|sour\s+cream/i.test(line),
  );
  const milkKg = milk === undefined ? null : kgOf(milk);
  if (milk !== undefined && milkKg === null) lost.push(`the amount of milk: “${milk}”`);
  let aims: Method['aims'] = {};
  for (const line of lines) {
    if (line === milk) continue;
    const starter = STARTER_WORDS.find(([is]) => is.test(line))?.[1];
    const kg = kgOf(line);
    if (starter && kg !== null && milkKg !== null && aims.starter === undefined) {
      aims = { ...aims, starter: { kind: starter, share: Math.min(0.5, kg / milkKg), statedRatio: null } };
      continue;
    }
    lost.push(`the ingredient “${line}”`);
  }
  return aims;
}

/**
 * Reads a recipe into a method of own steps: its times, its ingredients as far as they decide the make, its instructions.
 * What could not be made out is listed, never guessed.
 * @returns `null` when there is no recipe in it, or it tells no steps
 */
export function readRecipe(raw: unknown): RecipeRead | null {
  const recipe = findRecipe(raw);
  if (!recipe) return null;
  const lost: string[] = [];
  const name = plain(recipe['name'], 80) || 'Untitled recipe';
  const all = instructionsOf(recipe['recipeInstructions'], lost);
  if (all.length === 0) return null;
  if (all.length > MOST_STEPS) lost.push(`${all.length - MOST_STEPS} steps after the 60th`);
  const steps = all.slice(0, MOST_STEPS).map(({ name: title, text, minutes }, i): StepInstance => {
    const told = minutes ?? minutesInText(text);
    if (told === null) lost.push(`how long “${text.slice(0, 50)}” takes (counted as 5 min hands-on)`);
    const waitMin = told !== null && told > 15 ? Math.min(told, 30 * 1440) : 0;
    return {
      id: i === 0 ? 'own' : `own-${i + 1}`,
      kind: 'own',
      title: title || text.split(/\s+/).slice(0, 6).join(' ').slice(0, 80),
      doing: text,
      handsMin: waitMin > 0 ? 5 : Math.max(1, Math.round(told ?? 5)),
      waitMin,
      stands: /\b(?:fridge|refrigerat|chill|cold)\w*/i.test(text) ? 'cold' : 'as-it-is',
    };
  });
  const raws = recipe['recipeIngredient'] ?? recipe['ingredients'];
  const lines = (Array.isArray(raws) ? (raws.slice(0, 100) as unknown[]) : [raws])
    .map((line) => plain(line, 120))
    .filter((line) => line !== '');
  const aims = readIngredients(lines, lost);
  const total = recipe['totalTime'];
  if (typeof total === 'string' && minutesOfIso(total) === null)
    lost.push(`the total time “${plain(total, 40)}”`);
  const product = productCalled(name);
  return {
    method: {
      version: 1,
      name,
      product,
      basedOn: null,
      goodFor: plain(recipe['description'], 200),
      notes: lines.length > 0 ? `Ingredients: ${lines.join('; ')}`.slice(0, 2000) : '',
      aims,
      steps,
    },
    notUnderstood: [...new Set(lost)].slice(0, 100),
  };
}
