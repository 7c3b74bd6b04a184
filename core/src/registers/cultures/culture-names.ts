import type { CultureChange } from '../../contract/index.ts';

/** What happened to a culture, as the maker entered it. */
export const CHANGE_WORD: Readonly<Record<CultureChange['kind'], string>> = {
  'taken-in': 'Culture added',
  split: 'Split',
  merge: 'Merged',
  freeze: 'Frozen',
  revive: 'Revived',
  put: 'Moved',
  feed: 'Fed',
  weigh: 'Weighed',
  sign: 'Sign noted',
  discard: 'Discarded',
  rename: 'Renamed',
};
