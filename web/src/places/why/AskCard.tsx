import {
  CLUES,
  handReading,
  toCelsius,
  toDegrees,
  type ClueId,
  type Cue,
  type WhyAnswer,
  capital,
} from '@morning-crock/core';
import type { EventOf } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { CUE_WORDS } from '../../charts/curve-data.ts';
import { chosenThermometer } from '../../data/device.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { CueDrawing } from '../../parts/drawings/CueDrawing.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { valueFault } from '../../parts/fields/value-checks.ts';

/** A reading that was just taken. */
export type ReadingTaken =
  | { readonly type: 'cue-seen'; readonly data: EventOf<'cue-seen'>['data'] }
  | { readonly type: 'temperature-read'; readonly data: EventOf<'temperature-read'>['data'] }
  | { readonly type: 'ph-read'; readonly data: EventOf<'ph-read'>['data'] };

/** A temperature or a pH, typed in and saved. */
function ValueAsked(props: {
  readonly of: 'temperature' | 'ph';
  readonly onTaken: (taken: ReadingTaken) => void;
}) {
  const { of, onTaken } = props;
  const units = useUnits();
  const { thermometers } = useKitchen();
  const [typed, setTyped] = useState<number | null>(null);
  const unit = of === 'ph' ? 'pH' : units.temperatureUnit;
  const label = of === 'ph' ? 'pH now' : 'Temperature now';
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (typed === null) return;
        if (of === 'ph')
          onTaken({
            type: 'ph-read',
            data: { ph: typed, instrument: 'strip', sigma: null, typed: { value: typed, unit: 'pH' } },
          });
        else
          onTaken({
            type: 'temperature-read',
            data: handReading(
              toCelsius(typed, units.temperatureUnit),
              { value: typed, unit: units.temperatureUnit },
              thermometers,
              chosenThermometer(),
            ),
          });
      }}
    >
      <div className="row">
        <QuantityField
          label={label}
          value={null}
          unit={unit}
          units={[{ value: unit, label: of === 'ph' ? 'pH' : `°${unit}` }]}
          check={(value, u) => valueFault(of, value, u)}
          onFault={(faulty) => {
            if (faulty) setTyped(null);
          }}
          onChange={(value) => setTyped(value)}
        />
        <Button type="submit" h={56} disabled={typed === null} className="at-the-end">
          Save reading
        </Button>
      </div>
    </form>
  );
}

const READING_ASKS = {
  cue: 'Tilt a jar and look. How is it now?',
  temperature: 'How warm is it now? Measure in the middle.',
  ph: 'What does a pH strip show now?',
} as const;

/** The one question, look or reading that would tell most, answered where it stands. */
export function AskCard(props: {
  readonly ask: NonNullable<WhyAnswer['ask']>;
  readonly cues: readonly Cue[];
  readonly onAnswer: (clue: ClueId, answer: number) => void;
  readonly onTaken: (taken: ReadingTaken) => void;
}) {
  const { ask, cues, onAnswer, onTaken } = props;
  const units = useUnits();
  const asks =
    'clue' in ask ? toDegrees(CLUES[ask.clue].asks, units.temperatureUnit) : READING_ASKS[ask.reading];
  return (
    <section className="ask" aria-label="What would tell most">
      <p className="quiet">This would tell most</p>
      <h2>{asks}</h2>
      {'clue' in ask ? (
        <div className="answers">
          {CLUES[ask.clue].answers.map((answer, i) => (
            <Button
              key={answer}
              variant="default"
              mih={56}
              justify="flex-start"
              onClick={() => onAnswer(ask.clue, i)}
            >
              {capital(toDegrees(answer, units.temperatureUnit))}
            </Button>
          ))}
        </div>
      ) : ask.reading === 'cue' ? (
        <div className="answers">
          {cues.map((cue) => (
            <Button
              key={cue}
              variant="default"
              mih={56}
              justify="flex-start"
              leftSection={<CueDrawing cue={cue} />}
              onClick={() => onTaken({ type: 'cue-seen', data: { cue, cleanSmell: null } })}
            >
              {capital(CUE_WORDS[cue])}
            </Button>
          ))}
        </div>
      ) : (
        <ValueAsked key={ask.reading} of={ask.reading} onTaken={onTaken} />
      )}
    </section>
  );
}
