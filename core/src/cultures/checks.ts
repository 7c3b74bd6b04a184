import type { CultureChange } from '../contract/index.ts';
import type { Cultures } from './register.ts';

/** What is wrong with an entry about a culture, and where. */
export interface CultureFault {
  readonly path: string;
  readonly message: string;
}

/** Whether an entry makes sense with what the register holds; `null` when it does. */
export function cultureFault(
  all: Cultures,
  cultureId: string,
  data: CultureChange,
  atMs: number,
): CultureFault | null {
  const own = all.cultures.get(cultureId);
  if (data.kind === 'taken-in')
    return own ? { path: 'streamId', message: 'this culture was taken in before' } : null;
  if (!own) return { path: 'streamId', message: 'there is no such culture' };
  if (atMs < own.bornMs) return { path: 'at', message: `is before ${own.name} was there` };
  if (own.gone && data.kind !== 'rename') return { path: 'data.kind', message: `${own.name} was discarded` };
  switch (data.kind) {
    case 'split':
      return all.cultures.has(data.into.cultureId)
        ? { path: 'data.into.cultureId', message: 'is a culture already' }
        : null;
    case 'merge': {
      const missing = data.with.findIndex((id) => !all.cultures.has(id));
      if (missing >= 0) return { path: `data.with.${missing}`, message: 'there is no such culture' };
      if (data.with.includes(cultureId)) return { path: 'data.with', message: 'is the same culture' };
      return all.cultures.has(data.into.cultureId)
        ? { path: 'data.into.cultureId', message: 'is a culture already' }
        : null;
    }
    case 'freeze':
      return own.stays.at(-1)!.place === 'freezer'
        ? { path: 'data.kind', message: `${own.name} is in the freezer` }
        : null;
    default:
      return null;
  }
}

/** Cultures that began with an entry. */
export function culturesBegunBy(cultureId: string, data: CultureChange): string[] {
  if (data.kind === 'taken-in') return [cultureId];
  return data.kind === 'split' || data.kind === 'merge' ? [data.into.cultureId] : [];
}

/** Whether anything came of a culture, or happened to it, since. */
export function isUsed(all: Cultures, cultureId: string): boolean {
  const own = all.cultures.get(cultureId);
  if (!own) return false;
  return (
    own.makes.length > 0 ||
    own.gone !== null ||
    [...all.cultures.values()].some((c) => c.parents.includes(cultureId))
  );
}
