import type { StepKind } from '@morning-crock/core/contract';
import type { ComponentType } from 'react';
import { ChurnPanel } from './ChurnPanel.tsx';
import type { PanelProps } from './panel.ts';
import { TemperPanel } from './TemperPanel.tsx';
import { WashPanel } from './WashPanel.tsx';
import { WorkPanel } from './WorkPanel.tsx';

/** The picture of a kind of step; one that has none of its own shows the curve of the make. */
export const PANELS: Readonly<Partial<Record<StepKind, ComponentType<PanelProps>>>> = {
  'take-out': TemperPanel,
  temper: TemperPanel,
  churn: ChurnPanel,
  drain: ChurnPanel,
  wash: WashPanel,
  work: WorkPanel,
  weigh: WorkPanel,
};
