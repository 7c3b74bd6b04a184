import {
  HEAT_CUE_FACTS,
  measured,
  powderIn,
  STARTER_FACTS,
  workOf,
  type Act,
  type Instrument,
  type Said,
  type Work,
} from '@morning-crock/core';
import {
  PRACTICE_FLAMES,
  PRACTICE_PLACES,
  type PracticeBath,
  type PracticePlace,
} from '@morning-crock/core/contract';
import { useState } from 'react';
import { useNow } from '../../data/clock.ts';
import type { Units } from '../../data/units-of.ts';
import { useUnits } from '../../data/use-units.ts';
import { BATH_WORDS, FLAME_WORDS, PLACE_WORDS } from './practice-words.ts';
import { SeenCues } from './SeenCues.tsx';
import type { Session } from './session.ts';
import { useSessionState } from './use-session.ts';

/** What hands can do to it, by what happens: heat, water, where it stands. */
const HANDS: Readonly<
  Partial<
    Record<
      Work,
      {
        readonly heat?: true;
        readonly baths?: readonly PracticeBath[];
        readonly places?: readonly PracticePlace[];
      }
    >
  >
> = {
  stove: { heat: true, baths: ['none', 'cold', 'iced'] },
  pan: { heat: true },
  place: { baths: ['none', 'warm'], places: PRACTICE_PLACES },
  temper: { baths: ['none', 'warm', 'iced'], places: ['counter', 'cupboard', 'fridge'] },
  churn: { baths: ['none', 'warm', 'iced'] },
  set: { baths: ['none', 'warm'] },
};

/** As much milk powder at a time, kg. */
const POWDER_KG = [0.01, 0.02, 0.05] as const;
/** As much whey at a time, kg. */
const WHEY_BACK_KG = [0.05, 0.2] as const;

const INSTRUMENT_WORDS: Readonly<Record<Instrument, string>> = {
  thermometer: 'Thermometer',
  finger: 'Eye and finger',
  strip: 'pH strip',
  meter: 'pH meter',
  scales: 'Weigh the whey',
};
/** What each has to tell of. */
const TELLS_IN: Readonly<Record<Instrument, readonly Work[]>> = {
  thermometer: ['stove', 'place', 'temper', 'churn', 'pan', 'set', 'hands', 'cold'],
  finger: ['stove', 'place', 'temper', 'hands'],
  strip: ['place', 'cold', 'hands'],
  meter: ['place', 'cold', 'hands'],
  scales: ['cloth'],
};

/** What an instrument said, large. */
function saidWords(said: Said, units: Units): string {
  switch (said.type) {
    case 'temperature-read':
      return units.temperature(said.data.celsius);
    case 'heat-felt':
      return HEAT_CUE_FACTS[said.data.cue].words;
    case 'ph-read':
      return `pH ${said.data.ph.toFixed(said.data.instrument === 'strip' ? 1 : 2)}`;
    case 'drain-weighed':
      return `${units.mass(said.data.massKg)} of whey`;
    default:
      return '';
  }
}

/** One of several, pressed. */
function Group<T extends string>(props: {
  readonly label: string;
  readonly all: readonly (readonly [T, string])[];
  readonly chosen: T;
  readonly onChoose: (one: T) => void;
}) {
  const { label, all, chosen, onChoose } = props;
  return (
    <div className="hands-group" role="group" aria-label={label}>
      <span className="quiet">{label}</span>
      <div className="hands">
        {all.map(([one, words]) => (
          <button
            key={one}
            type="button"
            className="hand"
            aria-pressed={one === chosen}
            onClick={() => onChoose(one)}
          >
            {words}
          </button>
        ))}
      </div>
    </div>
  );
}

