import {
  markBand,
  markWords,
  seenSetMs,
  souringOf,
  type BandForecast,
  type MakeState,
} from '@morning-crock/core';
import type { InstantBand } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';

/** The set of a make: what was seen stands with its time, what was not is forecast, what nobody saw is said so. */
export function setWords(
  state: MakeState,
  forecast: BandForecast,
  units: Units,
  nowMs: number,
): { readonly label: string; readonly value: string } {
  const seenMs = seenSetMs(state);
  const mark = markWords(state, 'body');
  const set = markBand(forecast, 'body');
  if (seenMs !== null) return { label: `${mark} (seen)`, value: units.time(seenMs, nowMs) };
  if (state.chilledAtMs !== null) return { label: mark, value: 'not checked' };
  return { label: `${mark} (about)`, value: units.span(set.p10, set.p90, nowMs) };
}

/** How it stands: as it was tasted; a set that was seen is no pourable milk, however soft the model has it. */
export function firmnessWords(state: MakeState, { point }: BandForecast): string {
  if (state.tasting?.texture) return `${state.tasting.texture} (tasted)`;
  const souring = souringOf(state);
  if (!souring) return '';
  const seen = state.acidity.flatMap(({ reading }) =>
    reading.kind === 'cue' ? (souring.leastBody?.[reading.cue] ?? 0) : 0,
  );
  const word = souring.bodyWord(Math.max(point.firmness, ...seen));
  return !souring.leastBody && seenSetMs(state) !== null && (word === 'thin' || word === 'pourable')
    ? 'a soft set'
    : `probably ${word}`;
}

/** A time that is foreseen, or since when it is over. @param words what is then. @example 'ready 14:30–17:15', 'ready since about 15:40' */
export const spanWords = (
  words: string,
  { p10, p50, p90 }: InstantBand,
  units: Units,
  nowMs: number,
): string =>
  p50 !== null && p90 !== null && p90 <= nowMs
    ? `${words} since about ${units.time(p50, nowMs)}`
    : `${words} ${units.span(p10, p90, nowMs)}`;

/** When it is as sour as was wanted; what was seen set is on its way from set to that. Goes on in a sentence. */
export function readyWords(state: MakeState, forecast: BandForecast, units: Units, nowMs: number): string {
  const words = seenSetMs(state) === null ? 'ready' : 'sour enough';
  return spanWords(words, markBand(forecast, 'ready'), units, nowMs);
}
