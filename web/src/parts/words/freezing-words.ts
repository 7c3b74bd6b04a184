import type { FreezingMachine } from '@morning-crock/core/contract';

/** What frozen yogurt may be churned in, as it is chosen. */
export const MACHINE_LABEL: Readonly<Record<FreezingMachine, string>> = {
  'frozen-bowl': 'bowl frozen beforehand',
  compressor: 'machine that cools by itself',
  'ice-and-salt': 'tub with ice and salt',
};
