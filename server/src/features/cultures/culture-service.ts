import {
  applyToCultures,
  begunWith,
  copyCultures,
  CULTURE_EVENTS,
  openCultures,
  type CultureDraft,
  type Cultures,
} from '@morning-crock/core';
import type { DraftEvent } from '@morning-crock/core/contract';
import { AppError } from '../../plugins/errors.ts';
import { createRegister } from '../events/register.ts';

/** Every kitchen's cultures, folded from its log. */
export const cultureRegister = createRegister<CultureDraft>({
  types: CULTURE_EVENTS,
  open: openCultures,
  apply: applyToCultures,
  copy: copyCultures,
  kept: 'cultures',
});

/**
 * Refuses a make begun with a culture that is gone or shows a sign of contamination.
 * @throws AppError
 */
export function checkCultureOf(all: Cultures, draft: DraftEvent): void {
  const begun = begunWith(draft);
  const culture = begun && all.cultures.get(begun.id);
  if (!culture) return;
  const refuse = (message: string): never => {
    throw new AppError('bad-input', [{ path: begun.path, message }]);
  };
  if (culture.gone) refuse(`${culture.name} was discarded`);
  if (culture.signs.length > 0) refuse(`${culture.name} shows a sign of contamination. Discard it`);
}
