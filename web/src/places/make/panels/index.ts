import type { MakeState } from '@morning-crock/core';
import type { StepKind } from '@morning-crock/core/contract';
import type { ComponentType } from 'react';
import { ChurnPanel } from './ChurnPanel.tsx';
import { FeedPanel } from './FeedPanel.tsx';
import { MakeReady } from './MakeReady.tsx';
import { PanPanel } from './PanPanel.tsx';
import type { PanelProps } from './panel.ts';
import { TemperPanel } from './TemperPanel.tsx';
import { TooLong } from './TooLong.tsx';
import { WashPanel } from './WashPanel.tsx';
import { AtTheBreak } from './AtTheBreak.tsx';
import { DrainPanel } from './DrainPanel.tsx';
import { SetPanel } from './SetPanel.tsx';
import { WheelPanel } from './WheelPanel.tsx';
import { WorkPanel } from './WorkPanel.tsx';

type Panels = Readonly<Partial<Record<StepKind, ComponentType<PanelProps>>>>;

/** The picture of a kind of step; one that has none of its own shows the curve of the make. */
const PANELS: Panels = {
  'take-out': TemperPanel,
  temper: TemperPanel,
  churn: ChurnPanel,
  drain: ChurnPanel,
  wash: WashPanel,
  work: WorkPanel,
  feed: FeedPanel,
  clarify: PanPanel,
  settle: PanPanel,
  filter: PanPanel,
  strain: DrainPanel,
  coagulate: SetPanel,
  press: WheelPanel,
  brine: WheelPanel,
  dry: WheelPanel,
  age: WheelPanel,
};
/** What stands under the curve of a kind of step. */
const UNDER: Panels = { stand: FeedPanel, churn: TooLong, 'take-out': MakeReady, drain: AtTheBreak };

/** The picture of the present step in the curve's place. Butter is weighed on its board; what else is weighed has no picture. */
export function panelOf({ current, steps }: MakeState): ComponentType<PanelProps> | undefined {
  // All done, it lies as the last of its steps left it.
  const kind = current?.step.kind ?? steps.at(-1)?.step.kind;
  if (kind === 'weigh') return steps.some(({ step }) => step.kind === 'work') ? WorkPanel : undefined;
  return kind && PANELS[kind];
}

export const underOf = ({ current }: MakeState): ComponentType<PanelProps> | undefined =>
  current ? UNDER[current.step.kind] : undefined;
