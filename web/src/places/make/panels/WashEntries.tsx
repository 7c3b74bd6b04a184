import type { MakeState } from '@morning-crock/core';
import { record } from '../../../data/store.ts';

/** Soft butter firms in iced water so long, minutes [judgement]. */
export const ICED_MIN = 15;

/** It gets soft under the hands: back into iced water. */
export function Iced({ state }: { readonly state: MakeState }) {
  return (
    <button
      type="button"
      className="chip whole-row"
      onClick={() => void record(state.id, 'iced', { minutes: ICED_MIN })}
    >
      Chill {ICED_MIN} min in iced water
    </button>
  );
}

/** One tap a wash; and a rest in iced water when it gets soft under the hands. */
export function WashEntries({ state }: { readonly state: MakeState }) {
  return (
    <div className="stage-buttons" role="group" aria-label="Washing">
      <button
        type="button"
        className="chip"
        onClick={() => void record(state.id, 'rinsed', { clear: false })}
      >
        Record cloudy wash
      </button>
      <button type="button" className="chip" onClick={() => void record(state.id, 'rinsed', { clear: true })}>
        Record clear wash
      </button>
      <Iced state={state} />
    </div>
  );
}
