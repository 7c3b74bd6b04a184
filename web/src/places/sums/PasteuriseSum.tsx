import {
  CAUTIONS,
  denaturedFraction,
  pasteurisationMinutes,
  VAT_MINUTES_NEEDED,
  type HeatProfile,
} from '@morning-crock/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

/** Beyond this many times the need the figure says nothing more. */
const MORE_THAN_ENOUGH = 10;

/** What a hold does: to germs, as a guide, and to the whey protein. */
export function PasteuriseSum({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const heated = plan.heat.kind !== 'none';
  const [holdC, setHoldC] = useState(heated ? plan.heat.targetC : 63);
  const [holdMin, setHoldMin] = useState(heated ? plan.heat.holdMin : 30);
  const [cream, setCream] = useState(false);
  const profile: HeatProfile = [
    [0, holdC],
    [Math.max(0.1, holdMin) * 60, holdC],
  ];
  const minutes = pasteurisationMinutes(profile, cream);
  const enough = minutes >= VAT_MINUTES_NEEDED;
  const denatured = denaturedFraction(profile);
  const share = Math.min(1, minutes / VAT_MINUTES_NEEDED);
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <HeatSlider label="Hold at" celsius={holdC} min={55} max={98} onCelsius={setHoldC} />
          <StepSlider
            label="Hold for"
            value={holdMin}
            shown={`${holdMin} min`}
            min={0}
            max={60}
            step={1}
            onChange={setHoldMin}
          />
          <Choices
            legend="What you heat"
            value={cream ? 'cream' : 'milk'}
            options={[
              { value: 'milk', label: 'milk' },
              { value: 'cream', label: 'cream, or rich or sweetened milk' },
            ]}
            onChange={(v) => setCream(v === 'cream')}
          />
          <p className="quiet">
            Counts only the hold, at the coldest part of the pot, foam included. Heating up and cooling are
            not counted.
          </p>
        </>
      }
      answer={
        enough
          ? minutes > VAT_MINUTES_NEEDED * MORE_THAN_ENOUGH
            ? 'more than enough'
            : 'enough, as a guide'
          : 'not enough'
      }
      answerNote={`Equal to ${minutes > VAT_MINUTES_NEEDED * MORE_THAN_ENOUGH ? `more than ${VAT_MINUTES_NEEDED * MORE_THAN_ENOUGH}` : `about ${minutes.toFixed(0)}`} min at ${units.temperature(cream ? 66 : 63)}. ${VAT_MINUTES_NEEDED} min are needed.`}
      picture={
        <svg
          viewBox="0 0 460 64"
          width="100%"
          role="img"
          aria-label={`${Math.round(share * 100)} % of the time needed`}
          className="little-curve"
        >
          <rect
            x="1"
            y="12"
            width="458"
            height="28"
            rx="14"
            fill="none"
            stroke="var(--line)"
            strokeWidth="2"
          />
          <rect x="1" y="12" width={458 * share} height="28" rx="14" fill="var(--clay)" opacity="0.55" />
          <text x="455" y="60" fontSize="15" textAnchor="end" fill="var(--quiet)">
            {VAT_MINUTES_NEEDED} min needed
          </text>
        </svg>
      }
      facts={[
        ['whey protein denatured', `about ${Math.round(denatured * 100)} %`],
        ['for yogurt', denatured > 0.8 ? 'firm set' : denatured > 0.4 ? 'softer set' : 'soft, slow set'],
      ]}
      cautions={[CAUTIONS['not-a-certificate'], CAUTIONS['raw-milk']]}
      back={{
        label: `Use for ${desk.forWhom}`,
        onGive: stillOpen(desk.state, (step) => step.moves === 'up')
          ? () =>
              void desk.give(
                { heat: { kind: holdMin > 0 ? 'hold' : 'touch', targetC: holdC, holdMin }, why: '' },
                'heat treatment',
              )
          : null,
        whyNot: 'The batch is past heating.',
      }}
    />
  );
}
