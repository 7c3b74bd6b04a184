import { CREAM_CUES, MILK_CUES } from '@morning-crock/core';
import { useState, type ReactNode } from 'react';
import { panelOf, underOf } from '../../places/make/panels/index.ts';
import { StepEntries } from '../../places/make/panels/StepEntries.tsx';
import { ChurnCord } from '../../parts/drawings/ChurnCord.tsx';
import { CrockDrawing, type CrockLook } from '../../parts/drawings/CrockDrawing.tsx';
import { CueDrawing } from '../../parts/drawings/CueDrawing.tsx';
import { JarDrawing } from '../../parts/drawings/JarDrawing.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { Choices } from '../../parts/fields/Choices.tsx';
import { ClockField } from '../../parts/fields/ClockField.tsx';
import { DayField } from '../../parts/fields/DayField.tsx';
import { NameField } from '../../parts/fields/NameField.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { Cautions } from '../../parts/words/Cautions.tsx';
import { WithTerms } from '../../parts/words/WithTerms.tsx';
import { walkedMakes, type WalkedMake } from './walked-makes.ts';

/** A part, or a panel, in one of its states. */
export interface GalleryState {
  readonly group: 'Drawings' | 'Fields' | 'Words' | 'Panels';
  readonly name: string;
  readonly show: () => ReactNode;
}

const SURFACES: readonly CrockLook['surface'][] = [
  'still',
  'hot',
  'liquid',
  'trembles',
  'set',
  'whey',
  'cold',
  'bad',
  'thick',
  'froth',
  'stiff',
  'grains',
  'lump',
  'gold',
  'poured',
  'cloth',
  'wheel',
];

/** A field holds what is typed while it is looked at. */
function Held<T>(props: {
  readonly first: T;
  readonly field: (value: T, set: (value: T) => void) => ReactNode;
}) {
  const [value, setValue] = useState(props.first);
  return props.field(value, setValue);
}

const DRAWINGS: readonly GalleryState[] = [
  ...SURFACES.map((surface): GalleryState => ({
    group: 'Drawings',
    name: `crock, ${surface}`,
    show: () => <CrockDrawing fill={0.6} surface={surface} label={`Crock, ${surface}`} />,
  })),
  ...[...new Set([...MILK_CUES, ...CREAM_CUES])].map((cue): GalleryState => ({
    group: 'Drawings',
    name: `cue, ${cue}`,
    show: () => <CueDrawing cue={cue} />,
  })),
  ...(['milk', 'skimmed', 'cream', 'frozen'] as const).map((look): GalleryState => ({
    group: 'Drawings',
    name: `jar, ${look}`,
    show: () => <JarDrawing fill={0.7} cream={0.2} look={look} asksRecount={false} label={`Jar, ${look}`} />,
  })),
  {
    group: 'Drawings',
    name: 'churn cord, half-way',
    show: () => <ChurnCord nowShare={0.5} expected={[0.8, 1.3]} seen={['froth', 'soft']} />,
  },
  {
    group: 'Drawings',
    name: 'little curve',
    show: () => (
      <LittleCurve
        label="Cooling"
        lines={[
          {
            name: 'milk',
            colour: 'brush',
            points: [
              [0, 85],
              [20, 55],
              [45, 42],
            ],
          },
        ]}
        xUnit="min"
        yUnit="°C"
        across={{ at: 43, word: 'ready' }}
      />
    ),
  },
];

const FIELDS: readonly GalleryState[] = [
  {
    group: 'Fields',
    name: 'quantity, with a value',
    show: () => (
      <QuantityField
        label="Amount"
        value={2}
        unit="L"
        units={[{ value: 'L', label: 'L' }]}
        check={(value) => (value > 0 ? null : 'Enter an amount above 0.')}
        onChange={() => undefined}
      />
    ),
  },
  {
    group: 'Fields',
    name: 'quantity, that cannot be',
    show: () => (
      <QuantityField
        label="Amount"
        value={-2}
        unit="L"
        units={[{ value: 'L', label: 'L' }]}
        check={(value) => (value > 0 ? null : 'Enter an amount above 0.')}
        onChange={() => undefined}
      />
    ),
  },
  {
    group: 'Fields',
    name: 'choices',
    show: () => (
      <Held<'cloth' | 'hung'>
        first="cloth"
        field={(value, set) => (
          <Choices
            legend="Drain"
            value={value}
            options={[
              { value: 'cloth', label: 'in a cloth' },
              { value: 'hung', label: 'hung up' },
            ]}
            onChange={set}
          />
        )}
      />
    ),
  },
  {
    group: 'Fields',
    name: 'slider',
    show: () => (
      <Held
        first={12}
        field={(value, set) => (
          <StepSlider
            label="Temperature"
            value={value}
            shown={`${value} °C`}
            min={6}
            max={22}
            step={1}
            onChange={set}
          />
        )}
      />
    ),
  },
  {
    group: 'Fields',
    name: 'time of day',
    show: () => (
      <Held
        first="06:30"
        field={(value, set) => <ClockField label="Start" shown="Start" value={value} onValue={set} />}
      />
    ),
  },
  {
    group: 'Fields',
    name: 'day',
    show: () => (
      <Held first="2026-03-02" field={(value, set) => <DayField label="Day" value={value} onValue={set} />} />
    ),
  },
  {
    group: 'Fields',
    name: 'name',
    show: () => (
      <Held first="Sunday yogurt" field={(value, set) => <NameField value={value} onChange={set} />} />
    ),
  },
];

const WORDS: readonly GalleryState[] = [
  {
    group: 'Words',
    name: 'cautions',
    show: () => <Cautions ids={['hot-fat', 'never-leave-fat', 'fat-fire']} />,
  },
  {
    group: 'Words',
    name: 'a sentence with words of the field',
    show: () => (
      <p>
        <WithTerms text="Inoculate the milk, then let the curd set and drain the whey." />
      </p>
    ),
  },
];

/** The panel of a kind of step, what stands under its curve, and what hands tell of it. */
function Panels({ live, nowMs }: WalkedMake) {
  const Panel = panelOf(live.state);
  const Under = underOf(live.state);
  return (
    <>
      {Panel && <Panel live={live} nowMs={nowMs} />}
      {Under && <Under live={live} nowMs={nowMs} />}
      <StepEntries state={live.state} point={live.forecast.point} />
    </>
  );
}

/** Most steps show the curve of their make and nothing of their own. */
const hasPanel = ({ live: { state } }: WalkedMake): boolean =>
  panelOf(state) !== undefined || underOf(state) !== undefined || state.current?.step.facts.tells === true;

/** Everything that is looked at for its own sake, each in its states. @param startMs when the makes of the panels began */
export const galleryStates = (startMs: number): readonly GalleryState[] => [
  ...DRAWINGS,
  ...FIELDS,
  ...WORDS,
  ...walkedMakes(startMs)
    .filter(hasPanel)
    .map((make): GalleryState => ({ group: 'Panels', name: make.name, show: () => <Panels {...make} /> })),
];
