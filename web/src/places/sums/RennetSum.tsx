import {
  cleanBreakSigma,
  formatMinutes,
  fromCelsius,
  minutesToCleanBreak,
  RENNET_UNITS,
  rennetStrength,
  rennetUnits,
  UNKNOWN_STRENGTH,
  type RennetUnit,
  Z90,
} from '@morning-crock/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

const UNIT_WORDS: Readonly<Record<RennetUnit, string>> = { mL: 'mL', drop: 'drops', tablet: 'tablets' };

/** How much rennet, and when to try the curd. */
export function RennetSum({ desk }: { readonly desk: SumDesk }) {
  const units = useUnits();
  const inUnit = (heat: number): number => fromCelsius(heat, units.temperatureUnit);
  const [decilitres, setDecilitres] = useState(40);
  const [imcu, setImcu] = useState(35);
  const [celsius, setCelsius] = useState(32);
  const [ph, setPh] = useState(6.5);
  const [unfolded, setUnfolded] = useState(0);
  const [unit, setUnit] = useState<RennetUnit>('mL');
  const [known, setKnown] = useState<'yes' | 'no'>('no');
  const [strength, setStrength] = useState(150);
  const litres = decilitres / 10;
  const milk = { imcuPerLitre: imcu, celsius, ph, denaturedFraction: unfolded / 100 };
  const minutes = minutesToCleanBreak(milk);
  const label = known === 'yes' ? strength : null;
  const sigma = cleanBreakSigma(unit, label);
  const amount = (of: number): string => {
    const n = rennetUnits(litres, imcu, of);
    return n < 10 ? n.toFixed(n < 1 ? 2 : 1) : String(Math.round(n));
  };
  const [weak, strong] = UNKNOWN_STRENGTH[unit];
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <StepSlider
            label="Milk"
            value={decilitres}
            shown={units.volume(litres)}
            min={5}
            max={400}
            step={5}
            onChange={setDecilitres}
          />
          <StepSlider
            label="Rennet"
            value={imcu}
            shown={`${imcu} IMCU per litre`}
            min={4}
            max={100}
            step={1}
            onChange={setImcu}
          />
          <Choices
            legend="Measure in"
            value={unit}
            options={RENNET_UNITS.map((value) => ({ value, label: UNIT_WORDS[value] }))}
            onChange={setUnit}
          />
          <Choices
            legend="Is the strength on the label?"
            value={known}
            options={[
              { value: 'no', label: 'no' },
              { value: 'yes', label: 'yes' },
            ]}
            onChange={setKnown}
          />
          {known === 'yes' && (
            <StepSlider
              label="Strength"
              value={strength}
              shown={`${strength} IMCU`}
              min={1}
              max={800}
              step={1}
              onChange={setStrength}
            />
          )}
          <HeatSlider label="Milk temperature" celsius={celsius} min={20} max={42} onCelsius={setCelsius} />
          <StepSlider
            label="pH"
            value={ph}
            shown={ph.toFixed(1)}
            min={6}
            max={6.8}
            step={0.1}
            onChange={setPh}
          />
          <StepSlider
            label="Whey protein denatured by heating"
            value={unfolded}
            shown={`${unfolded} %`}
            min={0}
            max={100}
            step={5}
            onChange={setUnfolded}
          />
        </>
      }
      answer={`about ${formatMinutes(minutes)}`}
      answerNote={`to a clean break. First test after ${formatMinutes(minutes * Math.exp(-Z90 * sigma))}, at the latest after ${formatMinutes(minutes * Math.exp(Z90 * sigma))}.`}
      picture={
        <LittleCurve
          label="Minutes to a clean break, by milk temperature"
          lines={[
            {
              name: 'minutes',
              points: Array.from({ length: 23 }, (_, i): readonly [number, number] => [
                inUnit(20 + i),
                minutesToCleanBreak({ ...milk, celsius: 20 + i }),
              ]),
              colour: 'cobalt',
            },
          ]}
          xUnit={`°${units.temperatureUnit}`}
          yUnit="min"
          dot={[inUnit(celsius), minutes]}
        />
      }
      facts={[
        [
          'Rennet',
          label === null
            ? `${amount(strong)}–${amount(weak)} ${UNIT_WORDS[unit]}`
            : `${amount(rennetStrength(unit, label).imcu)} ${UNIT_WORDS[unit]}`,
        ],
      ]}
      cautions={[
        label === null
          ? 'Strength not known. Start in the middle of the range, and note when the curd breaks clean.'
          : null,
        unfolded > 30 ? 'Milk heated this much sets slowly and softly with rennet.' : null,
        imcu > 60 ? 'More rennet than cheese usually needs. The cheese may turn bitter.' : null,
        'Rennet sets sweet milk too. A set does not prove the milk is acid.',
      ]}
    />
  );
}
