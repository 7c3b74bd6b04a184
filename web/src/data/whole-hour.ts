import { HOUR_MS } from '@morning-crock/core';

/** The hour an instant lies in, as an instant: what is worked out from it stays while a page is read. */
export const wholeHour = (ms: number): string => new Date(Math.floor(ms / HOUR_MS) * HOUR_MS).toISOString();
