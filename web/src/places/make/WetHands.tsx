import {
  CHURN_STAGES,
  doneWordsOf,
  GHEE_STAGE_WORDS,
  GHEE_STAGES,
  markWords,
  saltWantedKg,
  showsSet,
  souringOf,
  STAGE_WORDS,
  stagesOfLoad,
  type ChurnStage,
  type Cue,
  type GheeStage,
  type MakeState,
} from '@morning-crock/core';
import { now } from '../../data/clock.ts';
import { completeStep } from '../../data/complete-step.ts';
import { record } from '../../data/store.ts';
import type { LiveMake } from '../../data/use-make.ts';
import type { Units } from '../../data/units-of.ts';
import { useUnits } from '../../data/use-units.ts';
import { ICED_MIN } from './panels/WashEntries.tsx';

/** What is told most of a step, two things at most, when they are not cues of a souring. */
function wetButtons(state: MakeState, units: Units): readonly WetButton[] | null {
  const { tells } = state.current?.step.facts ?? {};
  if (tells === 'stages') {
    const say = (stage: ChurnStage): WetButton => ({
      words: STAGE_WORDS[stage],
      say: () => void record(state.id, 'stage-seen', { stage }),
    });
    const last = stagesOfLoad(state).at(-1)?.stage;
    const next = last ? CHURN_STAGES.indexOf(last) + 1 : 0;
    const [first = 'easier', second = 'lump'] = CHURN_STAGES.slice(next).filter((s) => s !== 'broken');
    return [say(first), say(second)];
  }
  if (tells === 'pan') {
    const last = state.panStages.at(-1)?.stage;
    const next = GHEE_STAGES.slice(last ? GHEE_STAGES.indexOf(last) + 1 : 0);
    const say = (stage: GheeStage): WetButton => ({
      words: GHEE_STAGE_WORDS[stage],
      say: () => void record(state.id, 'stage-seen', { stage }),
    });
    return [say(next[0] ?? 'brown'), say(next[1] ?? 'brown')];
  }
  const iced: WetButton = {
    words: `Chill ${ICED_MIN} min in iced water`,
    say: () => void record(state.id, 'iced', { minutes: ICED_MIN }),
  };
  if (tells === 'salt') {
    const saltKg = saltWantedKg(state, now());
    if (saltKg === null) return [iced];
    const salt: WetButton = {
      words: `Mark ${units.mass(saltKg)} salt as added`,
      say: () =>
        void record(state.id, 'salted', {
          massKg: saltKg,
          typed: { value: Math.round(saltKg * 10_000) / 10, unit: 'g' },
        }),
    };
    return [salt, iced];
  }
  const step = state.current?.step.id ?? '';
  if (tells === 'break')
    return [
      {
        words: 'Record no clean break',
        say: () => void record(state.id, 'break-tried', { step, clean: false }),
      },
    ];
  if (tells === 'turns')
    return [{ words: 'Mark as turned', say: () => void record(state.id, 'turned', { step }) }];
  if (tells !== 'rinses') return null;
  const say = (clear: boolean): WetButton => ({
    words: clear ? 'Record clear wash' : 'Record cloudy wash',
    say: () => void record(state.id, 'rinsed', { clear }),
  });
  return [say(false), say(true)];
}
interface WetButton {
  readonly words: string;
  readonly say: () => void;
}

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
