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
import { Choices } from '../../parts/Choices.tsx';
import { LittleCurve } from '../../parts/LittleCurve.tsx';
import { StepSlider } from '../../parts/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

const WAY_WORDS: Readonly<Record<DrainWay, string>> = {
  cloth: 'yogurt in a cloth',
  renneted: 'renneted, skimmed',
  hung: 'hung curd',
  pressed: 'under a weight',
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
            legend="What drains"
            value={way}
            options={DRAIN_WAYS.map((value) => ({ value, label: WAY_WORDS[value] }))}
            onChange={setWay}
          />
          <StepSlider
            label="In the cloth"
            value={grams}
            shown={units.mass(grams / 1000)}
            min={200}
            max={10_000}
            step={100}
            onChange={setGrams}
          />
          <HeatSlider label="It hangs at" celsius={celsius} min={2} max={30} onCelsius={setCelsius} />
          <StepSlider
            label="Until it has protein"
            value={target}
            shown={`${(target / 10).toFixed(1)} %`}
            min={36}
            max={120}
            step={2}
            onChange={setTarget}
          />
          <StepSlider
            label="Hours so far"
            value={hours}
            shown={`${hours} h`}
            min={0}
            max={48}
            step={0.5}
            onChange={setHours}
          />
        </>
      }
      answer={toTarget === null ? 'not by itself' : `about ${formatMinutes(toTarget * 60)}`}
      answerNote={
        toTarget === null
          ? `at most ${(drainedTo(draining, { of: 'protein', fraction: 0.9 }).proteinFraction * 100).toFixed(1)} % of protein: more wants a weight`
          : 'until it is as thick as that, once the cloth is known; a new one may be a third quicker or slower'
      }
      picture={
        <LittleCurve
          label="Protein against hours"
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
        ['Comes out', units.mass(then.curdKg)],
        ['Whey to catch', units.volume(then.wheyKg / 1.02)],
        ['Now', `${(now.proteinFraction * 100).toFixed(1)} % protein`],
        ['Whey back', back > 0.0005 ? units.mass(back) : 'none'],
      ]}
      cautions={[
        back > 0.005
          ? `Too far: stir about ${units.mass(back)} of its own whey back, a little at a time.`
          : null,
        celsius > 10 && way === 'cloth'
          ? 'In the warm it sours on while it drains: into the cold with it.'
          : null,
        mostWheyFraction(draining) < 0.3 ? 'There is hardly any whey to lose in this.' : null,
      ]}
    />
  );
}
