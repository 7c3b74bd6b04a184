import {
  fromKilograms,
  MILK_FACTS,
  SYSTEM_UNITS,
  THAW_SPREAD,
  TAP_C,
  thawTimes,
  type ThawPlace,
  type ThawTimes,
  UNIT_LABEL,
  withFat,
  HOUR_MS,
} from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve, type LittleLine } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { useLotAsked } from './use-lot-asked.ts';
import type { SumDesk } from './use-sum.ts';

const hoursWords = (hours: number): string =>
  hours < 3 ? `${hours.toFixed(1)} h` : `${Math.round(hours)} h`;
const PIECES_KG = [0.1, 0.2, 0.4, 0.7, 1, 1.5, 2, 3];

function Face({ desk, lot }: { readonly desk: SumDesk; readonly lot: Lot | null }) {
  const units = useUnits();
  const largest = Math.max(0, ...(lot?.portions.map((p) => p.massKg) ?? []));
  const [grams, setGrams] = useState(
    Math.max(50, Math.round((largest || lot?.has.massKg || 0.4) * 100) * 10),
  );
  const [fat, setFat] = useState(lot ? Math.round(lot.of.fatFraction * 100) : 28);
  const [where, setWhere] = useState<ThawPlace>('fridge');
  const [fridgeC, setFridgeC] = useState(4);
  const airC = { fridge: fridgeC, room: desk.plan.roomC, water: TAP_C }[where];
  const of = lot?.of ?? withFat(MILK_FACTS['cow-lean'].composition, fat / 100);
  const timesOf = (pieceKg: number): ThawTimes =>
    thawTimes({ composition: of, pieceKg, freezerC: -18, airC: Math.max(1, airC), where });
  const { softH, wholeH: hours } = timesOf(grams / 1000);
  const unit = SYSTEM_UNITS[units.system].mass[0]!;
  const readyMs = now() + hours * HOUR_MS;
  const softMs = now() + softH * HOUR_MS;
  const line = (
    name: string,
    colour: LittleLine['colour'],
    of: (times: ThawTimes) => number,
  ): LittleLine => ({
    name,
    colour,
    points: PIECES_KG.map((kg): readonly [number, number] => [fromKilograms(kg, unit), of(timesOf(kg))]),
  });
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <StepSlider
            label="Largest piece"
            value={grams}
            shown={units.mass(grams / 1000)}
            min={50}
            max={4000}
            step={50}
            onChange={setGrams}
          />
          {!lot && (
            <StepSlider
              label="Fat"
              value={fat}
              shown={`${fat} %`}
              min={0}
              max={45}
              step={1}
              onChange={setFat}
            />
          )}
          <Choices
            legend="Where"
            value={where}
            options={[
              { value: 'fridge', label: 'in the fridge' },
              { value: 'water', label: 'in cold water' },
              { value: 'room', label: 'at room temperature' },
            ]}
            onChange={setWhere}
          />
          {where === 'fridge' && (
            <HeatSlider label="Fridge temperature" celsius={fridgeC} min={1} max={9} onCelsius={setFridgeC} />
          )}
        </>
      }
      answer={`pours in about ${hoursWords(softH)}`}
      answerNote={`Wholly thawed in about ${hoursWords(hours)}, give or take ${hoursWords(hours * THAW_SPREAD)}. Taken out now, it pours about ${units.time(softMs, now())} and is thawed about ${units.time(readyMs, now())}.`}
      picture={
        <LittleCurve
          label="Hours to thaw, by weight of the piece"
          lines={[
            line('pours', 'brush', (times) => times.softH),
            line('thawed', 'cobalt', (times) => times.wholeH),
          ]}
          xUnit={UNIT_LABEL[unit]}
          yUnit="h"
          dot={[fromKilograms(grams / 1000, unit), hours]}
        />
      }
      cautions={[
        where === 'water'
          ? 'Keep the lid tight and the water cold, and change it when it gets icy. Never use warm water.'
          : null,
        where === 'room'
          ? 'At room temperature the outside stays warm for hours while the middle is still ice. Thaw in the fridge.'
          : null,
        'Smaller pieces thaw sooner, so freeze them flat and apart. Do not refreeze anything thawed.',
      ]}
      {...(lot
        ? { backTo: { label: `Back to ${lot.name}`, to: `/milk?lot=${lot.id}&ready=${Math.round(readyMs)}` } }
        : {})}
    />
  );
}

/** How long something frozen takes to thaw. */
export function ThawSum({ desk }: { readonly desk: SumDesk }) {
  const { lot, waiting } = useLotAsked();
  return waiting ? <p className="quiet">Opening …</p> : <Face desk={desk} lot={lot} />;
}
