/** Something to be told at a time. Lower rank spoils faster. */
export interface Alarm {
  /** Stable while the make does not change its mind about what this is. */
  readonly id: string;
  readonly dueAtMs: number;
  readonly rank: number;
  readonly mustAct: boolean;
  readonly title: string;
  readonly text: string;
  /** It fills every screen: a few minutes decide. */
  readonly fills?: boolean;
}
