import { CAUSES, COMPLAINTS } from '@morning-crock/core';
import type { FaultTold } from '@morning-crock/core/contract';

/** What is said where no known cause fits. */
export const NO_CAUSE = 'None of the known causes fits';

/** A complaint as an entry of the log: what it was, and what it turned out to be. */
export function faultWords({ complaint, settled }: FaultTold): string {
  const what = `what went wrong: ${COMPLAINTS[complaint].label.toLowerCase()}`;
  if (settled === null) return what;
  return `${what}. ${settled === 'none' ? NO_CAUSE : CAUSES[settled].title}`;
}
