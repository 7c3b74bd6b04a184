import {
  applyToCultures,
  copyCultures,
  cultureFault,
  culturesBegunBy,
  CULTURE_EVENTS,
  foldCultures,
  isUsed,
  type CultureDraft,
  type Cultures,
} from '@morning-crock/core';
import type { DraftEvent, StoredEvent } from '@morning-crock/core/contract';
import { AppError } from '../../plugins/errors.ts';
import { createRegister } from '../events/register.ts';

/** Every kitchen's cultures, folded from its log. */
export const cultureRegister = createRegister<CultureDraft>({
  types: CULTURE_EVENTS,
  fold: foldCultures,
  apply: applyToCultures,
  copy: copyCultures,
});

/** The culture a make or a waking is begun with. */
function begunWith(draft: DraftEvent): { readonly id: string; readonly path: string } | null {
  if (draft.type === 'make-started') {
    const id = draft.data.plan.starter.cultureId;
    return id === undefined ? null : { id, path: 'data.plan.starter.cultureId' };
  }
  if (draft.type === 'waking-started') {
    const id = draft.data.plan.cultureId;
    return id === null ? null : { id, path: 'data.plan.cultureId' };
  }
  return null;
}

export const touchesCultures = (draft: DraftEvent): boolean =>
  draft.type === 'culture-changed' || begunWith(draft) !== null;

/**
 * Refuses what cannot have happened to a culture, and a make begun with one that is gone or shows a sign of
 * contamination.
 * @throws AppError
 */
export function checkCultures(all: Cultures, draft: DraftEvent): void {
  if (draft.type === 'culture-changed') {
    const fault = cultureFault(all, draft.streamId, draft.data, Date.parse(draft.at));
    if (fault) throw new AppError('bad-input', [fault]);
    return;
  }
  const begun = begunWith(draft);
  if (!begun) return;
  const culture = all.cultures.get(begun.id);
  const refuse = (message: string): never => {
    throw new AppError('bad-input', [{ path: begun.path, message }]);
  };
  if (!culture) return void refuse('there is no such culture');
  if (culture.gone) refuse(`${culture.name} was discarded`);
  if (culture.signs.length > 0) refuse(`${culture.name} shows a sign of contamination: discard it`);
}

/**
 * Refuses to undo what others have built on.
 * @throws AppError when a culture that began with the entry was used since
 */
export function checkCultureUndo(all: Cultures, aim: StoredEvent): void {
  const begun =
    aim.type === 'culture-changed'
      ? culturesBegunBy(aim.streamId, aim.data)
      : aim.type === 'reserved'
        ? [aim.id]
        : [];
  if (begun.some((id) => isUsed(all, id))) throw new AppError('in-use');
}
