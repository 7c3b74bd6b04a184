import {
  CHANGE_WORD,
  clockTime,
  cultureReplay,
  EVENT_FACTS,
  LARDER_WORD,
  larderReplay,
  localDate,
  milkReplay,
  MOVEMENT_WORD,
  takesOut,
  type Broken,
  type Register,
} from '@morning-crock/core';
import type { DraftEvent, EventType, KitchenSettings, StoredEvent } from '@morning-crock/core/contract';
import { AppError } from '../../plugins/errors.ts';
import { checkCultureOf, cultureRegister } from '../cultures/culture-service.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { larderRegister } from '../larder/larder-service.ts';
import { checkPlannedMilk, milkRegister } from '../milk/milk-service.ts';
import type { LogWriter } from './event-log.ts';
import type { StreamFacts } from './stream-facts.ts';

/** Whether a register may have something to say of an entry. */
const checkedBy = (type: EventType, register: Register): boolean =>
  EVENT_FACTS[type].checkedBy?.includes(register) === true;

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The lots and cultures that an entry names, and what kind of entry it is: a correction leaves them alone. */
function identitiesOf(data: unknown): string {
  if (!isRecord(data)) return '';
  const named = Object.entries(data).flatMap(([key, value]) => {
    if (key === 'lotId' || key === 'makeId' || key === 'code' || key === 'cultureId' || key === 'with')
      return [`${key}=${JSON.stringify(value)}`];
    const inside = isRecord(value) ? identitiesOf(value) : '';
    return inside === '' ? [] : [`${key}(${inside})`];
  });
  return named.sort().join();
}

/** @throws AppError when a correction makes another entry of it */
function checkSameEntry(draft: DraftEvent, aim: StoredEvent): void {
  if (draft.type !== 'corrected' || !EVENT_FACTS[aim.type].named) return;
  const { data } = draft.data;
  if (data['kind'] !== (aim.data as { kind?: unknown }).kind)
    throw new AppError('bad-input', [
      { path: 'data.data.kind', message: 'cannot be changed into another kind of entry' },
    ]);
  if (identitiesOf(data) !== identitiesOf(aim.data))
    throw new AppError('bad-input', [
      {
        path: 'data.data',
        message: 'must be about the same lots, cultures or goods as the entry it corrects',
      },
    ]);
}

/** "Skimmed", or what a make begun with it is called. */
function wordsOf(event: DraftEvent): string {
  if (event.type === 'milk-moved') return MOVEMENT_WORD[event.data.kind];
  if (event.type === 'culture-changed') return CHANGE_WORD[event.data.kind];
  if (event.type === 'larder-moved') return LARDER_WORD[event.data.kind];
  if (event.type === 'make-started' || event.type === 'waking-started')
    return `${event.data.plan.name}, started`;
  return 'Poured into a batch';
}

/** A milking that only the months know of: nothing is taken from it. */
const forRecord = (event: DraftEvent): boolean =>
  event.type === 'milk-moved' && event.data.kind === 'intake' && event.data.forRecord;

function refusal(draft: DraftEvent, { event, fault }: Broken, settings: KitchenSettings): AppError {
  if (event.id === draft.id) return new AppError('bad-input', [fault]);
  if (draft.type === 'corrected' && event.id === draft.data.target)
    return new AppError('bad-input', [
      { ...fault, path: fault.path.startsWith('data') ? `data.${fault.path}` : 'data.at' },
    ]);
  const { zone } = settings.site;
  const atMs = Date.parse(event.at);
  return new AppError('in-use', [
    {
      path: draft.type === 'voided' || draft.type === 'corrected' ? 'data.target' : 'at',
      message: `would contradict a later entry: ${wordsOf(event)}, ${localDate(zone, atMs)} ${clockTime(zone, atMs)} (${fault.message})`,
    },
  ]);
}

/** Checks that need more than the event's own stream: what is in the milk room, which cultures there are. */
export function createRegisterChecks(log: LogWriter, kitchenId: string) {
  const milk = milkRegister.within(log, kitchenId);
  const cultures = cultureRegister.within(log, kitchenId);
  const larder = larderRegister.within(log, kitchenId);
  return {
    appended(event: StoredEvent): void {
      milk.appended(event);
      cultures.appended(event);
      larder.appended(event);
    },
    /**
     * Refuses what cannot have happened, and the change of an entry that others were built on.
     * @param stream the entry's own
     * @throws AppError
     */
    async check(draft: DraftEvent, stream: StreamFacts): Promise<void> {
      const aim =
        draft.type === 'voided' || draft.type === 'corrected' ? await stream.root(draft.data.target) : null;
      if (aim) checkSameEntry(draft, aim);
      const { type } = aim ?? draft;
      const ofMilk = checkedBy(type, 'milk') || (aim !== null && EVENT_FACTS[type].gives);
      const ofLarder =
        checkedBy(type, 'larder') ||
        (aim !== null &&
          EVENT_FACTS[type].gives === true &&
          EVENT_FACTS[type].feeds?.includes('larder') === true);
      if (!ofMilk && !ofLarder && !checkedBy(type, 'cultures')) return;
      const { settings } = await readKitchen(log.manager, kitchenId);
      const system = settings.units.measures;
      const broken =
        (ofMilk &&
          (await milk.broken(draft, { replay: milkReplay(system), stands: takesOut, apart: forRecord }))) ||
        (ofLarder && (await larder.broken(draft, { replay: larderReplay(system) }))) ||
        (checkedBy(type, 'cultures') && (await cultures.broken(draft, { replay: cultureReplay })));
      if (broken) throw refusal(draft, broken, settings);
      if (draft.type === 'make-started') checkPlannedMilk(await milk.get(), draft, system);
      checkCultureOf(await cultures.get(), draft);
    },
  };
}
