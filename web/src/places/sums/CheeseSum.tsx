import {
  brineSaltKg,
  briningHours,
  cheeseOf,
  heatingPaceCPerMin,
  massOfLitresKg,
  MILK_FACTS,
  pressureKpa,
  swapWaterC,
  WEAK_BRINE,
  wheelHeightCm,
} from '@morning-crock/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

/** What a cheese gives, how hard a weight presses, how long it lies in the brine, how hot the water is that washes it. */
export function CheeseSum({ desk }: { readonly desk: SumDesk }) {
  const units = useUnits();
  const [decilitres, setDecilitres] = useState(80);
  const [moisture, setMoisture] = useState(44);
  const [weight, setWeight] = useState(9);
  const [across, setAcross] = useState(14);
  const [brine, setBrine] = useState(18);
  const [water, setWater] = useState(4);
  const [draw, setDraw] = useState(35);
  const [fromC, setFromC] = useState(31);
  const [toC, setToC] = useState(37);
  const { composition } = MILK_FACTS['cow-lean'];
  const massKg = massOfLitresKg(decilitres / 10, composition);
  const cheese = cheeseOf({ massKg, ...composition }, moisture / 100);
  const heightCm = wheelHeightCm(cheese.cheeseKg, across);
  const [fromH, untilH] = briningHours(cheese.cheeseKg, heightCm);
  const hot = swapWaterC({ composition, massKg, celsius: fromC, drawFraction: draw / 100 }, toC);
  const { burner } = desk.plan;
  const pace = heatingPaceCPerMin(composition, massKg, burner.powerKw * burner.efficiency, fromC);
  const inches = units.system !== 'metric';
  const long = (cm: number): string => (inches ? `${(cm / 2.54).toFixed(1)} in` : `${cm.toFixed(0)} cm`);
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <StepSlider
            label="Milk"
            value={decilitres}
            shown={units.volume(decilitres / 10)}
            min={10}
            max={400}
            step={5}
            onChange={setDecilitres}
          />
          <StepSlider
            label="Moisture of the cheese"
            value={moisture}
            shown={`${moisture} %`}
            min={32}
            max={65}
            step={1}
            onChange={setMoisture}
          />
          <StepSlider
            label="Mould diameter"
            value={across}
            shown={long(across)}
            min={6}
            max={40}
            step={1}
            onChange={setAcross}
          />
          <StepSlider
            label="Pressing weight"
            value={weight}
            shown={units.mass(weight)}
            min={0}
            max={80}
            step={1}
            onChange={setWeight}
          />
          <StepSlider
            label="Brine strength"
            value={brine}
            shown={`${brine} %`}
            min={4}
            max={26}
            step={1}
            onChange={setBrine}
          />
          <StepSlider
            label="Water for the brine"
            value={water}
            shown={units.volume(water)}
            min={1}
            max={30}
            step={1}
            onChange={setWater}
          />
          <StepSlider
            label="Whey drawn off"
            value={draw}
            shown={`${draw} %`}
            min={10}
            max={60}
            step={5}
            onChange={setDraw}
          />
          <HeatSlider
            label="Curd and whey temperature"
            celsius={fromC}
            min={25}
            max={38}
            onCelsius={setFromC}
          />
          <HeatSlider label="Target temperature" celsius={toC} min={30} max={42} onCelsius={setToC} />
        </>
      }
      answer={`about ${units.mass(cheese.cheeseKg)}`}
      answerNote={`of cheese in a wheel about ${long(heightCm)} high, and ${units.volume(cheese.wheyKg / 1.02)} of whey`}
      facts={[
        ['Pressure', `${pressureKpa(weight, across).toFixed(1)} kPa`],
        ['Time in brine', `${Math.round(fromH * 2) / 2}–${Math.round(untilH * 2) / 2} h`],
        ['Salt for the brine', units.mass(brineSaltKg(water, brine / 100))],
        ['Wash water temperature', hot === null ? 'no water is hot enough' : units.temperature(hot)],
        ['Wash water', units.volume(massKg * (draw / 100))],
        [
          'Burner heats the curd by',
          `${(pace * (units.temperatureUnit === 'F' ? 1.8 : 1)).toFixed(1)} °${units.temperatureUnit} per minute at most`,
        ],
      ]}
      cautions={[
        brine / 100 < WEAK_BRINE ? 'Brine below 8 % is weak and keeps badly.' : null,
        hot !== null && hot > 70
          ? 'Very hot water scalds the curd it meets first. Pour slowly while stirring.'
          : null,
        'Estimates. Yield comes from the milk’s composition, brining time from weight and height.',
      ]}
    />
  );
}
