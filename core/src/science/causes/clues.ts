import { BUTTER_CLUES } from './butter-clues.ts';
import type { CauseId } from './causes.ts';
import type { Clue } from './clue.ts';
import { CLOSER_LOOKS } from './closer-looks.ts';
import { CURD_CLUES } from './curd-clues.ts';
import { MILK_CLUES } from './milk-clues.ts';

const ALL = { ...MILK_CLUES, ...BUTTER_CLUES, ...CURD_CLUES, ...CLOSER_LOOKS } as const;

/** What can be known of a batch; the ids are stable: logs and scripts keep them. */
export type ClueId = keyof typeof ALL;
export const CLUES: Readonly<Record<ClueId, Clue<CauseId>>> = ALL;
export const CLUE_IDS = Object.keys(ALL) as ClueId[];
