import { souringOf, type Cue, type MakeState } from '@morning-crock/core';
import { useState } from 'react';
import { CUE_WORDS } from '../../charts/curve-data.ts';
import { record } from '../../data/store.ts';
import { CueDrawing } from '../../parts/drawings/CueDrawing.tsx';

/** What is seen of a milk that sours, a tap each; nothing before its starter is in. */
export function PadCues({ state }: { readonly state: MakeState }) {
  const [smells, setSmells] = useState(false);
  const souring = souringOf(state);
  if (state.inoculatedAtMs === null || souring === null || souring.cues.length === 0) return null;
  const seen = (cue: Cue): void =>
    void record(state.id, 'cue-seen', { cue, cleanSmell: smells ? true : null });
  return (
    <div className="above-s">
      <div
        className={`chips ${souring.smellCounts ? 'with-smell' : ''}`}
        role="group"
        aria-label="What you see"
      >
        {souring.smellCounts && (
          <button
            type="button"
            className="chip smell"
            aria-pressed={smells}
            onClick={() => setSmells(!smells)}
          >
            smells clean and sour
          </button>
        )}
        {souring.cues.map((cue) => (
          <button key={cue} type="button" className="chip" onClick={() => seen(cue)}>
            <CueDrawing cue={cue} />
            {CUE_WORDS[cue]}
          </button>
        ))}
      </div>
    </div>
  );
}
