import {
  creamingOf,
  CREAM_SPREAD,
  fromKilograms,
  ladle,
  litresOfMass,
  massOfLitresKg,
  litresIn,
  MILK_FACTS,
  MILK_KINDS,
  settle,
  settledHours,
  SYSTEM_UNITS,
  TREATMENTS,
  UNIT_LABEL,
  withFat,
  type MilkKind,
  type Treatment,
} from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { LadleSlider, LADLE } from '../../parts/fields/LadleSlider.tsx';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { JarDrawing } from '../../parts/drawings/JarDrawing.tsx';
import { massRange, percent } from '../../parts/words/milk-words.ts';
import { VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { useLotAsked } from './use-lot-asked.ts';
import type { SumDesk } from './use-sum.ts';

const HOURS = [0, 3, 6, 9, 12, 16, 20, 24, 30, 36];

function Face({ desk, lot }: { readonly desk: SumDesk; readonly lot: Lot | null }) {
  const units = useUnits();
  const [kind, setKind] = useState<MilkKind>(lot?.kind ?? 'cow-lean');
  const [treatment, setTreatment] = useState<Treatment>(lot?.treatment ?? 'raw');
  const [litres, setLitres] = useState(lot ? Math.round(litresIn(lot) * 10) / 10 : 8);
  const [hours, setHours] = useState(lot ? Math.round(settledHours(lot, now())) : 14);
  const [depth, setDepth] = useState<number>(LADLE.layer);
  const composition = lot?.kind === kind ? lot.of : MILK_FACTS[kind].composition;
  const massKg = massOfLitresKg(litres, composition);
  const jar = {
    composition,
    massKg,
    creaming: creamingOf(kind, treatment, lot?.homogenised ?? false),
    factor: lot?.creamFactor ?? 1,
  };
  const layers = settle({ ...jar, hours });
  const lifted = ladle(layers, depth / 100);
  const restKg = massKg - lifted.massKg;
  const restFat =
    restKg > 0 ? (massKg * composition.fatFraction - lifted.massKg * lifted.fatFraction) / restKg : 0;
  const unit = SYSTEM_UNITS[units.system].mass[0]!;
  const cream = HOURS.map((h): readonly [number, number] => [
    h,
    fromKilograms(settle({ ...jar, hours: h }).creamKg, unit),
  ]);
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <VolumeSlider label="Milk" litres={litres} min={0.5} max={40} step={0.5} onLitres={setLitres} />
          <NativeSelect
            label="Kind of milk"
            value={kind}
            data={MILK_KINDS.filter((k) => !k.startsWith('shop') || k === 'shop-whole').map((k) => ({
              value: k,
              label: MILK_FACTS[k].label,
            }))}
            onChange={(e) => setKind(e.currentTarget.value as MilkKind)}
          />
          <Choices
            legend="Heat treatment"
            value={treatment}
            options={TREATMENTS.map((t) => ({ value: t, label: t }))}
            onChange={setTreatment}
          />
          <StepSlider
            label="Time unmoved in the fridge"
            value={hours}
            shown={`${hours} h`}
            min={0}
            max={48}
            step={1}
            onChange={setHours}
          />
          <LadleSlider depth={depth} onDepth={setDepth} />
        </>
      }
      answer={lifted.massKg < 0.005 ? 'no cream' : massRange(lifted.massKg, CREAM_SPREAD, units)}
      answerNote={
        jar.creaming.mostRisen === 0
          ? 'Homogenised or ultra-heated milk gives no cream.'
          : `of cream, about ${percent(lifted.fatFraction, 0)} fat`
      }
      picture={
        <div className="skim-picture">
          <JarDrawing
            fill={0.9}
            cream={layers.creamHeight}
            look="milk"
            asksRecount={false}
            label={`Cream line ${percent(layers.creamHeight)} of the height from the top`}
          />
          <LittleCurve
            label="Cream, by hours standing"
            lines={[{ name: 'cream layer', points: cream, colour: 'cobalt' }]}
            dot={[hours, fromKilograms(layers.creamKg, unit)]}
            xUnit="h"
            yUnit={UNIT_LABEL[unit]}
          />
        </div>
      }
      facts={[
        [
          'skimmed milk left',
          `about ${units.aboutVolume(litresOfMass(restKg, withFat(composition, Math.max(0, restFat))))}`,
        ],
        ['fat in skimmed milk', `about ${percent(restFat)}`],
        ['cream line, from the top', percent(layers.creamHeight)],
      ]}
      cautions={[
        lifted.fatFraction < 0.18 && lifted.massKg > 0
          ? 'Cream under 18 % fat may not break in the churn.'
          : null,
      ]}
      {...(lot ? { backTo: { label: `Back to ${lot.name}`, to: `/milk?lot=${lot.id}&depth=${depth}` } } : {})}
    />
  );
}

/** What skimming gives after some hours. */
export function SkimSum({ desk }: { readonly desk: SumDesk }) {
  const { lot, waiting } = useLotAsked();
  return waiting ? <p className="quiet">Opening …</p> : <Face desk={desk} lot={lot} />;
}