/** Hands and instruments of a practised batch: what is done to it, and what it is measured with. */
export function HandsBoard({ session, no }: { readonly session: Session; readonly no: number }) {
  const units = useUnits();
  useNow();
  const { batches } = useSessionState(session);
  const { state } = batches[no]!;
  const [latest, setLatest] = useState('');
  const moment = session.moment(no);
  const { instruments, powder, world } = session.exercise.batches[no]!;
  const step = state.current?.step;
  if (!moment || !step) return <p className="quiet">Setting out …</p>;
  const work = workOf(step.kind);
  const hands = HANDS[work] ?? {};
  const does = (...acts: Act[]): void => void session.does(no, ...acts);
  const { starter } = world.plan;
  const own = instruments.filter((instrument) => TELLS_IN[instrument].includes(work));
  return (
    <div className="hands-board">
      {hands.heat && (
        <Group
          label="Heat"
          all={PRACTICE_FLAMES.map((flame) => [flame, FLAME_WORDS[flame]] as const)}
          chosen={moment.flame}
          onChoose={(to) => does({ kind: 'flame', to })}
        />
      )}
      {hands.heat && (
        <div className="hands" role="group" aria-label="Pot">
          <button type="button" className="hand" onClick={() => does({ kind: 'stir' })}>
            Stir
          </button>
          {work === 'stove' && (
            <button
              type="button"
              className="hand"
              aria-pressed={moment.lidded}
              onClick={() => does({ kind: 'lid', on: !moment.lidded })}
            >
              Lid
            </button>
          )}
        </div>
      )}
      {powder && step.facts.inThePot === 'milk' && (
        <div className="hands-group" role="group" aria-label="Whisk in milk powder">
          <span className="quiet">
            Whisk in milk powder. In the milk:{' '}
            <span className="number">{units.mass(state.plan.milk.powder?.massKg ?? 0)}</span>
          </span>
          <div className="hands">
            {POWDER_KG.map((massKg) => (
              <button
                key={massKg}
                type="button"
                className="hand"
                onClick={() => session.says(no, powderIn((state.plan.milk.powder?.massKg ?? 0) + massKg))}
              >
                {units.mass(massKg)} more
              </button>
            ))}
          </div>
        </div>
      )}
      {own.length > 0 && (
        <div className="hands-group" role="group" aria-label="Measure">
          <span className="quiet">Measure</span>
          <div className="hands">
            {own.map((instrument) => (
              <button
                key={instrument}
                type="button"
                className="hand"
                onClick={() => {
                  const now = session.moment(no);
                  const said = now && measured(world, now, instrument);
                  if (!said) return;
                  session.says(no, said);
                  setLatest(saidWords(said, units));
                }}
              >
                {INSTRUMENT_WORDS[instrument]}
              </button>
            ))}
          </div>
          <div className="hands-said number" role="status">
            {latest}
          </div>
        </div>
      )}
      {step.facts.sours && <SeenCues state={state} onSay={(said) => session.says(no, said)} />}
      {work === 'cloth' && (
        <div className="hands-group" role="group" aria-label="Stir whey back">
          <span className="quiet">Stir whey back</span>
          <div className="hands">
            {WHEY_BACK_KG.map((massKg) => (
              <button
                key={massKg}
                type="button"
                className="hand"
                onClick={() =>
                  session.says(no, {
                    type: 'whey-returned',
                    data: { step: step.id, massKg, typed: { value: massKg * 1000, unit: 'g' } },
                  })
                }
              >
                {units.mass(massKg)}
              </button>
            ))}
          </div>
        </div>
      )}
      {hands.places && (
        <Group
          label="Stands"
          all={hands.places.map((place) => [
            place,
            place === 'planned' ? world.plan.place.name : PLACE_WORDS[place],
          ])}
          chosen={moment.place === 'planned' && !hands.places.includes('planned') ? 'counter' : moment.place}
          onChoose={(to) => does({ kind: 'move', to })}
        />
      )}
      {hands.baths && (
        <Group
          label="Water around it"
          all={hands.baths.map((bath) => [bath, BATH_WORDS[bath]] as const)}
          chosen={moment.bath}
          onChoose={(to) => does({ kind: 'bath', to })}
        />
      )}
      {work === 'place' && starter.kind !== 'none' && state.inoculatedAtMs !== null && (
        <button
          type="button"
          className="hand"
          onClick={() =>
            session.says(no, {
              type: 'starter-added',
              data: { massKg: starter.massKg, statedRatio: starter.statedRatio, typed: starter.typed },
            })
          }
        >
          Add fresh starter
          {starter.massKg === null ? '' : `, ${units.mass(starter.massKg)}`}
          <span className="visually-hidden">: {STARTER_FACTS[starter.kind].label}</span>
        </button>
      )}
    </div>
  );
}
