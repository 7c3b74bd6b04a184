import {
  batchOf,
  coldBath,
  coolInBath,
  formatMinutes,
  fromCelsius,
  heatTargetC,
  iceNeededKg,
} from '@morning-crock/core';
import { widthMOf } from '@morning-crock/core/contract';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider, VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

/** Cold or iced water round the pot: minutes, and the ice to have ready. */
export function IceBath({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const batch = batchOf(plan);
  const planned = plan.cooling && plan.cooling.kind !== 'counter' ? plan.cooling : coldBath(batch.litres);
  const [litres, setLitres] = useState(batch.litres);
  const [startC, setStartC] = useState(
    Math.round(desk.state?.temperatures.at(-1)?.celsius ?? heatTargetC(plan)),
  );
  const [targetC, setTargetC] = useState(plan.inoculateC);
  const [waterLitres, setWaterLitres] = useState(Math.max(0.5, planned.waterLitres / 2));
  const [waterC, setWaterC] = useState(planned.waterC);
  const [stirred, setStirred] = useState(planned.stirred);
  const own = {
    composition: batch.composition,
    litres,
    widthM: widthMOf(plan.pot),
    startC,
    targetC,
    airC: plan.roomC,
    waterLitres,
    waterC,
  };
  const needed = iceNeededKg(own);
  const [iceChoice, setIceChoice] = useState<number | null>(null);
  const iceKg = iceChoice ?? Math.ceil(needed * 10) / 10;
  const bath = coolInBath({ ...own, iceKg, stirred });
  const points = bath.secondsAndCelsius;
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <VolumeSlider label="Milk" litres={litres} onLitres={setLitres} />
          <HeatSlider label="From" celsius={startC} min={30} max={100} step={1} onCelsius={setStartC} />
          <HeatSlider label="Down to" celsius={targetC} min={5} max={60} onCelsius={setTargetC} />
          <VolumeSlider label="Water" litres={waterLitres} max={60} step={0.5} onLitres={setWaterLitres} />
          <HeatSlider
            label="Water temperature"
            celsius={waterC}
            min={0}
            max={30}
            step={1}
            onCelsius={setWaterC}
          />
          <StepSlider
            label="Ice"
            value={iceKg}
            shown={units.mass(iceKg)}
            min={0}
            max={20}
            step={0.1}
            onChange={(kg) => setIceChoice(Math.round(kg * 10) / 10)}
          />
          <Choices
            legend="The milk is"
            value={stirred ? 'stirred' : 'still'}
            options={[
              { value: 'stirred', label: 'stirred' },
              { value: 'still', label: 'not stirred' },
            ]}
            onChange={(v) => setStirred(v === 'stirred')}
          />
        </>
      }
      answer={bath.outcome === 'reached' ? `about ${formatMinutes(bath.minutes)}` : 'not cold enough'}
      answerNote={
        bath.outcome === 'reached'
          ? `The water ends up at ${units.temperature(bath.bathEndC)}${bath.iceLeftKg > 0.01 ? ` with ${units.mass(bath.iceLeftKg)} of ice left` : ''}.`
          : 'Use more water, colder water or more ice.'
      }
      picture={
        <LittleCurve
          label="Milk in the bath"
          xUnit="min"
          yUnit={`°${units.temperatureUnit}`}
          across={{ at: fromCelsius(targetC, units.temperatureUnit), word: 'take out' }}
          lines={[
            {
              name: 'milk',
              colour: 'clay',
              points: points
                .filter((_, i) => i % Math.ceil(points.length / 120) === 0 || i === points.length - 1)
                .map(([s, c]) => [s / 60, fromCelsius(c, units.temperatureUnit)]),
            },
          ]}
        />
      }
      facts={[
        ['ice needed', needed > 0.01 ? units.mass(needed) : 'none'],
        ['ice used', units.mass(iceKg)],
      ]}
      cautions={[
        'Hot milk cracks cold glass, so cool it in the metal pot. The temperature drops fast at the end: stay with the pot.',
      ]}
      back={{
        label: `Use for ${desk.forWhom}`,
        onGive:
          stillOpen(desk.state, (step) => step.moves === 'down') && bath.outcome === 'reached'
            ? () =>
                void desk.give(
                  {
                    cooling: { kind: iceKg > 0 ? 'iced-bath' : 'bath', waterLitres, waterC, iceKg, stirred },
                    inoculateC: targetC,
                    why: '',
                  },
                  'cold-water bath',
                )
            : null,
        whyNot:
          bath.outcome === 'reached'
            ? 'The batch is already cool.'
            : 'This bath cannot cool the milk that far.',
      }}
    />
  );
}
