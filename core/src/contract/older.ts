import { wakingDone, wakingPlan } from './cultures.ts';
import { EVENT_VERSION } from './entry-version.ts';
import type { DraftEvent, EventType } from './events.ts';
import { FIRST_METHOD } from './methods.ts';
import { makePlanOfWaking, nthStep } from './waking-plan.ts';

/** What was done in a waking, as a make like any other tells it; `null` for what is nothing of a waking. */
function doneBroughtUp(data: unknown): { readonly type: EventType; readonly data: unknown } | null {
  const read = wakingDone.safeParse(data);
  if (!read.success) return null;
  const { feed, did, massKg, typed } = read.data;
  switch (did) {
    case 'fed':
      return { type: 'fed', data: { step: nthStep('feed', feed), massKg, typed } };
    case 'set':
      return { type: 'step-done', data: { step: nthStep('stand', feed) } };
    case 'not-yet':
      return { type: 'cue-seen', data: { cue: 'liquid', cleanSmell: null } };
    case 'rested':
      return { type: 'noted', data: { text: 'Rested in the fridge.' } };
  }
}

/**
 * What the data of an entry of an older version says in the present one. A second time it changes nothing.
 * The first version had one product, made one way; until the third, a waking was told in entries of its own.
 */
export function dataBroughtUp(type: EventType, data: unknown): unknown {
  if (typeof data !== 'object' || data === null) return data;
  if ('did' in data) {
    const done = doneBroughtUp(data);
    return done?.type === type ? done.data : data;
  }
  if (type !== 'make-started' || !('plan' in data)) return data;
  const { plan } = data;
  if (typeof plan !== 'object' || plan === null || 'method' in plan) return data;
  const waking = wakingPlan.safeParse(plan);
  if (waking.success) return { plan: makePlanOfWaking(waking.data) };
  return { ...data, plan: { ...plan, method: FIRST_METHOD } };
}

/** An event as the present version has it; the same one when nothing changes. */
export function broughtUp<E extends DraftEvent>(event: E): E {
  if (event.type === 'waking-done') return { ...event, ...doneBroughtUp(event.data) };
  const type: EventType = event.type === 'waking-started' ? 'make-started' : event.type;
  if (event.version === EVENT_VERSION && type === event.type) return event;
  const data = dataBroughtUp(type, event.data);
  return data === event.data && type === event.type ? event : { ...event, type, data };
}
