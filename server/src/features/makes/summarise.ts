import { beginsMake, foldMake, daybookLine, NO_FACTS, type TakenGoods } from '@morning-crock/core';
import { makeSummary, type MakeSummary, type StoredEvent } from '@morning-crock/core/contract';

/** A line for a make whose entries are whole but lead to nothing. */
export function unreadableSummary(id: string, events: readonly StoredEvent[]): MakeSummary | null {
  const begun = events.find((e) => beginsMake(e.type));
  if (!begun) return null;
  const { plan } = begun.data as { readonly plan?: { readonly name?: unknown } };
  return {
    id,
    name: typeof plan?.name === 'string' ? plan.name : 'A make',
    startedAt: begun.at,
    finishedAt: null,
    status: 'unreadable',
    doNotEat: false,
    waking: begun.type === 'waking-started',
    product: null,
    methodId: null,
    litres: 0,
    milk: '',
    starter: '',
    forecastSetH: [null, null, null],
    seenSetH: null,
    yieldKg: null,
    sourness: null,
    texture: null,
    note: null,
    churned: null,
    ...NO_FACTS,
  };
}

/** One make as a line of the Daybook; `null` when there is nothing to show. Whatever is stored, this does not fail. */
export function summarise(
  makeId: string,
  events: readonly StoredEvent[],
  taken: readonly TakenGoods[] = [],
): MakeSummary | null {
  try {
    const state = foldMake(makeId, events);
    if (!state) return null;
    const summary = makeSummary.safeParse(daybookLine(state, taken));
    if (summary.success) return summary.data;
  } catch {
    // Told by its own line, with its entries to take away.
  }
  return unreadableSummary(makeId, events);
}
