import {
  butterBalance,
  CHURN_FACTS,
  CHURN_KINDS,
  churnWindowC,
  churnForecast,
  churnSpread,
  formatMinutes,
  fromCelsius,
  HAND_WORKED_FAT,
  litresIn,
  massOfLitresKg,
  MILK_FACTS,
  runVessel,
  withFat,
  type ChurnKind,
  type Churning,
  type ChurnSpeed,
  MINUTE_MS,
} from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider, VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { useLotAsked } from './use-lot-asked.ts';
import type { SumDesk } from './use-sum.ts';

const FRIDGE_C = 5;
/** Heats the curve runs over, °C. */
const HEATS_C = Array.from({ length: 23 }, (_, i) => 8 + i / 2);
/** From here on butter comes greasy, °C. */
const GREASY_C = 20;
const clamped = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
const percent = (fraction: number): string => `${(fraction * 100).toFixed(1)} %`;

/** What speaks against churning like this, the gravest first. */
function warnings(churning: Churning, breakC: number): (string | null)[] {
  const [low, high] = churnWindowC({ soured: churning.ripened });
  return [
    breakC > GREASY_C
      ? 'The cream will be too warm at the break: greasy butter, or none. Start cooler.'
      : null,
    churning.treatment === 'ultra-heated'
      ? 'Ultra-heated cream, or cream with a stabiliser, may not break at all.'
      : null,
    churning.startC < low ? 'Cream this cold takes long to churn and splashes. Warm the cream first.' : null,
    churning.startC > high && breakC <= GREASY_C
      ? 'Cream this warm churns fast. The butter is softer and more fat stays in the buttermilk.'
      : null,
    churning.fillFraction > 0.5 ? 'A churn more than half full works slowly. Two loads are faster.' : null,
  ];
}

/** A spread of minutes, the unit once when both have it. */
const span = (from: number, to: number): string =>
  to < 59.5 ? `${from.toFixed(0)}–${to.toFixed(0)} min` : `${formatMinutes(from)}–${formatMinutes(to)}`;

