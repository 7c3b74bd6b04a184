import {
  DRAIN_TAU_AT_6C_H,
  DRAIN_WAYS,
  drainedAfter,
  drainedTo,
  formatMinutes,
  hoursToThickness,
  MILK_FACTS,
  mostWheyFraction,
  wheyBackKg,
  type DrainWay,
} from '@morning-crock/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

const WAY_WORDS: Readonly<Record<DrainWay, string>> = {
  cloth: 'yogurt in a cloth',
  renneted: 'renneted skimmed-milk curd',
  hung: 'hung curd',
  pressed: 'curd under a weight',
};

/** When it is thick enough, how much whey comes, and what mends what went too far. */
export function DrainSum({ desk }: { readonly desk: SumDesk }) {
  const units = useUnits();
  const [grams, setGrams] = useState(2000);
  const [way, setWay] = useState<DrainWay>('cloth');
  const [celsius, setCelsius] = useState(5);
  const [target, setTarget] = useState(60);
  const [hours, setHours] = useState(4);
  const skimmed = way === 'renneted';
  const { fatFraction, proteinFraction } = MILK_FACTS[skimmed ? 'shop-skimmed' : 'shop-whole'].composition;
  const draining = {
    massKg: grams / 1000,
    fatFraction,
    proteinFraction,
    heated: !skimmed,
    tauAt6CH: DRAIN_TAU_AT_6C_H[way],
    celsius,
  };
  const thickness = { of: 'protein', fraction: target / 1000 } as const;
  const toTarget = hoursToThickness(draining, thickness);
  const now = drainedAfter(draining, hours);
  const then = drainedTo(draining, thickness);
  const back = wheyBackKg(now, thickness);
  const lastH = Math.max(8, Math.min(48, 1.5 * (toTarget ?? 24)));
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <Choices
            legend="What you drain"
            value={way}
            options={DRAIN_WAYS.map((value) => ({ value, label: WAY_WORDS[value] }))}
            onChange={setWay}
          />
          <StepSlider
            label="Amount in the cloth"
            value={grams}
            shown={units.mass(grams / 1000)}
            min={200}
            max={10_000}
            step={100}
            onChange={setGrams}
          />
          <HeatSlider
            label="Draining temperature"
            celsius={celsius}
            min={2}
            max={30}
            onCelsius={setCelsius}
          />
          <StepSlider
            label="Target protein"
            value={target}
            shown={`${(target / 10).toFixed(1)} %`}
            min={36}
            max={120}
            step={2}
            onChange={setTarget}
          />
          <StepSlider
            label="Drained so far"
            value={hours}
            shown={`${hours} h`}
            min={0}
            max={48}
            step={0.5}
            onChange={setHours}
          />
        </>
      }
      answer={toTarget === null ? 'not without a weight' : `about ${formatMinutes(toTarget * 60)}`}
      answerNote={
        toTarget === null
          ? `Reaches ${(drainedTo(draining, { of: 'protein', fraction: 0.9 }).proteinFraction * 100).toFixed(1)} % protein at most. Add a weight to go further.`
          : 'to that thickness, with a cloth you have used before. A new cloth may be a third faster or slower.'
      }
      picture={
        <LittleCurve
          label="Protein, by hours drained"
          lines={[
            {
              name: 'protein',
              points: Array.from({ length: 41 }, (_, i): readonly [number, number] => {
                const h = (lastH * i) / 40;
                return [h, drainedAfter(draining, h).proteinFraction * 100];
              }),
              colour: 'cobalt',
            },
          ]}
          xUnit="h"
          yUnit="%"
          dot={[Math.min(lastH, hours), drainedAfter(draining, Math.min(lastH, hours)).proteinFraction * 100]}
        />
      }
      facts={[
        ['Yield', units.mass(then.curdKg)],
        ['Whey to collect', units.volume(then.wheyKg / 1.02)],
        ['Now', `${(now.proteinFraction * 100).toFixed(1)} % protein`],
        ['Whey to stir back', back > 0.0005 ? units.mass(back) : 'none'],
      ]}
      cautions={[
        back > 0.005
          ? `Drained too far. Stir about ${units.mass(back)} of its whey back in, a little at a time.`
          : null,
        celsius > 10 && way === 'cloth'
          ? 'Yogurt goes on souring while it drains warm. Drain it in the fridge.'
          : null,
        mostWheyFraction(draining) < 0.3 ? 'Almost no whey is left to drain.' : null,
      ]}
    />
  );
}
