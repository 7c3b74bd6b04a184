import { souringOf, type MakeState, type Said } from '@morning-crock/core';
import { useState } from 'react';
import { CUE_WORDS } from '../../charts/curve-data.ts';
import { CueDrawing } from '../../parts/drawings/CueDrawing.tsx';

/** What you see, named: as in a batch in earnest. */
export function SeenCues({
  state,
  onSay,
}: {
  readonly state: MakeState;
  readonly onSay: (said: Said) => void;
}) {
  const souring = souringOf(state);
  const [smells, setSmells] = useState(true);
  if (!souring || state.inoculatedAtMs === null || souring.cues.length === 0) return null;
  return (
    <div className="hands-group" role="group" aria-label="What you see">
      <span className="quiet">What you see</span>
      <div className="hands">
        {souring.smellCounts && (
          <button type="button" className="hand" aria-pressed={smells} onClick={() => setSmells(!smells)}>
            smells clean and sour
          </button>
        )}
        {souring.cues.map((cue) => (
          <button
            key={cue}
            type="button"
            className="hand"
            onClick={() =>
              onSay({ type: 'cue-seen', data: { cue, cleanSmell: souring.smellCounts ? smells : null } })
            }
          >
            <CueDrawing cue={cue} />
            {CUE_WORDS[cue]}
          </button>
        ))}
      </div>
    </div>
  );
}
