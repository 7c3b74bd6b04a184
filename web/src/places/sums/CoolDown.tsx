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
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { HeatSlider, VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

/** The latest heat measured in a make, or what its heating aims at. */
function hotC(desk: SumDesk): number {
  const measured = desk.state?.temperatures.at(-1)?.celsius;
  return measured !== undefined && measured > desk.plan.inoculateC ? measured : heatTargetC(desk.plan);
}

type Way = 'open' | 'lid' | 'bath';
const minutesWords = (minutes: number): string =>
  Number.isFinite(minutes) ? formatMinutes(minutes) : 'never';

/** How long a pot takes to inoculating heat: on the counter, with its lid on, and in cold water. */
export function CoolDown({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const [litres, setLitres] = useState(batchOf(plan).litres);
  const [startC, setStartC] = useState(Math.round(hotC(desk)));
  const [targetC, setTargetC] = useState(plan.inoculateC);
  const [airC, setAirC] = useState(plan.roomC);
  const [way, setWay] = useState<Way>('open');
  const { composition } = batchOf(plan);
  const widthM = widthMOf(plan.pot);
  const lossFactor = plan.pot.lossFactor * Math.exp(plan.factors?.cooling?.value ?? 0);
  const standing = (lidded: boolean) =>
    runVessel({ composition, litres, widthM, startC, airC, lidded, lossFactor }, targetC);
  const open = standing(false);
  const covered = standing(true);
  const cooling: CoolingPlan = coldBath(litres);
  const bath = coolInBath({ ...cooling, composition, litres, widthM, startC, targetC, airC });
  const chosen = { open, lid: covered, bath }[way].minutes;
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
              { value: 'open', label: 'uncovered' },
              { value: 'lid', label: 'lid on' },
              { value: 'bath', label: 'in cold water' },
            ]}
            onChange={setWay}
          />
        </>
      }
      answer={Number.isFinite(chosen) ? `about ${formatMinutes(chosen)}` : 'never cools that far'}
      answerNote={
        way !== 'bath'
          ? `${plan.pot.name}, ${way === 'lid' ? 'lid on' : 'uncovered'}`
          : `${units.volume(cooling.waterLitres)} of water at ${units.temperature(cooling.waterC)}, stirred`
      }
      picture={
        <LittleCurve
          label={`Cooling from ${units.temperature(startC)} to ${units.temperature(targetC)}`}
          xUnit="min"
          yUnit={`°${units.temperatureUnit}`}
          across={{ at: fromCelsius(targetC, units.temperatureUnit), word: 'inoculate' }}
          lines={[
            { name: 'uncovered', colour: 'clay', points: shown(open.secondsAndCelsius) },
            { name: 'lid on', colour: 'clay', dashed: true, points: shown(covered.secondsAndCelsius) },
            { name: 'in water', colour: 'cobalt', points: shown(bath.secondsAndCelsius) },
          ]}
        />
      }
      facts={[
        ['uncovered', minutesWords(open.minutes)],
        ['lid on', minutesWords(covered.minutes)],
        ['in cold water', minutesWords(bath.minutes)],
        ['water at the end', units.temperature(bath.bathEndC)],
      ]}
      cautions={['Hot milk and steam burn. Stir, and confirm with a probe.']}
      back={{
        label:
          way === 'bath'
            ? `Cool ${desk.forWhom} in cold water`
            : way === 'lid'
              ? `Cool ${desk.forWhom} with the lid on`
              : `Cool ${desk.forWhom} uncovered`,
        onGive: stillOpen(desk.state, (step) => step.moves === 'down')
          ? () =>
              void desk.give(
                {
                  cooling: way === 'bath' ? cooling : { ...cooling, kind: 'counter', lidOn: way === 'lid' },
                  inoculateC: targetC,
                  why: '',
                },
                way === 'bath'
                  ? 'cold-water bath'
                  : way === 'lid'
                    ? 'cool with the lid on'
                    : 'cool uncovered',
              )
          : null,
        whyNot: 'The batch is already cool.',
      }}
    />
  );
}
