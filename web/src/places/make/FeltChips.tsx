import { HEAT_CUE_FACTS, type HeatCue, type MakeState } from '@morning-crock/core';
import { record } from '../../data/store.ts';

/** What can be told of milk that is warmed, kept hot, or cooled: from the likeliest on. */
const TOLD: Readonly<Record<'up' | 'down' | 'held', readonly HeatCue[]>> = {
  up: ['lukewarm', 'body-warm', 'steams', 'skin', 'rim-bubbles', 'boils'],
  down: ['steams', 'skin', 'ten-seconds', 'body-warm', 'lukewarm', 'cool'],
  held: ['skin', 'rim-bubbles', 'boils'],
};

/** Without a thermometer: what is seen and felt, each a rough reading that moves the curve. */
export function FeltChips({ state }: { readonly state: MakeState }) {
  const facts = state.current?.step.facts;
  if (!facts || facts.inThePot !== 'hot-milk') return null;
  return (
    <div className="above-s">
      <p className="quiet">No thermometer? What you see or feel:</p>
      <div className="chips felt" role="group" aria-label="What you see or feel">
        {TOLD[facts.moves ?? 'held'].map((cue) => (
          <button
            key={cue}
            type="button"
            className="chip"
            onClick={() => void record(state.id, 'heat-felt', { cue })}
          >
            {HEAT_CUE_FACTS[cue].words}
          </button>
        ))}
      </div>
    </div>
  );
}
