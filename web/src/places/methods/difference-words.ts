import type { Difference, Told } from '@morning-crock/core';
import type { StepInstance } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';
import { STEP_TITLES } from '../../parts/words/entry-words.ts';
import { fieldUnit } from './field-units.ts';

/** A label within a sentence; what is written in capitals stays so. */
const lowered = (label: string): string =>
  /^[A-Z]{2}/.test(label) ? label : `${label.charAt(0).toLowerCase()}${label.slice(1)}`;
const titleOf = (step: StepInstance): string => (step.kind === 'own' ? step.title : STEP_TITLES[step.kind]);

function toldWords(told: Told, units: Units): string {
  if (told === null) return 'not set';
  if ('words' in told) return told.words;
  const unit = fieldUnit(told.unit, units);
  const value = String(Number(unit.shown(told.value).toPrecision(3)));
  if (told.unit === 'none') return value;
  return `${value} ${unit.label}`;
}

/** One thing that is different, in words and in the kitchen's own measures. @example "Drain, thickness: 6 % → 8 %" */
export function differenceWords(difference: Difference, units: Units): string {
  if (difference.is === 'order') return 'Different order';
  const { step } = difference;
  if (difference.is !== 'changed')
    return `${difference.is === 'with' ? 'With' : 'Without'}: ${titleOf(difference.step)}`;
  const { label, from, to } = difference;
  const about = step ? `${titleOf(step)}, ${lowered(label)}` : label;
  return `${about}: ${toldWords(from, units)} → ${toldWords(to, units)}`;
}
