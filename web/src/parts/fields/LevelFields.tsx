import { LEVELS, litresByRuler, readTypedNumber, widthOfPotM } from '@morning-crock/core';
import { widthMOf } from '@morning-crock/core/contract';
import { NativeSelect, TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import { useKitchen, useUnits } from '../../data/use-units.ts';

const CM_PER_INCH = 2.54;
const MOST_JARS = 200;

/** How full some of the kitchen's pots or jars are, by eye or by a ruler: litres, or `null` while a field is at fault. */
export function LevelFields({ onLitres }: { readonly onLitres: (litres: number | null) => void }) {
  const units = useUnits();
  const kitchen = useKitchen();
  const [vesselId, setVesselId] = useState<string | null>(null);
  const [level, setLevel] = useState('0.9');
  const [depth, setDepth] = useState('');
  const [count, setCount] = useState('1');
  const vessels = [...kitchen.jars, ...kitchen.pots];
  const vessel = vessels.find(({ id }) => id === vesselId) ?? vessels[0];
  const pot = kitchen.pots.find(({ id }) => id === vessel?.id);
  const inches = units.system !== 'metric';
  const ruler = readTypedNumber(depth);
  const many = readTypedNumber(count);
  const byRuler = pot !== undefined && depth.trim() !== '';
  const litresEach = !vessel
    ? null
    : byRuler
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
      : vessel && litresEach > vessel.litres * 1.05
        ? `That is more than ${vessel.name} holds.`
        : null;
  const jars = pot ? 1 : many.ok && many.value >= 1 && many.value <= MOST_JARS ? many.value : null;
  const litres = depthFault === null && litresEach !== null && jars !== null ? litresEach * jars : null;
  useEffect(() => onLitres(litres), [litres, onLitres]);
  if (!vessel) return null;
  return (
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
          error={jars === null ? `Enter how many, 1 to ${MOST_JARS}.` : null}
          inputMode="numeric"
          onChange={(e) => setCount(e.currentTarget.value)}
        />
      )}
    </div>
  );
}
