import {
  batchOf,
  ferment,
  formatMinutes,
  hoursToPh,
  inoculumFor,
  PICK_UP_PH,
  STARTER_FACTS,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { useMemo, useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

/** The pH at which yogurt is set. */
const SET_PH = 4.6;
/** How long it takes to set, or that it does not. @param hours `null` or endless where it does not set while anybody looks */
const setWords = (hours: number | null): string =>
  hours === null || !Number.isFinite(hours)
    ? 'does not set within 30 h'
    : `sets in about ${formatMinutes(hours * 60)}`;

/** A plan's starter at another share of the milk. */
export function withShare(plan: MakePlan, percent: number): MakePlan['starter'] {
  const massKg = Math.round((percent / 100) * batchOf(plan).massKg * 1e4) / 1e4;
  return { ...plan.starter, massKg, typed: { value: Math.round(massKg * 1e4) / 10, unit: 'g' } };
}

const shareOf = (plan: MakePlan): number =>
  Math.round(((plan.starter.massKg ?? 0.02 * batchOf(plan).massKg) / batchOf(plan).massKg) * 1000) / 10;

/** The souring at one even heat. */
export function evenCourse(plan: MakePlan, celsius: number) {
  const inoculum = inoculumFor(plan, plan.starter);
  if (!inoculum) return null;
  const { plasmaSnfPercent } = batchOf(plan);
  return ferment(
    {
      temperature: { kind: 'constant', celsius },
      log10CfuPerMl: inoculum.log10CfuPerMl,
      lagH: inoculum.lagH,
      startAcidMmolPerKg: inoculum.startAcidMmolPerKg,
      plasmaSnfPercent,
      rate: Math.exp(plan.factors?.rate?.value ?? 0),
    },
    30,
  );
}

/** When it sets at an even heat, by dose and age of the starter. */
export function SetTime({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const dosed = STARTER_FACTS[plan.starter.kind].dosing === 'mass';
  const [celsius, setCelsius] = useState(plan.place.setPointC ?? plan.inoculateC);
  const [percent, setPercent] = useState(shareOf(plan));
  const [ageD, setAgeD] = useState(plan.starter.ageD ?? 3);
  const turned: MakePlan = useMemo(
    () => ({ ...plan, starter: { ...(dosed ? withShare(plan, percent) : plan.starter), ageD } }),
    [plan, dosed, percent, ageD],
  );
  const course = useMemo(() => evenCourse(turned, celsius), [turned, celsius]);
  const hours = (ph: number): string => {
    const h = course ? hoursToPh(course, ph) : Number.POSITIVE_INFINITY;
    return Number.isFinite(h) ? formatMinutes(h * 60) : 'not within 30 h';
  };
  const points = course
    ? [...course.ph].flatMap((ph, i): (readonly [number, number])[] =>
        i % 2 === 0 && i * course.stepH <= 14 ? [[i * course.stepH, ph]] : [],
      )
    : [];
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <HeatSlider label="Incubate at" celsius={celsius} min={18} max={49} onCelsius={setCelsius} />
          {dosed && (
            <>
              <StepSlider
                label="Starter"
                value={percent}
                shown={`${percent.toFixed(1)} % of the milk, ${units.mass(turned.starter.massKg ?? 0)}`}
                min={0.2}
                max={8}
                step={0.1}
                onChange={(p) => setPercent(Math.round(p * 10) / 10)}
              />
              <StepSlider
                label="Starter in the fridge for"
                value={ageD}
                shown={`${ageD} days`}
                min={0}
                max={30}
                step={1}
                onChange={setAgeD}
              />
            </>
          )}
          <p className="quiet">
            {STARTER_FACTS[plan.starter.kind].label}, in {units.volume(batchOf(plan).litres)}.
          </p>
        </>
      }
      answer={setWords(course ? hoursToPh(course, SET_PH) : null)}
      answerNote="At one steady temperature, counted from adding the starter. A real place drifts, and the batch forecast allows for that."
      picture={
        <LittleCurve
          label={`pH at ${units.temperature(celsius)}`}
          xUnit="h"
          yUnit="pH"
          across={{ at: SET_PH, word: 'set' }}
          lines={[{ name: 'pH', colour: 'cobalt', points }]}
        />
      }
      facts={[
        ['mild', hours(PICK_UP_PH.mild)],
        ['classic', hours(PICK_UP_PH.classic)],
        ['tart', hours(PICK_UP_PH.tart)],
      ]}
      cautions={[
        celsius > 47
          ? `${units.temperature(celsius)} is too hot for yogurt cultures. Some of them die.`
          : null,
        celsius < 34 && celsius > 30 ? 'Below about 34 °C (93 °F) yogurt sets very slowly.' : null,
      ]}
      back={{
        label: `Use settings for ${desk.forWhom}`,
        onGive: stillOpen(desk.state, (step) => step.inoculates)
          ? () =>
              void desk.give(
                {
                  starter: turned.starter,
                  ...(plan.place.kind === 'appliance'
                    ? { place: { ...plan.place, setPointC: celsius } }
                    : {}),
                  why: '',
                },
                'setting time',
              )
          : null,
        whyNot: 'The starter is already in.',
      }}
    />
  );
}
