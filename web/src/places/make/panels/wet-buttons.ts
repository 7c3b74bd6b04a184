import {
  CHURN_STAGES,
  GHEE_STAGE_WORDS,
  GHEE_STAGES,
  makeAt,
  PAN_TOLD,
  saltWantedKg,
  STAGE_WORDS,
  stagesOfLoad,
  told,
  type ChurnStage,
  type GheeStage,
  type MakeState,
} from '@morning-crock/core';
import type { StepKind } from '@morning-crock/core/contract';
import { now } from '../../../data/clock.ts';
import { record } from '../../../data/store.ts';
import type { Units } from '../../../data/units-of.ts';
import { ICED_MIN } from './WashEntries.tsx';

export interface WetButton {
  readonly words: string;
  readonly say: () => void;
}
type Buttons = (state: MakeState, units: Units) => readonly WetButton[];

/** The next two stages of a churning but its break, which the large button says. */
const stages: Buttons = (state) => {
  const say = (stage: ChurnStage): WetButton => ({
    words: STAGE_WORDS[stage],
    say: () => void record(state.id, 'stage-seen', { stage }),
  });
  const last = stagesOfLoad(state).at(-1)?.stage;
  const next = last ? CHURN_STAGES.indexOf(last) + 1 : 0;
  const [first = 'easier', second = 'lump'] = CHURN_STAGES.slice(next).filter((s) => s !== 'broken');
  return [say(first), say(second)];
};

const pan: Buttons = (state) => {
  const last = told(state, PAN_TOLD).stages.at(-1)?.stage;
  const next = GHEE_STAGES.slice(last ? GHEE_STAGES.indexOf(last) + 1 : 0);
  const say = (stage: GheeStage): WetButton => ({
    words: GHEE_STAGE_WORDS[stage],
    say: () => void record(state.id, 'stage-seen', { stage }),
  });
  return [say(next[0] ?? 'brown'), say(next[1] ?? 'brown')];
};

const working: Buttons = (state, units) => {
  const iced: WetButton = {
    words: `Chill ${ICED_MIN} min in iced water`,
    say: () => void record(state.id, 'iced', { minutes: ICED_MIN }),
  };
  const saltKg = saltWantedKg(makeAt(state, now()));
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
};

const tries: Buttons = ({ id, current }) => [
  {
    words: 'Record no clean break',
    say: () => void record(id, 'break-tried', { step: current?.step.id ?? '', clean: false }),
  },
];
const turns: Buttons = ({ id, current }) => [
  { words: 'Mark as turned', say: () => void record(id, 'turned', { step: current?.step.id ?? '' }) },
];
const washes: Buttons = ({ id }) =>
  [false, true].map((clear) => ({
    words: clear ? 'Record clear wash' : 'Record cloudy wash',
    say: () => void record(id, 'rinsed', { clear }),
  }));

const BY_KIND: Readonly<Partial<Record<StepKind, Buttons>>> = {
  churn: stages,
  clarify: pan,
  work: working,
  coagulate: tries,
  press: turns,
  dry: turns,
  age: turns,
  freeze: turns,
  wash: washes,
};

/** What is told most of the present step, two things at most, when they are not cues of a souring; `null` where nothing is. */
export function wetButtons(state: MakeState, units: Units): readonly WetButton[] | null {
  const kind = state.current?.step.kind;
  return (kind && BY_KIND[kind]?.(state, units)) ?? null;
}
