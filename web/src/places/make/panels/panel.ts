import type { LiveMake } from '../../../data/use-make.ts';

/** What a panel of a step is drawn from. */
export interface PanelProps {
  readonly live: LiveMake;
  /** The present, to the minute. */
  readonly nowMs: number;
}
