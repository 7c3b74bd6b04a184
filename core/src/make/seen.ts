import type { AcidityEntry, MakeState } from './state.ts';

/** A measured pH of this or less stands for a set curd. */
const SET_READ_PH = 4.6;

/** What an entry says of the set: `null` when it takes nothing back and adds nothing, as a curd that trembles. */
function saysSet({ reading }: AcidityEntry): boolean | null {
  if (reading.kind === 'ph') return reading.ph <= SET_READ_PH ? true : null;
  if (reading.cue === 'set' || reading.cue === 'whey-shows') return true;
  return reading.cue === 'liquid' ? false : null;
}

/**
 * When somebody first saw it set, ms since 1970; `null` when nobody did. What was seen counts more than any forecast,
 * and milk that is seen liquid after it was not set.
 */
export function seenSetMs(state: Pick<MakeState, 'acidity' | 'inoculatedAtMs'>): number | null {
  if (state.inoculatedAtMs === null) return null;
  let since: number | null = null;
  for (const entry of state.acidity) {
    const says = saysSet(entry);
    if (says === false) since = null;
    else if (says === true) since ??= entry.atMs;
  }
  return since;
}
