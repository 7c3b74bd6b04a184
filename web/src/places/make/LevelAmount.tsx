import {
  LEVEL_SPREAD,
  levelKg,
  LEVELS,
  litresByRuler,
  readTypedNumber,
  widthOfPotM,
  type MakeState,
} from '@morning-crock/core';
import { widthMOf } from '@morning-crock/core/contract';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';

const CM_PER_INCH = 2.54;

/** No scales: how full a jar or pot is counts as an amount, about. */
export function LevelAmount({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const kitchen = useKitchen();
  const [vesselId, setVesselId] = useState<string | null>(null);
  const [level, setLevel] = useState('0.9');
  const [depth, setDepth] = useState('');
  const [count, setCount] = useState('1');
  const step = state.current?.step;
  // Butter is a lump: it stands at no level.
  if (step?.facts.endedBy !== 'weighed') return null;
  if (state.steps.some((s) => s.step.facts.parts) && !step.facts.weighs) return null;
  const vessels = [...kitchen.jars, ...kitchen.pots];
  const vessel = vessels.find(({ id }) => id === vesselId) ?? vessels[0];
  if (!vessel) return null;
  const pot = kitchen.pots.find(({ id }) => id === vessel.id);
  const inches = units.system !== 'metric';
  const ruler = readTypedNumber(depth);
  const many = readTypedNumber(count);
  const byRuler = pot !== undefined && depth.trim() !== '';
  const litresEach = byRuler
    ? ruler.ok && ruler.value > 0
      ? litresByRuler(
          100 * (widthMOf(pot) ?? widthOfPotM(pot.litres)),
          ruler.value * (inches ? CM_PER_INCH : 1),
        )
      : null
    : Number(level) * vessel.litres;
  const depthFault =
    litresEach === null
      ? 'Enter the depth as a number.'
      : litresEach > vessel.litres * 1.05
        ? `That is more than ${vessel.name} holds.`
        : null;
  const jars = pot ? 1 : many.ok && many.value >= 1 && many.value <= 200 ? many.value : null;
  const massKg =
    depthFault === null && litresEach !== null && jars !== null ? levelKg(state, litresEach * jars) : null;
  return (
    <details className="above-s">
      <summary className="unfolds">No scales? Tell by level</summary>
      <div className="field-row">
        <NativeSelect
          label="Jar or pot"
          value={vessel.id}
          data={vessels.map((v) => ({ value: v.id, label: `${v.name}, ${units.volume(v.litres)}` }))}
          onChange={(e) => setVesselId(e.currentTarget.value)}
        />
        <NativeSelect
          label="How full"
          value={level}
          data={LEVELS.map(({ share, words }) => ({ value: String(share), label: words }))}
          onChange={(e) => setLevel(e.currentTarget.value)}
        />
        {pot ? (
          <TextInput
            label={`Or depth by ruler (${inches ? 'in' : 'cm'}, optional)`}
            value={depth}
            error={depthFault}
            inputMode="decimal"
            onChange={(e) => setDepth(e.currentTarget.value)}
          />
        ) : (
          <TextInput
            label="How many"
            value={count}
            error={jars === null ? 'Enter how many, 1 to 200.' : null}
            inputMode="numeric"
            onChange={(e) => setCount(e.currentTarget.value)}
          />
        )}
      </div>
      {massKg !== null && (
        <p role="status">
          About {units.mass(massKg)}, give or take {units.mass(massKg * LEVEL_SPREAD)}: a level is read by
          eye.
        </p>
      )}
      <Button
        variant="default"
        disabled={massKg === null}
        onClick={() => {
          if (massKg === null) return;
          void record(state.id, 'weighed', {
            massKg,
            typed: { value: Math.round(massKg * 1000), unit: 'g' },
            byLevel: true,
            ...(step.facts.weighs ? { of: step.facts.weighs } : {}),
          });
        }}
      >
        Save estimate
      </Button>
    </details>
  );
}
