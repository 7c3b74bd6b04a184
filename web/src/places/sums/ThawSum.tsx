import {
  fromKilograms,
  MILK_FACTS,
  SYSTEM_UNITS,
  THAW_SPREAD,
  thawHours,
  UNIT_LABEL,
  withFat,
} from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';
import { LittleCurve } from '../../parts/LittleCurve.tsx';
import { StepSlider } from '../../parts/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { useLotAsked } from './use-lot-asked.ts';
import type { SumDesk } from './use-sum.ts';

const HOUR_MS = 3_600_000;
const PIECES_KG = [0.1, 0.2, 0.4, 0.7, 1, 1.5, 2, 3];

function Face({ desk, lot }: { readonly desk: SumDesk; readonly lot: Lot | null }) {
  const units = useUnits();
  const largest = Math.max(0, ...(lot?.portions.map((p) => p.massKg) ?? []));
  const [grams, setGrams] = useState(
    Math.max(50, Math.round((largest || lot?.has.massKg || 0.4) * 100) * 10),
  );
  const [fat, setFat] = useState(lot ? Math.round(lot.of.fatFraction * 100) : 28);
  const [where, setWhere] = useState<'fridge' | 'room'>('fridge');
  const [fridgeC, setFridgeC] = useState(4);
  const airC = where === 'fridge' ? fridgeC : desk.plan.roomC;
  const of = lot?.of ?? withFat(MILK_FACTS['cow-lean'].composition, fat / 100);
  const hoursOf = (pieceKg: number): number =>
    thawHours({ composition: of, pieceKg, freezerC: -18, airC: Math.max(1, airC), where });
  const hours = hoursOf(grams / 1000);
  const unit = SYSTEM_UNITS[units.system].mass[0]!;
  const readyMs = now() + hours * HOUR_MS;
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
              { value: 'room', label: 'at room temperature' },
            ]}
            onChange={setWhere}
          />
          {where === 'fridge' && (
            <HeatSlider label="Fridge temperature" celsius={fridgeC} min={1} max={9} onCelsius={setFridgeC} />
          )}
        </>
      }
      answer={`about ${Math.round(hours)} h`}
      answerNote={`Give or take ${Math.round(hours * THAW_SPREAD)} h. Taken out now, thawed about ${units.time(readyMs, now())}.`}
      picture={
        <LittleCurve
          label="Hours to thaw, by weight of the piece"
          lines={[
            {
              name: 'hours',
              points: PIECES_KG.map((kg): readonly [number, number] => [
                fromKilograms(kg, unit),
                hoursOf(kg),
              ]),
              colour: 'cobalt',
            },
          ]}
          xUnit={UNIT_LABEL[unit]}
          yUnit="h"
          dot={[fromKilograms(grams / 1000, unit), hours]}
        />
      }
      cautions={[
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
