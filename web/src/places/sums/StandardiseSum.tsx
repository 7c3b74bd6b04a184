import {
  freeKg,
  litresOfMass,
  massOfLitresKg,
  milkFromLots,
  MILK_FACTS,
  MILK_KINDS,
  mixMilks,
  standardise,
  withoutLots,
  type Composition,
  type MilkKind,
} from '@morning-crock/core';
import type { Lot, MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { percent } from '../../parts/words/milk-words.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { MixDrawing } from './MixDrawing.tsx';
import { VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

/** A milk to mix with: a lot of the milk room, or any milk of a kind. */
interface Source {
  readonly value: string;
  readonly name: string;
  readonly label: string;
  readonly of: Composition;
  readonly lot: Lot | null;
}

function sourcesOf(lots: readonly Lot[]): Source[] {
  return [
    ...lots
      .filter((lot) => lot.place !== 'freezer')
      .map((lot) => ({
        value: lot.id,
        name: lot.name,
        label: `${lot.name}, ${percent(lot.of.fatFraction)}`,
        of: lot.of,
        lot,
      })),
    ...MILK_KINDS.map((kind) => ({
      value: kind,
      name: MILK_FACTS[kind].label,
      label: `${MILK_FACTS[kind].label}, ${percent(MILK_FACTS[kind].composition.fatFraction)}`,
      of: MILK_FACTS[kind].composition,
      lot: null,
    })),
  ];
}

/** The milk of a plan as two milks poured together. */
function mixedMilk(
  milk: MakePlan['milk'],
  a: Source,
  b: Source,
  aKg: number,
  bKg: number,
  lots: readonly Lot[],
): MakePlan['milk'] | null {
  if (a.lot && b.lot)
    return milkFromLots(milk, lots, [
      { lotId: a.lot.id, massKg: aKg },
      { lotId: b.lot.id, massKg: bKg },
    ]);
  if (a.lot || b.lot) return null;
  const litres = (kg: number, of: Composition): number => Math.round(litresOfMass(kg, of) * 1000) / 1000;
  const { second: _second, ...first } = withoutLots(milk);
  const main = litres(aKg, a.of);
  const other = litres(bKg, b.of);
  if (main < 0.05) return null;
  return {
    ...first,
    litres: main,
    typed: { value: main, unit: 'L' },
    kind: a.value as MilkKind,
    fatFraction: null,
    ...(other >= 0.05
      ? {
          second: {
            litres: other,
            typed: { value: other, unit: 'L' as const },
            kind: b.value as MilkKind,
            fatFraction: null,
          },
        }
      : {}),
  };
}

/** Two milks to a fat: how much of each. */
export function StandardiseSum({ desk }: { readonly desk: SumDesk }) {
  const units = useUnits();
  const { lots } = useMilkRoom();
  const sources = sourcesOf(lots);
  const own = desk.plan.milk.lots?.[0]?.lotId;
  const [aId, setA] = useState(own ?? lots.find((l) => l.role === 'milk')?.id ?? 'cow-lean');
  const [bId, setB] = useState(lots.find((l) => l.role === 'skimmed')?.id ?? 'shop-skimmed');
  const a = sources.find((s) => s.value === aId) ?? sources.find((s) => s.value === 'cow-lean')!;
  const b = sources.find((s) => s.value === bId) ?? sources.find((s) => s.value === 'shop-skimmed')!;
  const [litres, setLitres] = useState(desk.plan.milk.litres);
  const [fat, setFat] = useState(2.5);
  const shares = standardise(a.of, b.of, fat / 100);
  const massKg = massOfLitresKg(litres, a.of);
  const aKg = shares ? massKg * shares.shareA : 0;
  const bKg = shares ? massKg * shares.shareB : 0;
  const mix = shares
    ? mixMilks([
        { composition: a.of, massKg: aKg },
        { composition: b.of, massKg: bKg },
      ])
    : null;
  const low = Math.min(a.of.fatFraction, b.of.fatFraction);
  const high = Math.max(a.of.fatFraction, b.of.fatFraction);
  const tooMuch = [
    [a, aKg],
    [b, bKg],
  ] as const;
  const missing = tooMuch.find(([s, kg]) => s.lot && kg > freeKg(s.lot) + 0.005);
  const milk = shares && !missing ? mixedMilk(desk.plan.milk, a, b, aKg, bKg, lots) : null;
  const pour = (source: Source, kg: number): string => units.volume(litresOfMass(kg, source.of));
  const select = (label: string, value: string, set: (value: string) => void) => (
    <NativeSelect
      label={label}
      value={value}
      data={sources.map(({ value: v, label: l }) => ({ value: v, label: l }))}
      onChange={(e) => set(e.currentTarget.value)}
    />
  );
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          {select('First milk', a.value, setA)}
          {select('Second milk', b.value, setB)}
          <StepSlider
            label="Target fat"
            value={fat}
            shown={`${fat.toFixed(1)} %`}
            min={0}
            max={30}
            step={0.1}
            onChange={setFat}
          />
          <VolumeSlider label="Total milk" litres={litres} min={0.2} max={40} onLitres={setLitres} />
        </>
      }
      answer={shares ? `${pour(a, aKg)} and ${pour(b, bKg)}` : 'not possible'}
      picture={
        shares && (
          <MixDrawing
            parts={[
              { name: a.name, amount: pour(a, aKg), share: shares.shareA },
              { name: b.name, amount: pour(b, bKg), share: shares.shareB },
            ]}
          />
        )
      }
      answerNote={
        shares
          ? 'mixed together'
          : `These two can give ${percent(low)} to ${percent(high)} fat. Choose a fat in that range, or another milk.`
      }
      facts={
        mix
          ? [
              ['fat', percent(mix.composition.fatFraction)],
              ['protein', percent(mix.composition.proteinFraction)],
              ['weight', units.mass(mix.massKg)],
            ]
          : []
      }
      cautions={[
        missing?.[0].lot
          ? `${missing[0].lot.name}: ${units.mass(freeKg(missing[0].lot))} available, ${units.mass(missing[1])} needed.`
          : null,
      ]}
      back={{
        label: `Use milk for ${desk.forWhom}`,
        onGive:
          milk && desk.askedBy === 'new'
            ? () => void desk.give((old) => ({ ...old, milk }), 'standardised milk')
            : null,
        whyNot:
          desk.askedBy === 'make'
            ? 'This batch’s milk is already poured.'
            : 'Choose both from the Milk room or both from outside, with enough of each.',
      }}
    />
  );
}