function Face({ desk, lot }: { readonly desk: SumDesk; readonly lot: Lot | null }) {
  const units = useUnits();
  const [churn, setChurn] = useState<ChurnKind>('crank');
  const [speed, setSpeed] = useState<ChurnSpeed>('medium');
  const [startC, setStartC] = useState(13);
  const [litres, setLitres] = useState(lot ? clamped(litresIn(lot), 0.2, 10) : 1);
  const [fat, setFat] = useState(lot ? Math.round(clamped(lot.of.fatFraction * 100, 15, 55)) : 35);
  const [fill, setFill] = useState(50);
  const [ripened, setRipened] = useState<'sweet' | 'ripened'>('sweet');
  const [treatment, setTreatment] = useState<Churning['treatment']>(lot?.treatment ?? 'raw');
  const [aged, setAged] = useState<'aged' | 'not'>(lot === null || lot.place === 'cold' ? 'aged' : 'not');
  const { motor } = CHURN_FACTS[churn];
  const { roomC } = desk.plan;
  const churning: Churning = {
    churn,
    speed,
    startC,
    fatFraction: fat / 100,
    fillFraction: fill / 100,
    litres,
    roomC,
    ripened: ripened === 'ripened',
    wholeCurd: false,
    treatment,
    agedCold: aged === 'aged',
  };
  const { minutes, breakC, buttermilkFatFraction } = churnForecast(churning);
  const spread = churnSpread(churning);
  const composition = withFat(MILK_FACTS['cow-lean'].composition, fat / 100);
  const creamKg = massOfLitresKg(litres, composition);
  const { butterKg, buttermilkKg } = butterBalance({
    creamKg,
    creamFatFraction: fat / 100,
    buttermilkFatFraction,
    butterFatFraction: HAND_WORKED_FAT,
  });
  const temper = runVessel(
    { composition, litres, startC: FRIDGE_C, airC: roomC, lidded: true },
    startC,
  ).minutes;
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <NativeSelect
            label="Churn"
            value={churn}
            data={CHURN_KINDS.map((kind) => ({ value: kind, label: CHURN_FACTS[kind].label }))}
            onChange={(e) => setChurn(CHURN_KINDS.find((k) => k === e.currentTarget.value) ?? churn)}
          />
          {motor && (
            <Choices
              legend="Speed"
              value={speed}
              options={[
                { value: 'low', label: 'low' },
                { value: 'medium', label: 'medium' },
                { value: 'high', label: 'high' },
              ]}
              onChange={setSpeed}
            />
          )}
          <HeatSlider label="Cream temperature" celsius={startC} min={6} max={20} onCelsius={setStartC} />
          <VolumeSlider label="Cream" litres={litres} max={10} onLitres={setLitres} />
          <StepSlider
            label="Fat"
            value={fat}
            shown={`${fat} %`}
            min={15}
            max={55}
            step={1}
            onChange={setFat}
          />
          <StepSlider
            label="Churn filled to"
            value={fill}
            shown={`${fill} %`}
            min={10}
            max={90}
            step={5}
            onChange={setFill}
          />
          <Choices
            legend="Sweet or ripened"
            value={ripened}
            options={[
              { value: 'sweet', label: 'sweet' },
              { value: 'ripened', label: 'ripened' },
            ]}
            onChange={setRipened}
          />
          <Choices
            legend="Heat treatment"
            value={treatment}
            options={[
              { value: 'raw', label: 'raw' },
              { value: 'pasteurised', label: 'pasteurised' },
              { value: 'ultra-heated', label: 'ultra-heated' },
            ]}
            onChange={setTreatment}
          />
          <Choices
            legend={`Chilled four hours at ${units.temperature(8)} or colder?`}
            value={aged}
            options={[
              { value: 'aged', label: 'yes' },
              { value: 'not', label: 'no' },
            ]}
            onChange={setAged}
          />
        </>
      }
      answer={`about ${span(minutes / spread, minutes * spread)}`}
      answerNote={`Most likely ${formatMinutes(minutes)}, ending at ${units.temperature(breakC)}. An estimate: churns differ.`}
      picture={
        <LittleCurve
          label="Minutes to break, by starting temperature"
          lines={[
            {
              name: 'minutes',
              colour: 'cobalt',
              points: HEATS_C.map((c): readonly [number, number] => [
                fromCelsius(c, units.temperatureUnit),
                churnForecast({ ...churning, startC: c }).minutes,
              ]),
            },
          ]}
          xUnit={`°${units.temperatureUnit}`}
          yUnit="min"
          dot={[fromCelsius(startC, units.temperatureUnit), minutes]}
        />
      }
      facts={[
        ['butter (about)', units.mass(butterKg)],
        ['buttermilk', units.mass(buttermilkKg)],
        ['fat lost to buttermilk', percent(buttermilkFatFraction)],
        [
          `out of the fridge (${units.temperature(FRIDGE_C)})`,
          Number.isFinite(temper)
            ? startC > FRIDGE_C
              ? `${formatMinutes(temper)} before churning. Out now, churn at ${units.clock(now() + temper * MINUTE_MS)}`
              : 'churn straight from the fridge'
            : `never warm enough in a room at ${units.temperature(roomC)}`,
        ],
      ]}
      cautions={warnings(churning, breakC)}
      {...(lot ? { backTo: { label: `Back to ${lot.name}`, to: `/milk?lot=${lot.id}` } } : {})}
    />
  );
}

/** When cream breaks, what it gives, and when to take it out of the cold. */
export function ChurnSum({ desk }: { readonly desk: SumDesk }) {
  const { lot, waiting } = useLotAsked();
  return waiting ? <p className="quiet">Opening …</p> : <Face desk={desk} lot={lot} />;
}
