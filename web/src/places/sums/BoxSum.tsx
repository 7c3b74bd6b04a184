import { batchOf, bottlesFor, boxCourse, formatMinutes, fromCelsius, PLACE_FACTS } from '@morning-crock/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider, VolumeSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

/** The box this is about: the plan's own place when it is one, else the kitchen's first. */
function boxOf(desk: SumDesk) {
  const { plan, kitchen } = desk;
  if (plan.place.kind === 'insulated-box') return plan.place;
  return kitchen.places.find((p) => p.kind === 'insulated-box') ?? null;
}

/** Bottles of hot water that keep a box warm: litres and heat. */
export function BoxSum({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const place = boxOf(desk);
  const { composition, litres: ownLitres } = batchOf(plan);
  const [litres, setLitres] = useState(ownLitres);
  const [startC, setStartC] = useState(plan.inoculateC);
  const [roomC, setRoomC] = useState(plan.roomC);
  const [hours, setHours] = useState(8);
  const [bottlesC, setBottlesC] = useState(plan.bottles?.celsius ?? 60);
  const [tauH, setTauH] = useState(place?.tauH ?? PLACE_FACTS['insulated-box'].tauH);
  const box = { composition, litres, startC, roomC, tauH, bottlesC };
  const answer = bottlesFor(box, 40, hours);
  const without = boxCourse(box, 0, hours);
  const shown = (course: typeof without.milk): readonly (readonly [number, number])[] =>
    course
      .filter((_, i) => i % 4 === 0)
      .map(([h, c]): readonly [number, number] => [h, fromCelsius(c, units.temperatureUnit)]);
  const forty = units.temperature(40);
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <VolumeSlider label="Milk" litres={litres} onLitres={setLitres} />
          <HeatSlider label="Milk goes in at" celsius={startC} min={36} max={50} onCelsius={setStartC} />
          <StepSlider
            label="Keep warm for"
            value={hours}
            shown={formatMinutes(hours * 60)}
            min={2}
            max={16}
            step={0.5}
            onChange={setHours}
          />
          <HeatSlider label="Room" celsius={roomC} min={0} max={35} onCelsius={setRoomC} />
          <HeatSlider
            label="Bottle water temperature"
            celsius={bottlesC}
            min={45}
            max={95}
            step={1}
            onCelsius={setBottlesC}
          />
          <StepSlider
            label={place ? `${place.name}: time constant` : 'Time constant of the box'}
            value={tauH}
            shown={`${tauH} h`}
            min={2}
            max={30}
            step={0.5}
            onChange={setTauH}
          />
        </>
      }
      answer={
        answer.outcome === 'no-bottles'
          ? 'no bottles needed'
          : answer.outcome === 'bottles'
            ? `${units.volume(Math.ceil(answer.bottleLitres * 20) / 20)} of hot water`
            : 'cannot stay that warm'
      }
      answerNote={
        answer.outcome === 'cannot'
          ? 'Use hotter bottles, a warmer start or fewer hours.'
          : `Keeps the milk at ${forty} or above for ${formatMinutes(hours * 60)}. An estimate until your own readings refine it.`
      }
      picture={
        <LittleCurve
          label="Milk in the box, with and without bottles"
          xUnit="h"
          yUnit={`°${units.temperatureUnit}`}
          across={{ at: fromCelsius(40, units.temperatureUnit), word: forty }}
          lines={[
            { name: 'with', colour: 'clay', points: shown(answer.course.milk) },
            { name: 'without', colour: 'quiet', dashed: true, points: shown(without.milk) },
          ]}
        />
      }
      facts={[
        ['coolest', units.temperature(answer.course.coolestC)],
        ['warmest', units.temperature(answer.course.warmestC)],
        ['without bottles', units.temperature(without.endC)],
      ]}
      cautions={[
        answer.tooWarm
          ? `The milk would reach ${units.temperature(answer.course.warmestC)}, too hot for the culture. Use cooler bottles, or wrap them.`
          : null,
        'Kettle water scalds, and cracks cold glass. Warm the bottles first.',
      ]}
      back={{
        label: `Use for ${desk.forWhom}`,
        onGive:
          place &&
          answer.outcome !== 'cannot' &&
          !answer.tooWarm &&
          stillOpen(desk.state, (step) => step.sours)
            ? () =>
                void desk.give(
                  {
                    place: { ...place, tauH },
                    bottles:
                      answer.outcome === 'bottles'
                        ? {
                            litres: Math.max(0.1, Math.ceil(answer.bottleLitres * 20) / 20),
                            celsius: bottlesC,
                          }
                        : null,
                    why: '',
                  },
                  'warm box',
                )
            : null,
        whyNot: place
          ? answer.tooWarm
            ? 'That temperature would harm the culture.'
            : 'The batch is past that step, or these bottles cannot keep it warm enough.'
          : 'Add an insulated box in Kitchen first.',
      }}
    />
  );
}
