import { feedRows } from '@morning-crock/core';
import { FeedTable } from '../../../parts/tables/FeedTable.tsx';
import type { PanelProps } from './panel.ts';

/** All feeds of a waking with their times, the one that is on marked. */
export function FeedPanel({ live: { state, forecast }, nowMs }: PanelProps) {
  return <FeedTable rows={feedRows(state.steps, forecast.point.steps, state.fed)} nowMs={nowMs} />;
}
