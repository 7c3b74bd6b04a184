import {
  batchOf,
  coldBath,
  coolInBath,
  formatMinutes,
  fromCelsius,
  heatTargetC,
  runVessel,
} from '@morning-crock/core';
import { widthMOf, type CoolingPlan } from '@morning-crock/core/contract';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';
import { LittleCurve } from '../../parts/LittleCurve.tsx';
import { HeatSlider, VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

/** The latest heat measured in a make, or what its heating aims at. */
function hotC(desk: SumDesk): number {
  const measured = desk.state?.temperatures.at(-1)?.celsius;
  return measured !== undefined && measured > desk.plan.inoculateC ? measured : heatTargetC(desk.plan);
}

/** How long a pot takes to inoculating heat: on the counter, and in cold water. */
export function CoolDown({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const [litres, setLitres] = useState(batchOf(plan).litres);
  const [startC, setStartC] = useState(Math.round(hotC(desk)));
  const [targetC, setTargetC] = useState(plan.inoculateC);
  const [airC, setAirC] = useState(plan.roomC);
  const [way, setWay] = useState<'counter' | 'bath'>('counter');
  const { composition } = batchOf(plan);
  const widthM = widthMOf(plan.pot);
  const lossFactor = plan.pot.lossFactor * Math.exp(plan.factors?.cooling?.value ?? 0);
  const counter = runVessel(
    { composition, litres, widthM, startC, airC, lidded: plan.pot.lidded, lossFactor },
    targetC,
  );
  const cooling: CoolingPlan = coldBath(litres);
  const bath = coolInBath({ ...cooling, composition, litres, widthM, startC, targetC, airC });
  const chosen = way === 'counter' ? counter.minutes : bath.minutes;
  const shown = (points: readonly (readonly [number, number])[]) =>
    points
      .filter((_, i) => i % Math.ceil(points.length / 120) === 0 || i === points.length - 1)
      .map(([s, c]): readonly [number, number] => [s / 60, fromCelsius(c, units.temperatureUnit)]);
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <VolumeSlider label="Milk" litres={litres} onLitres={setLitres} />
          <HeatSlider label="From" celsius={startC} min={30} max={100} step={1} onCelsius={setStartC} />
          <HeatSlider label="Down to" celsius={targetC} min={15} max={60} onCelsius={setTargetC} />
          <HeatSlider label="Room" celsius={airC} min={0} max={40} onCelsius={setAirC} />
          <Choices
            legend="How to cool"
            value={way}
            options={[
              { value: 'counter', label: 'left to stand' },
              { value: 'bath', label: 'in cold water' },
            ]}
            onChange={setWay}
          />
        </>
      }
      answer={Number.isFinite(chosen) ? `about ${formatMinutes(chosen)}` : 'never cools that far'}
      answerNote={
        way === 'counter'
          ? `${plan.pot.name}, ${plan.pot.lidded ? 'lid on' : 'open'}`
          : `${units.volume(cooling.waterLitres)} of water at ${units.temperature(cooling.waterC)}, stirred`
      }
      picture={
        <LittleCurve
          label={`Cooling from ${units.temperature(startC)} to ${units.temperature(targetC)}`}
          xUnit="min"
          yUnit={`°${units.temperatureUnit}`}
          across={{ at: fromCelsius(targetC, units.temperatureUnit), word: 'inoculate' }}
          lines={[
            { name: 'standing', colour: 'clay', points: shown(counter.secondsAndCelsius) },
            { name: 'in water', colour: 'cobalt', points: shown(bath.secondsAndCelsius) },
          ]}
        />
      }
      facts={[
        ['left to stand', Number.isFinite(counter.minutes) ? formatMinutes(counter.minutes) : 'never'],
        ['in cold water', Number.isFinite(bath.minutes) ? formatMinutes(bath.minutes) : 'never'],
        ['water at the end', units.temperature(bath.bathEndC)],
      ]}
      cautions={['Hot milk and steam burn. Stir, and confirm with a probe.']}
      back={{
        label: way === 'bath' ? `Cool ${desk.forWhom} in cold water` : `Leave ${desk.forWhom} to stand`,
        onGive: stillOpen(desk.state, (step) => step.moves === 'down')
          ? () =>
              void desk.give(
                {
                  cooling: way === 'bath' ? cooling : { ...cooling, kind: 'counter' },
                  inoculateC: targetC,
                  why: '',
                },
                way === 'bath' ? 'cold-water bath' : 'left to stand',
              )
          : null,
        whyNot: 'The batch is already cool.',
      }}
    />
  );
}
