import { panMoisture, type Flavouring } from '../science/butter/index.ts';
import { instantOf } from '../log/index.ts';
import { entriesOf, type Told } from './told.ts';

/** What was told of the washes of butter grains. */
export interface WashTold {
  readonly rinses: readonly { readonly clear: boolean; readonly atMs: number }[];
}
export const WASH_TOLD: Told<WashTold> = {
  reduce: (events) => ({
    rinses: entriesOf(events, 'rinsed').map((event) => ({
      clear: event.data.clear,
      atMs: instantOf(event),
    })),
  }),
};

/** Salt that went in, kg; `null` when nobody salted it. */
export const SALT_TOLD: Told<number | null> = {
  reduce: (events) => {
    const salted = entriesOf(events, 'salted');
    return salted.length === 0 ? null : salted.reduce((sum, { data }) => sum + data.massKg, 0);
  },
};

/** What was told of butter that is worked: its water, what was mixed in, how it was cut or moulded the last time. */
export interface WorkTold {
  /** By the last pan test, 0..1; `null` when nobody made one. */
  readonly moistureFraction: number | null;
  readonly flavours: readonly { readonly with: Flavouring; readonly text: string }[];
  readonly pieces: readonly { readonly count: number; readonly massKg: number }[];
}
export const WORK_TOLD: Told<WorkTold> = {
  reduce: (events) => {
    const tested = entriesOf(events, 'pan-tested').at(-1);
    return {
      moistureFraction: tested ? panMoisture(tested.data.beforeKg, tested.data.afterKg) : null,
      flavours: entriesOf(events, 'flavoured').map(({ data }) => data),
      pieces: entriesOf(events, 'shaped').at(-1)?.data.pieces ?? [],
    };
  },
};
