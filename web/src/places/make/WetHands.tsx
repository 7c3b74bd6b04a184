import { doneWordsOf, markWords, showsSet, souringOf, type Cue, type MakeState } from '@morning-crock/core';
import { completeStep } from '../../data/complete-step.ts';
import { record } from '../../data/store.ts';
import type { LiveMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';
import { wetButtons, type WetButton } from './panels/wet-buttons.ts';

/** What eye and spoon tell of a souring, most of all: it is set, or it is not. */
function souringButtons(state: MakeState): readonly WetButton[] {
  const souring = souringOf(state);
  const incubating = state.inoculatedAtMs !== null && state.chilledAtMs === null;
  if (!souring || souring.cues.length === 0 || !incubating) return [];
  const notSet = souring.cues[0] ?? 'liquid';
  const say = (cue: Cue) => (): void => void record(state.id, 'cue-seen', { cue, cleanSmell: null });
  return [
    {
      words: `Mark as ${markWords(state, 'body').toLowerCase()}`,
      say: say(souring.cues.find(showsSet) ?? 'set'),
    },
    { words: notSet === 'liquid' ? 'Mark as still liquid' : 'Mark as runny', say: say(notSet) },
  ];
}

/** Four large buttons at most for wet hands: only what applies to the step a make is at. */
export function WetHands({ live, onLeave }: { readonly live: LiveMake; readonly onLeave: () => void }) {
  const { state } = live;
  const units = useUnits();
  return (
    <div className="wet">
      <button
        type="button"
        className="first"
        onClick={() => void completeStep(state)}
        disabled={!state.current}
      >
        {doneWordsOf(state) ?? 'All done'}
      </button>
      {(wetButtons(state, units) ?? souringButtons(state)).map(({ words, say }) => (
        <button key={words} type="button" onClick={say}>
          {words}
        </button>
      ))}
      <button type="button" onClick={onLeave}>
        Leave wet-hands mode
      </button>
    </div>
  );
}
