import {
  formatMinutes,
  toDegrees,
  type BatchScore,
  type Decision,
  type FigureUnit,
  type MakeState,
} from '@morning-crock/core';
import type {
  PracticeBath,
  PracticeFlame,
  PracticeHand,
  PracticeKitchen,
  PracticePlace,
  PracticeSubject,
  Trouble,
} from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';

export const FLAME_WORDS: Readonly<Record<PracticeFlame, string>> = {
  off: 'Off',
  low: 'Low',
  medium: 'Medium',
  full: 'Full',
};
export const BATH_WORDS: Readonly<Record<PracticeBath, string>> = {
  none: 'No water',
  cold: 'Cold water',
  iced: 'Iced water',
  warm: 'Warm water',
};
export const PLACE_WORDS: Readonly<Record<Exclude<PracticePlace, 'planned'>, string>> = {
  counter: 'Counter',
  cupboard: 'Warm cupboard',
  'lamp-oven': 'Oven, lamp on',
  fridge: 'Fridge',
};

/** What was wrong, told when it is over. */
export const TROUBLE_WORDS: Readonly<Record<Trouble, string>> = {
  'cold-place': 'The warm place was much colder than it was set to.',
  'warm-place': 'The warm place was hotter than it was set to.',
  'weak-starter': 'The starter was old. Few of its bacteria were alive.',
  'strong-burner': 'The burner gave much more than usual.',
  'weak-burner': 'The burner gave much less than usual.',
  'cold-kitchen': 'The kitchen was colder than planned.',
  'warm-kitchen': 'The kitchen was warmer than planned.',
  'thermometer-high': 'The thermometer read too high.',
  'thin-cream': 'The cream was thinner than it said.',
  'slow-churn': 'This cream took longer to break than usual.',
  'fast-cloth': 'The cloth drained faster than usual.',
  'slow-cloth': 'The cloth drained more slowly than usual.',
  'weak-rennet': 'The rennet was weaker than its label says.',
  'wet-butter': 'The butter held more water than usual.',
};
/** The same where it is chosen beforehand. */
export const TROUBLE_NAMES: Readonly<Record<Trouble, string>> = {
  'cold-place': 'Warm place too cold',
  'warm-place': 'Warm place too hot',
  'weak-starter': 'Old starter',
  'strong-burner': 'Strong burner',
  'weak-burner': 'Weak burner',
  'cold-kitchen': 'Cold kitchen',
  'warm-kitchen': 'Warm kitchen',
  'thermometer-high': 'Thermometer reads high',
  'thin-cream': 'Thin cream',
  'slow-churn': 'Slow to break',
  'fast-cloth': 'Fast cloth',
  'slow-cloth': 'Slow cloth',
  'weak-rennet': 'Weak rennet',
  'wet-butter': 'Wet butter',
};

export const KITCHEN_WORDS: Readonly<Record<PracticeKitchen, string>> = {
  usual: 'A usual kitchen',
  'stone-dairy': 'A stone dairy in winter',
  summer: 'A kitchen in summer',
  mountain: 'A kitchen on a mountain',
  plate: 'With an electric plate',
};

/** How fast the clock goes, in times of a real one. */
export const SPEEDS = [
  { speed: 10, words: '10 s' },
  { speed: 60, words: '1 min' },
  { speed: 600, words: '10 min' },
  { speed: 3600, words: '1 h' },
] as const;

/** What hands did, as it stands in a list. */
export function handWords(hand: PracticeHand, state: MakeState, units: Units): string {
  switch (hand.kind) {
    case 'flame':
      return hand.to === 'off' ? 'Heat off' : `Heat on ${FLAME_WORDS[hand.to].toLowerCase()}`;
    case 'lid':
      return hand.on ? 'Lid on' : 'Lid off';
    case 'stir':
      return 'Stirred';
    case 'bath':
      return hand.to === 'none' ? 'Out of the water' : `Into ${BATH_WORDS[hand.to].toLowerCase()}`;
    case 'move':
      return hand.to === 'planned'
        ? `To ${state.plan.place.name}`
        : `To ${PLACE_WORDS[hand.to].toLowerCase()}`;
    default:
      return toldWords(hand.event, state, units);
  }
}

