import {
  agedBy,
  batchOf,
  courseOfDose,
  doseLikeFresh,
  formatMinutes,
  hoursToPh,
  livingShare,
  SET_PH,
  STARTER_FACTS,
  type DoseQuestion,
} from '@morning-crock/core';
import { CULTURE_KINDS, type CultureKind } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { LittleCurve, type LittleLine } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { HeatSlider } from './HeatSliders.tsx';
import { withShare } from './SetTime.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

/** Hours drawn, over those a fresh one takes. */
const SHOWN = 1.5;

/** The dose of an old, frozen or slow culture that sets when a fresh one would. */
export function VigourSum({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const [search] = useSearchParams();
  const asked = CULTURE_KINDS.find((k) => k === (search.get('kind') ?? plan.starter.kind));
  const [kind, setKind] = useState<CultureKind>(asked ?? 'fresh-yogurt');
  const [coldD, setCold] = useState(Math.round(Number(search.get('age') ?? plan.starter.ageD ?? 7)));
  const [frozenD, setFrozen] = useState(0);
  const [pace, setPace] = useState(Math.round(Math.exp(plan.factors?.rate?.value ?? 0) * 100));
  const [celsius, setCelsius] = useState(plan.place.setPointC ?? plan.inoculateC);
  const dried = STARTER_FACTS[kind].dosing === 'stated';
  const [fresh, setFresh] = useState(dried ? 1 : 2);
  const batch = useMemo(() => batchOf(plan), [plan]);
  const aged = useMemo(() => {
    const own = agedBy(kind, { coldD, roomD: 0, frozenD, freezings: frozenD > 0 ? 1 : 0 });
    // A culture of the register brings what its own past has cost, besides what is turned here.
    const brought = frozenD > 0 ? 0 : Number(search.get('off') ?? 0);
    return { ageD: own.ageD, log10Off: own.log10Off + brought };
  }, [kind, coldD, frozenD, search]);
  const { freshH, sameH, ratio, lines } = useMemo(() => {
    const question: DoseQuestion = {
      kind,
      aged,
      rate: pace / 100,
      freshRatio: dried ? fresh : fresh / 100,
      temperature: { kind: 'constant', celsius },
      plasmaSnfPercent: batch.plasmaSnfPercent,
      ph: SET_PH,
    };
    const answer = doseLikeFresh(question);
    const same = courseOfDose(question, question.freshRatio, 'aged');
    const line = (name: string, course: typeof same, colour: LittleLine['colour']): LittleLine => {
      const { ph, stepH } = course;
      const untilH = Math.min(48, answer.freshH * SHOWN);
      const points = [...ph].flatMap((value, i): (readonly [number, number])[] =>
        i * stepH <= untilH ? [[i * stepH, value]] : [],
      );
      return { name, points, colour, dashed: course !== same };
    };
    return {
      ...answer,
      sameH: hoursToPh(same, SET_PH),
      lines: [
        line('fresh', courseOfDose(question, question.freshRatio, 'fresh'), 'quiet'),
        line('this starter', same, 'cobalt'),
      ],
    };
  }, [kind, aged, pace, dried, fresh, celsius, batch.plasmaSnfPercent]);
  const living = livingShare(kind, aged);
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <NativeSelect
            label="Culture"
            value={kind}
            data={CULTURE_KINDS.map((k) => ({ value: k, label: STARTER_FACTS[k].label }))}
            onChange={(e) => {
              const next = e.currentTarget.value as CultureKind;
              setKind(next);
              setFresh(STARTER_FACTS[next].dosing === 'stated' ? 1 : 2);
            }}
          />
          <StepSlider
            label="Starter in the fridge for"
            value={coldD}
            shown={`${coldD} days`}
            min={0}
            max={60}
            step={1}
            onChange={setCold}
          />
          <StepSlider
            label="Frozen before"
            value={frozenD}
            shown={frozenD === 0 ? 'no' : `${frozenD} days`}
            min={0}
            max={240}
            step={5}
            onChange={setFrozen}
          />
          <StepSlider
            label="Setting speed"
            value={pace}
            shown={`${pace} % of usual`}
            min={50}
            max={150}
            step={1}
            onChange={setPace}
          />
          <StepSlider
            label="Dose when fresh"
            value={fresh}
            shown={dried ? `${fresh} × the packet dose` : `${fresh} % of the milk`}
            min={dried ? 0.25 : 0.5}
            max={dried ? 3 : 6}
            step={dried ? 0.25 : 0.5}
            onChange={setFresh}
          />
          <HeatSlider label="Incubate at" celsius={celsius} min={15} max={48} onCelsius={setCelsius} />
        </>
      }
      answer={
        ratio === null
          ? 'no dose works'
          : dried
            ? `${ratio.toFixed(2)} × the packet dose`
            : `about ${units.mass(ratio * batch.massKg)}`
      }
      answerNote={
        ratio === null
          ? 'This starter is too weak or too slow. Use a fresh one.'
          : `${dried ? '' : `${(ratio * 100).toFixed(1)} % of ${units.volume(batch.litres)}, `}to set as fast as a fresh starter, in about ${formatMinutes(freshH * 60)}`
      }
      picture={
        <LittleCurve
          label="pH with a fresh starter and this starter, same dose"
          xUnit="h"
          yUnit="pH"
          across={{ at: SET_PH, word: 'set' }}
          lines={lines}
        />
      }
      facts={[
        ['strength compared with fresh', `about ${Math.round(living * 100)} %`],
        ['fresh starter sets in', formatMinutes(freshH * 60)],
        ['this starter, same dose', Number.isFinite(sameH) ? formatMinutes(sameH * 60) : 'not within 48 h'],
      ]}
      cautions={['Estimated from age, type and storage. The starter’s own batches tell more.']}
      back={{
        label: `Use dose for ${desk.forWhom}`,
        onGive:
          ratio !== null && stillOpen(desk.state, (step) => step.inoculates) && kind === plan.starter.kind
            ? () =>
                void desk.give(
                  {
                    starter: dried
                      ? {
                          ...plan.starter,
                          statedRatio: Math.round(ratio * 100) / 100,
                          typed: { value: Math.round(ratio * 100) / 100, unit: 'packet' },
                        }
                      : withShare(plan, ratio * 100),
                    why: '',
                  },
                  'dose for an older starter',
                )
            : null,
        whyNot:
          kind === plan.starter.kind
            ? 'The starter is already in.'
            : 'This batch uses another kind of starter.',
      }}
    />
  );
}
