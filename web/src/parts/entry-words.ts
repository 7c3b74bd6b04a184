import { GHEE_STAGE_WORDS, STAGE_WORDS, type LoggedEvent } from '@morning-crock/core';
import type { StepId, StepKind } from '@morning-crock/core/contract';
import type { Units } from '../data/units-of.ts';
import { piecesWords } from './pieces-words.ts';
import { CUE_WORDS } from '../charts/curve-data.ts';

const STEP_WORDS: Readonly<Record<StepKind, string>> = {
  pour: 'pouring',
  heat: 'heating',
  hold: 'holding',
  cool: 'cooling',
  inoculate: 'inoculating',
  incubate: 'incubating',
  chill: 'chilling',
  weigh: 'weighing',
  taste: 'tasting',
  reserve: 'keeping a spoonful',
  scald: 'scalding',
  ripen: 'ripening',
  thicken: 'thickening',
  'take-out': 'taking the cream out',
  temper: 'tempering',
  churn: 'churning',
  drain: 'draining',
  wash: 'washing',
  work: 'working',
  clarify: 'clarifying',
  settle: 'settling',
  filter: 'filtering',
  'cool-ghee': 'setting',
  feed: 'feeding',
  stand: 'standing',
  coagulate: 'setting',
  ladle: 'lifting the cream',
  'pour-off': 'pouring the buttermilk off',
  'grains-out': 'taking the grains out',
  whip: 'whipping',
  'add-rennet': 'adding rennet',
  'ripen-milk': 'waking the culture',
  cut: 'cutting',
  rest: 'resting',
  stir: 'stirring',
  'swap-whey': 'whey for water',
  strain: 'draining',
  press: 'pressing',
  salt: 'salting',
  brine: 'brining',
  dry: 'drying',
  age: 'ageing',
  acidify: 'souring it',
  'second-ripen': 'ripening once more',
  'mix-in': 'stirring in',
  freeze: 'freezing',
  own: 'a step of your own',
};
/** What a kind of step is called where it is chosen: "Waking the culture". */
export const STEP_TITLES = Object.fromEntries(
  Object.entries(STEP_WORDS).map(([kind, words]) => [kind, words.charAt(0).toUpperCase() + words.slice(1)]),
) as Readonly<Record<StepKind, string>>;

/** Which one of its kind, when it is not the first. */
const nthWords = (step: StepId): string => {
  const n = /-(\d+)$/.exec(step)?.[1];
  return n === undefined ? '' : ` ${n}`;
};

/** A step by its name within the make; a second one of a kind has a number behind it. */
function stepWords(step: StepId): string {
  const kind = step.replace(/-\d+$/, '');
  return Object.hasOwn(STEP_WORDS, kind) ? `${STEP_WORDS[kind as StepKind]}${nthWords(step)}` : step;
}

/** One entry in words; `null` for what needs no line of its own. */
export function entryWords(event: LoggedEvent, units: Units): string | null {
  switch (event.type) {
    case 'make-started':
      return 'started';
    case 'step-done':
      return `${stepWords(event.data.step)} done`;
    case 'step-skipped':
      return `${stepWords(event.data.step)} left out`;
    case 'temperature-read':
      return `${units.temperature(event.data.celsius)}${event.data.instrument === 'hand' ? '' : ` (${event.data.instrument}${event.data.rawC === undefined ? '' : `, it said ${units.temperature(event.data.rawC)}`})`}`;
    case 'ph-read':
      return `pH ${event.data.ph.toFixed(event.data.instrument === 'strip' ? 1 : 2)} (${event.data.instrument})`;
    case 'titrated':
      return `${event.data.percent.toFixed(2)} % acid (${event.data.naohMl} mL on ${event.data.sampleG} g)`;
    case 'trace-imported':
      return `${event.data.rows} readings from ${event.data.instrument} (${event.data.fileName})`;
    case 'replanned':
      return `planned anew${event.data.why ? `: ${event.data.why}` : ''}`;
    case 'jar-chilled':
      return 'a jar into the cold';
    case 'cue-seen':
      return `${CUE_WORDS[event.data.cue]}${event.data.cleanSmell === true ? ', smells clean and sour' : ''}`;
    case 'milk-poured':
      return `poured ${units.mass(event.data.from.reduce((sum, part) => sum + part.massKg, 0))} from the milk room`;
    case 'starter-added':
      return event.data.massKg === null ? 'starter added' : `starter added, ${units.mass(event.data.massKg)}`;
    case 'weighed':
      return `weighed ${units.mass(event.data.massKg)}${event.data.of ? ` of ${event.data.of}` : ''}`;
    case 'stage-seen':
      return { ...STAGE_WORDS, ...GHEE_STAGE_WORDS }[event.data.stage];
    case 'pan-weighed':
      return `the pan weighs ${units.mass(event.data.massKg)}`;
    case 'pan-changed':
      return 'on in another pan';
    case 'rinsed':
      return event.data.clear ? 'washed, the water ran clear' : 'washed once';
    case 'pan-tested':
      return `pan test: ${(((event.data.beforeKg - event.data.afterKg) / event.data.beforeKg) * 100).toFixed(1)} % water`;
    case 'salted':
      return `salted, ${units.mass(event.data.massKg)}`;
    case 'load-begun':
      return `load ${event.data.load} went into the churn`;
    case 'churn-rested':
      return event.data.resting ? 'the churn rests' : 'the churn goes on';
    case 'water-poured':
      return `${units.volume(event.data.massKg)} of water of ${units.temperature(event.data.celsius)} poured in`;
    case 'iced':
      return `into iced water for ${event.data.minutes} min`;
    case 'flavoured':
      return `${event.data.with === 'dry' ? 'spice' : event.data.with} in it${event.data.text ? `: ${event.data.text}` : ''}`;
    case 'shaped':
      return `cut: ${piecesWords(event.data.pieces, units)}`;
    case 'drain-weighed':
      return event.data.of === 'whey'
        ? `${units.mass(event.data.massKg)} of whey caught so far`
        : `${units.mass(event.data.massKg)} left in the cloth`;
    case 'whey-returned':
      return `${units.mass(event.data.massKg)} of whey stirred back`;
    case 'break-tried':
      return event.data.clean ? 'tried: it breaks clean' : 'tried: no clean break yet';
    case 'turned':
      return 'turned';
    case 'tagged':
      return event.data.tags.length === 0 ? 'no tag on it' : `tags ${event.data.tags.join(', ')}`;
    case 'photographed':
      return `a picture, ${stepWords(event.data.step)}`;
    case 'tasted':
      return `tasted: ${event.data.sourness}, ${event.data.texture}${event.data.text ? `. ${event.data.text}` : ''}`;
    case 'noted':
      return event.data.text;
    case 'reserved':
      return `kept ${units.mass(event.data.massKg)}`;
    case 'fed':
      return `fed${nthWords(event.data.step)}${event.data.massKg === null ? '' : `, ${units.mass(event.data.massKg)}`}`;
    case 'split-off':
      return `${Math.round(event.data.share * 100)} % of it went another way`;
    case 'joined':
      return `${units.mass(event.data.massKg)} of another make poured in`;
    case 'finished':
      if (event.data.into !== undefined) return event.data.reason;
      return event.data.verdict === 'kept' ? 'finished' : `discarded. ${event.data.reason}`;
    default:
      return null;
  }
}
