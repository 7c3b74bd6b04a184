import {
  boughtCreamPays,
  massOfLitresKg,
  MILK_FACTS,
  SYSTEM_UNITS,
  toKilograms,
  UNIT_LABEL,
  withFat,
} from '@morning-crock/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { priceWeight } from '../../parts/words/price-words.ts';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

/** What the churn usually leaves in the buttermilk, 0..1. */
const LEFT_FAT = 0.006;
const WIDTH = 360;

/** A price: any amount of money that is not negative. */
function PriceField(props: {
  readonly label: string;
  readonly value: number;
  readonly onValue: (value: number) => void;
}) {
  const units = useUnits();
  return (
    <QuantityField
      label={props.label}
      value={props.value}
      unit="money"
      units={[{ value: 'money', label: units.money }]}
      check={(value) =>
        value < 0
          ? 'Enter a price of 0 or more.'
          : value > 100_000
            ? 'Enter a price of 100 000 or less.'
            : null
      }
      onChange={props.onValue}
    />
  );
}

/** Does bought cream pay? Before buying: its price against the shop's butter. */
export function BoughtSum({ desk }: { readonly desk: SumDesk }) {
  const units = useUnits();
  const [litres, setLitres] = useState(1);
  const [fat, setFat] = useState(35);
  const [creamCost, setCreamCost] = useState(4.5);
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const [piece, setPiece] = useState<{ value: number; unit: (typeof massUnits)[number] }>(
    units.system === 'metric' ? { value: 250, unit: 'g' } : { value: 1, unit: 'lb' },
  );
  const [pieceCost, setPieceCost] = useState(2.8);
  const [milkCost, setMilkCost] = useState(0);
  const composition = withFat(MILK_FACTS['cow-lean'].composition, fat / 100);
  const creamKg = massOfLitresKg(litres, composition);
  const pays = boughtCreamPays({
    creamKg,
    fatFraction: fat / 100,
    creamCost,
    butterCostPerKg: pieceCost / toKilograms(piece.value, piece.unit),
    buttermilkCostPerKg: milkCost,
    buttermilkFatFraction: LEFT_FAT,
  });
  const [unit, perKg] = priceWeight(units);
  const shop = pieceCost / toKilograms(piece.value, piece.unit);
  const most = Math.max(shop, pays.ownCostPerKg, 0.01);
  const bars = [
    ['your butter', Math.max(0, pays.ownCostPerKg), 'var(--butter)'],
    ['shop butter', shop, 'var(--glaze-lo)'],
  ] as const;
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <VolumeSlider label="Cream" litres={litres} max={20} onLitres={setLitres} />
          <StepSlider
            label="Fat"
            value={fat}
            shown={`${fat} %`}
            min={15}
            max={55}
            step={1}
            onChange={setFat}
          />
          <PriceField label="Price of the cream" value={creamCost} onValue={setCreamCost} />
          <QuantityField
            label="Shop butter, pack size"
            value={piece.value}
            unit={piece.unit}
            units={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
            check={(value, u) => (toKilograms(value, u) >= 0.005 ? null : 'Enter 5 g or more.')}
            onChange={(value, u) => setPiece({ value, unit: u })}
          />
          <PriceField label="Price of the pack" value={pieceCost} onValue={setPieceCost} />
          <PriceField
            label={`Value of buttermilk, per ${unit}`}
            value={milkCost * perKg}
            onValue={(v) => setMilkCost(v / perKg)}
          />
        </>
      }
      answer={
        Math.abs(pays.savedCost) < 0.01
          ? 'no difference'
          : `${pays.savedCost > 0 ? 'saves' : 'costs'} ${units.cost(Math.abs(pays.savedCost))}${pays.savedCost > 0 ? '' : ' more'}`
      }
      answerNote={`about ${units.mass(pays.butterKg)} of butter; your time is not counted`}
      picture={
        <svg
          viewBox={`0 0 ${WIDTH + 130} 110`}
          role="img"
          className="pays"
          aria-label={bars
            .map(([name, cost]) => `${name} ${units.cost(cost * perKg)} per ${unit}`)
            .join(', ')}
        >
          {bars.map(([name, cost, fill], i) => (
            <g key={name}>
              <rect
                x="0"
                y={8 + i * 52}
                width={Math.max(2, (WIDTH * cost) / most)}
                height="40"
                rx="6"
                fill={fill}
                stroke="var(--ink)"
                strokeWidth="2"
              />
              <text x="12" y={34 + i * 52} fontSize="18" fill="var(--ink)">
                {name} {units.cost(cost * perKg)} per {unit}
              </text>
            </g>
          ))}
        </svg>
      }
      facts={[
        ['butter (about)', units.mass(pays.butterKg)],
        ['buttermilk', units.mass(pays.buttermilkKg)],
        ['worth paying up to', units.cost(pays.breakEvenCost)],
      ]}
      cautions={[
        fat < 25 ? 'Cream this thin takes long to break. Cream with 25 % fat or more churns well.' : null,
        'Ultra-heated cream, or cream with a stabiliser, may not break at all. Read the carton before you buy.',
      ]}
    />
  );
}
