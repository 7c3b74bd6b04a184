import type { Cue } from '../science/souring/index.ts';
import { markPh } from '../steps/index.ts';
import type { AcidityEntry } from './fold-acidity.ts';
import { acidityNow, souringOf, type MakeState } from './state.ts';

/** Cues that say it is not set, and those that say it is; what is between takes nothing back and adds nothing. */
const NOT_SET: ReadonlySet<Cue> = new Set(['liquid', 'runs']);
const IS_SET: ReadonlySet<Cue> = new Set(['set', 'whey-shows', 'thick', 'dollop', 'curdled']);

/** What an entry says of the set: `null` when it takes nothing back and adds nothing, as a curd that trembles. */
function saysSet({ reading }: AcidityEntry, setPh: number): boolean | null {
  if (reading.kind === 'ph') return reading.ph <= setPh ? true : null;
  if (IS_SET.has(reading.cue)) return true;
  return NOT_SET.has(reading.cue) ? false : null;
}

/** Whether a cue says that it is set, or thick. */
export const showsSet = (cue: Cue): boolean => IS_SET.has(cue);

/**
 * When somebody first saw it set, ms since 1970; `null` when nobody did. What was seen counts more than any forecast,
 * and milk that is seen liquid after it was not set.
 */
export function seenSetMs(
  state: Pick<MakeState, 'acidity' | 'inoculatedAtMs' | 'steps' | 'plan' | 'roundFromMs' | 'joined'>,
): number | null {
  const souring = souringOf(state);
  const setPh = souring && markPh(souring, state.plan, 'body');
  if (state.inoculatedAtMs === null || setPh === null) return null;
  let since: number | null = null;
  for (const entry of acidityNow(state)) {
    const says = saysSet(entry, setPh);
    if (says === false) since = null;
    else if (says === true) since ??= entry.atMs;
  }
  return since;
}