function toldWords(
  event: Extract<PracticeHand, { kind: 'told' }>['event'],
  state: MakeState,
  units: Units,
): string {
  switch (event.type) {
    case 'step-done':
      return state.steps.find(({ step }) => step.id === event.data.step)?.step.doneWords ?? 'Step done';
    case 'step-skipped':
      return 'Step skipped';
    case 'starter-added':
      return state.inoculatedAtMs !== null && Date.parse(event.at) > state.inoculatedAtMs
        ? 'Fresh starter'
        : 'Starter in';
    case 'water-poured':
      return `${units.volume(event.data.massKg)} of chilled water`;
    case 'rinsed':
      return 'One more wash';
    case 'whey-returned':
      return `${units.mass(event.data.massKg)} of whey stirred back`;
    case 'salted':
      return `${units.mass(event.data.massKg)} of salt`;
    case 'replanned':
      return `${units.mass(event.data.powder?.massKg ?? 0)} of milk powder in all`;
    case 'temperature-read':
      return `Read ${units.temperature(event.data.celsius)}`;
    case 'ph-read':
      return `pH ${event.data.ph.toFixed(2)}`;
    default:
      return 'Entry';
  }
}

/** A figure of an aim as it is read; words where it was not reached. */
export function figureWords(value: number | null, unit: FigureUnit, units: Units): string {
  if (value === null) return 'not reached';
  switch (unit) {
    case 'min':
      return value < 1 && value > 0 ? 'under 1 min' : formatMinutes(value);
    case 'hours':
      return `${value.toFixed(1)} h`;
    case 'celsius':
      return units.temperature(value);
    case 'ph':
      return value.toFixed(2);
    case 'percent':
      return `${(value * 100).toFixed(value < 0.1 ? 1 : 0)} %`;
    case 'mass':
      return units.mass(value);
    case 'points':
    case 'times':
      return String(Math.round(value));
  }
}

/** Texts of a lesson with its temperatures as this kitchen reads them. */
export const inDegrees = (text: string, units: Units): string => toDegrees(text, units.temperatureUnit);

/** "Churn stopped 2 min earlier: fat left in the buttermilk 0.6 % instead of 1.4 %." */
export function decisionWords(decision: Decision, state: MakeState, units: Units, startMs: number): string {
  const { hand, otherwise } = decision;
  const what = hand ? handWords(hand, state, units) : '';
  const head = (() => {
    switch (otherwise.kind) {
      case 'shifted': {
        const minutes = Math.abs(otherwise.minutes);
        return `“${what}” ${formatMinutes(minutes)} ${otherwise.minutes < 0 ? 'earlier' : 'later'}`;
      }
      case 'other':
        return `${handWords({ ...otherwise.act, atMs: 0 } as PracticeHand, state, units)} instead of “${what}”`;
      case 'without':
        return `Without “${what}”`;
      case 'done':
        return otherwise.act.kind === 'stir'
          ? 'Stirred every 3 min'
          : `${handWords(otherwise.act, state, units)} at ${units.clock(startMs + otherwise.act.atMs)}, and the rest as it should be`;
    }
  })();
  const [from, to] = [decision.from, decision.to].map((value) => figureWords(value, decision.unit, units));
  return from === to
    ? `${head}: nearer to what was asked.`
    : `${head}: ${decision.noun} ${to} instead of ${from}.`;
}

/** What a world allowed besides its aims, row by row. */
export function cameOut(
  score: BatchScore,
  units: Units,
): { readonly noun: string; readonly own: string; readonly allowed: string }[] {
  const rows: [string, FigureUnit, keyof BatchScore['outcome']][] = [
    ['body, of 100 (estimated)', 'points', 'body'],
    ['butter', 'mass', 'butterKg'],
    ['ghee', 'mass', 'gheeKg'],
    ['curd', 'mass', 'curdKg'],
    ['time', 'min', 'minutes'],
  ];
  const out = rows.flatMap(([noun, unit, key]) => {
    const own = score.outcome[key];
    const allowed = score.allowed[key];
    // What is a goal already is told once.
    const told = score.aims.some((aim) => aim.id === 'in-time') && key === 'minutes';
    return !told && typeof own === 'number' && typeof allowed === 'number'
      ? [{ noun, own: figureWords(own, unit, units), allowed: figureWords(allowed, unit, units) }]
      : [];
  });
  return score.outcome.energyKwh > 0.005
    ? [
        ...out,
        {
          noun: 'energy of the burner',
          own: `${score.outcome.energyKwh.toFixed(2)} kWh`,
          allowed: `${score.allowed.energyKwh.toFixed(2)} kWh`,
        },
      ]
    : out;
}

/** The address of a practice: the same one gives the same world. */
export function practiceAddress(subject: PracticeSubject, seed: number): string {
  if (subject.kind === 'lesson') return `/practice/${subject.lesson}?n=${seed}`;
  const troubles = subject.troubles === 'surprise' ? 'surprise' : subject.troubles.join('.');
  const kitchen = subject.kitchen === 'usual' ? '' : `&kitchen=${subject.kitchen}`;
  return `/practice/free?method=${subject.method}${kitchen}&troubles=${troubles}&level=${subject.level}&n=${seed}`;
}
