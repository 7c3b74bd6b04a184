import { BUTTER_CAUSES } from './butter-causes.ts';
import type { Cause } from './clue.ts';
import { CURD_CAUSES } from './curd-causes.ts';
import { MILK_CAUSES } from './milk-causes.ts';

const ALL = { ...MILK_CAUSES, ...BUTTER_CAUSES, ...CURD_CAUSES } as const;

/** What may be behind a fault; the ids are stable: logs and scripts keep them. */
export type CauseId = keyof typeof ALL;
export const CAUSES: Readonly<Record<CauseId, Cause>> = ALL;
export const CAUSE_IDS = Object.keys(ALL) as CauseId[];
