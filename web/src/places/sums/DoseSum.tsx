import { batchOf, bisect, formatMinutes, hoursToPh, SET_PH, STARTER_FACTS } from '@morning-crock/core';
import { useMemo, useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { evenCourse, withShare } from './SetTime.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

const LEAST_PERCENT = 0.1;
const MOST_PERCENT = 12;

/** The dose that sets it in a wanted time. */
export function DoseSum({ desk }: { readonly desk: SumDesk }) {
  const units = useUnits();
  const dosed = STARTER_FACTS[desk.plan.starter.kind].dosing === 'mass';
  const plan = useMemo(
    () =>
      dosed ? desk.plan : { ...desk.plan, starter: { ...desk.plan.starter, kind: 'fresh-yogurt' as const } },
    [desk.plan, dosed],
  );
  const [celsius, setCelsius] = useState(plan.place.setPointC ?? plan.inoculateC);
  const [wantedH, setWantedH] = useState(5);
  const [ageD, setAgeD] = useState(plan.starter.ageD ?? 3);
  const { percent, points } = useMemo(() => {
    const setH = (p: number): number => {
      const course = evenCourse({ ...plan, starter: { ...withShare(plan, p), ageD } }, celsius);
      return course ? Math.min(30, hoursToPh(course, SET_PH)) : 30;
    };
    const found = bisect(
      (ln) => setH(Math.exp(ln)) - wantedH,
      Math.log(LEAST_PERCENT),
      Math.log(MOST_PERCENT),
      1e-3,
    );
    const grid = [0.2, 0.5, 1, 1.5, 2, 3, 4, 6, 8, 10];
    return {
      percent: found.outcome === 'found' ? Math.exp(found.x) : null,
      points: grid.map((p): readonly [number, number] => [p, setH(p)]),
    };
  }, [plan, celsius, wantedH, ageD]);
  const tallestH = Math.max(4, ...points.map(([, h]) => (h < 30 ? h : 0)));
  const quickest = points.at(-1)![1];
  const massKg = percent === null ? null : (percent / 100) * batchOf(plan).massKg;
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <StepSlider
            label="Time to set"
            value={wantedH}
            shown={formatMinutes(wantedH * 60)}
            min={2.5}
            max={14}
            step={0.25}
            onChange={setWantedH}
          />
          <HeatSlider label="Incubate at" celsius={celsius} min={18} max={49} onCelsius={setCelsius} />
          <StepSlider
            label="Starter in the fridge for"
            value={ageD}
            shown={`${ageD} days`}
            min={0}
            max={30}
            step={1}
            onChange={setAgeD}
          />
          <p className="quiet">
            {STARTER_FACTS[plan.starter.kind].label}, for {units.volume(batchOf(plan).litres)} of milk.
          </p>
        </>
      }
      answer={massKg === null || percent === null ? 'no dose works' : `about ${units.mass(massKg)}`}
      answerNote={
        percent === null
          ? wantedH < quickest
            ? `Even 10 % takes ${formatMinutes(quickest * 60)} at this temperature.`
            : 'Less than 0.1 % would be enough. Incubate cooler instead.'
          : `${percent.toFixed(1)} % of the milk`
      }
      picture={
        <svg
          viewBox="0 0 460 190"
          width="100%"
          role="img"
          aria-label="Hours to set, by dose"
          className="little-curve"
        >
          {points.map(([p, h], i) => {
            const x = 40 + i * 41;
            const height = Math.min(130, (h / tallestH) * 130);
            return (
              <g key={p}>
                <rect x={x} y={160 - height} width="24" height={height} fill="var(--brush)" opacity={0.35} />
                <text x={x + 12} y={154 - height} fontSize="15" textAnchor="middle" fill="var(--ink)">
                  {h >= 30 ? '>30' : h.toFixed(1)}
                </text>
                <text x={x + 12} y="180" fontSize="15" textAnchor="middle" fill="var(--quiet)">
                  {p}
                </text>
              </g>
            );
          })}
          <text x="0" y="180" fontSize="15" fill="var(--quiet)">
            %
          </text>
          <text x="0" y="24" fontSize="15" fill="var(--quiet)">
            h
          </text>
        </svg>
      }
      cautions={[
        percent !== null && percent > 6
          ? 'More than 6 % starts sour and may turn grainy. 1–3 % is usual.'
          : null,
        percent !== null && percent < 0.5 ? 'Below 0.5 % there is little margin for a weak starter.' : null,
      ]}
      back={{
        label: `Use dose for ${desk.forWhom}`,
        onGive:
          percent !== null && dosed && stillOpen(desk.state, (step) => step.inoculates)
            ? () => void desk.give({ starter: { ...withShare(plan, percent), ageD }, why: '' }, 'dose')
            : null,
        whyNot: dosed
          ? 'The starter is already in, or no dose works.'
          : 'This batch’s starter is not dosed by weight.',
      }}
    />
  );
}
