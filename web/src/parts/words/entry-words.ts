import {
  GHEE_STAGE_WORDS,
  HEAT_CUE_FACTS,
  STAGE_WORDS,
  STEP_TYPES,
  type LoggedEvent,
} from '@morning-crock/core';
import type { StepId, StepKind } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';
import { tasteWords } from './taste-words.ts';
import { faultWords } from './fault-words.ts';
import { piecesWords } from './pieces-words.ts';
import { CUE_WORDS } from '../../charts/curve-data.ts';

/** What a kind of step is called where it is chosen: "Waking the culture". */
export const STEP_TITLES = Object.fromEntries(
  Object.entries(STEP_TYPES).map(([kind, { gerund }]) => [
    kind,
    gerund.charAt(0).toUpperCase() + gerund.slice(1),
  ]),
) as Readonly<Record<StepKind, string>>;

/** Which one of its kind, when it is not the first. */
const nthWords = (step: StepId): string => {
  const n = /-(\d+)$/.exec(step)?.[1];
  return n === undefined ? '' : ` ${n}`;
};

/** A step by its name within the make; a second one of a kind has a number behind it. */
function stepWords(step: StepId): string {
  const kind = step.replace(/-\d+$/, '');
  return Object.hasOwn(STEP_TYPES, kind) ? `${STEP_TYPES[kind as StepKind].gerund}${nthWords(step)}` : step;
}

/** One entry in words; `null` for what needs no line of its own. */
export function entryWords(event: LoggedEvent, units: Units): string | null {
  switch (event.type) {
    case 'make-started':
      return 'started';
    case 'step-done':
      return `${stepWords(event.data.step)} done`;
    case 'step-skipped':
      return `${stepWords(event.data.step)} skipped`;
    case 'temperature-read':
      return `${units.temperature(event.data.celsius)}${event.data.instrument === 'hand' ? '' : ` (${event.data.instrument}${event.data.rawC === undefined ? '' : `, thermometer read ${units.temperature(event.data.rawC)}`})`}`;
    case 'heat-felt':
      return `${HEAT_CUE_FACTS[event.data.cue].words}, no thermometer`;
    case 'ph-read':
      return `pH ${event.data.ph.toFixed(event.data.instrument === 'strip' ? 1 : 2)} (${event.data.instrument})`;
    case 'titrated':
      return `titratable acidity ${event.data.percent.toFixed(2)} % (${event.data.naohMl} mL lye on ${event.data.sampleG} g)`;
    case 'trace-imported':
      return `${event.data.rows} readings from ${event.data.instrument} (${event.data.fileName})`;
    case 'replanned':
      return `replanned${event.data.why ? `: ${event.data.why}` : ''}`;
    case 'jar-chilled':
      return 'moved a jar to the fridge';
    case 'cue-seen':
      return `${CUE_WORDS[event.data.cue]}${event.data.cleanSmell === true ? ', smells clean and sour' : ''}`;
    case 'milk-poured':
      return `poured ${units.mass(event.data.from.reduce((sum, part) => sum + part.massKg, 0))} from the milk room`;
    case 'starter-added':
      return event.data.massKg === null ? 'starter added' : `starter added, ${units.mass(event.data.massKg)}`;
    case 'weighed':
      return `${event.data.byLevel ? 'by level, about' : 'weighed'} ${units.mass(event.data.massKg)}${event.data.of ? ` of ${event.data.of}` : ''}`;
    case 'stage-seen':
      return { ...STAGE_WORDS, ...GHEE_STAGE_WORDS }[event.data.stage];
    case 'pan-weighed':
      return `pan weighed ${units.mass(event.data.massKg)}`;
    case 'pan-changed':
      return 'changed pan';
    case 'rinsed':
      return event.data.clear ? 'washed, water ran clear' : 'washed once';
    case 'pan-tested':
      return `pan test: ${(((event.data.beforeKg - event.data.afterKg) / event.data.beforeKg) * 100).toFixed(1)} % water`;
    case 'salted':
      return `salted, ${units.mass(event.data.massKg)}`;
    case 'load-begun':
      return `load ${event.data.load} put in the churn`;
    case 'churn-rested':
      return event.data.resting ? 'churn paused' : 'churning again';
    case 'water-poured':
      return `added ${units.volume(event.data.massKg)} of water at ${units.temperature(event.data.celsius)}`;
    case 'iced':
      return `in iced water for ${event.data.minutes} min`;
    case 'flavoured':
      return `flavoured with ${event.data.with === 'dry' ? 'spice' : event.data.with}${event.data.text ? `: ${event.data.text}` : ''}`;
    case 'shaped':
      return `cut: ${piecesWords(event.data.pieces, units)}`;
    case 'drain-weighed':
      return event.data.of === 'whey'
        ? `${units.mass(event.data.massKg)} of whey collected so far`
        : `${units.mass(event.data.massKg)} left in the cloth`;
    case 'whey-returned':
      return `${units.mass(event.data.massKg)} of whey stirred back in`;
    case 'break-tried':
      return event.data.clean ? 'tested: clean break' : 'tested: no clean break yet';
    case 'turned':
      return 'turned';
    case 'tagged':
      return event.data.tags.length === 0 ? 'no tag' : `tags ${event.data.tags.join(', ')}`;
    case 'photographed':
      return `photo, ${stepWords(event.data.step)}`;
    case 'tasted':
      return `tasted: ${tasteWords(event.data)}${event.data.text ? `. ${event.data.text}` : ''}`;
    case 'fault-told':
      return faultWords(event.data);
    case 'noted':
      return event.data.text;
    case 'reserved':
      return `saved ${units.mass(event.data.massKg)} as starter`;
    case 'fed':
      return `fed${nthWords(event.data.step)}${event.data.massKg === null ? '' : `, ${units.mass(event.data.massKg)}`}`;
    case 'split-off':
      return `${Math.round(event.data.share * 100)} % split off`;
    case 'joined':
      return `added ${units.mass(event.data.massKg)} from another batch`;
    case 'finished':
      if (event.data.into !== undefined) return event.data.reason;
      return event.data.verdict === 'kept' ? 'finished' : `discarded. ${event.data.reason}`;
    default:
      return null;
  }
}
