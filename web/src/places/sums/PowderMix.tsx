import {
  batchOf,
  denaturedFraction,
  firmnessIndex,
  firmnessWord,
  formatMinutes,
  hoursToPh,
  isHeated,
  MILK_FACTS,
  MILK_KINDS,
  POWDER_KINDS,
  SET_PH,
  SYSTEM_UNITS,
  toKilograms,
  toLitres,
  UNIT_LABEL,
  withLitres,
  type MilkKind,
  type PowderKind,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { NativeSelect, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMemo } from 'react';
import * as z from 'zod';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { VolumeSlider } from './HeatSliders.tsx';
import { MilkBars } from './MilkBars.tsx';
import { evenCourse } from './SetTime.tsx';
import { SumFace } from './SumFace.tsx';
import { stillOpen, type SumDesk } from './use-sum.ts';

type Milk = MakePlan['milk'];

function withParts(
  plan: MakePlan,
  litres: number,
  second: { litres: number; kind: MilkKind } | null,
  powder: { kind: PowderKind; massKg: number } | null,
): MakePlan {
  const { second: _second, powder: _powder, ...first } = plan.milk;
  const milk: Milk = withLitres(first, litres, { value: litres, unit: 'L' });
  if (second && second.litres >= 0.05)
    milk.second = { ...second, typed: { value: second.litres, unit: 'L' }, fatFraction: null };
  if (powder && powder.massKg > 0)
    milk.powder = { ...powder, typed: { value: Math.round(powder.massKg * 1000), unit: 'g' } };
  return { ...plan, milk };
}

/** How firm it would stand, about: the plan's own heat treatment, at classic sourness. */
function firmnessOf(plan: MakePlan): number {
  const { composition, bodyFactor } = batchOf(plan);
  const hold: readonly [number, number][] = [
    [0, plan.heat.targetC],
    [Math.max(1, plan.heat.holdMin) * 60, plan.heat.targetC],
  ];
  return firmnessIndex({
    proteinFraction: composition.proteinFraction,
    denatured: isHeated(plan) ? denaturedFraction(hold) : 0.05,
    ph: 4.35,
    gelC: plan.place.setPointC ?? plan.inoculateC,
    bodyFactor,
  });
}

/** What is turned and typed in this sum. */
interface MixValues {
  readonly litres: number;
  readonly hasSecond: boolean;
  readonly second: { readonly litres: number; readonly kind: MilkKind };
  readonly powderKind: PowderKind;
  readonly powderKg: number;
  readonly milkPrice: string;
  readonly powderPrice: string;
}

const typedPrice = z
  .string()
  .trim()
  .min(1)
  .transform((text) => Number(text.replace(',', '.')))
  .pipe(z.number().min(0));
/** `null` when it is no price, or nothing was typed. */
const price = (text: string): number | null => typedPrice.safeParse(text).data ?? null;
const priceFault = (text: string): string | null =>
  text.trim() !== '' && price(text) === null ? 'Enter a price.' : null;

/** Two milks and milk powder: thickness, buffering, volume and cost. */
export function PowderMix({ desk }: { readonly desk: SumDesk }) {
  const { plan } = desk;
  const units = useUnits();
  const form = useForm<MixValues>({
    initialValues: {
      litres: plan.milk.litres,
      hasSecond: plan.milk.second !== undefined,
      second: {
        litres: plan.milk.second?.litres ?? 1,
        kind: plan.milk.second?.kind ?? 'shop-skimmed',
      },
      powderKind: plan.milk.powder?.kind ?? 'skim',
      powderKg: plan.milk.powder?.massKg ?? 0.06,
      milkPrice: '',
      powderPrice: '',
    },
    validateInputOnChange: ['milkPrice', 'powderPrice'],
    validate: { milkPrice: priceFault, powderPrice: priceFault },
  });
  const { litres, hasSecond, second, powderKind, powderKg, milkPrice, powderPrice } = form.values;
  const mixed = useMemo(
    () => withParts(plan, litres, hasSecond ? second : null, { kind: powderKind, massKg: powderKg }),
    [plan, litres, hasSecond, second, powderKind, powderKg],
  );
  const plain = useMemo(() => withParts(plan, litres, null, null), [plan, litres]);
  const batch = batchOf(mixed);
  const before = batchOf(plain);
  const heat = plan.place.setPointC ?? plan.inoculateC;
  const setH = useMemo(() => {
    const hours = (p: MakePlan): number => {
      const course = evenCourse(p, heat);
      return course ? hoursToPh(course, SET_PH) : Number.POSITIVE_INFINITY;
    };
    return { mixed: hours(mixed), plain: hours(plain) };
  }, [mixed, plain, heat]);
  const later = (setH.mixed - setH.plain) * 60;
  // Prices are told by the measure the milk is bought in.
  const milkUnit = SYSTEM_UNITS[units.system].milk[0]!;
  const massUnit = units.system === 'metric' ? 'kg' : 'lb';
  const perLitre = price(milkPrice);
  const perKg = price(powderPrice);
  const cost =
    perLitre === null
      ? null
      : (perLitre / toLitres(1, milkUnit)) * (litres + (hasSecond ? second.litres : 0)) +
        (powderKg > 0 ? ((perKg ?? 0) / toKilograms(1, massUnit)) * powderKg : 0);
  const percent = (v: number): string => `${(v * 100).toFixed(1)} %`;
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <VolumeSlider
            label={MILK_FACTS[plan.milk.kind].label}
            litres={litres}
            min={0.1}
            onLitres={(l) => form.setFieldValue('litres', l)}
          />
          <Choices
            legend="Second milk"
            value={hasSecond ? 'yes' : 'no'}
            options={[
              { value: 'no', label: 'none' },
              { value: 'yes', label: 'mixed in' },
            ]}
            onChange={(v) => form.setFieldValue('hasSecond', v === 'yes')}
          />
          {hasSecond && (
            <>
              <NativeSelect
                label="Second milk"
                value={second.kind}
                data={MILK_KINDS.map((k) => ({ value: k, label: MILK_FACTS[k].label }))}
                onChange={(e) => form.setFieldValue('second.kind', e.currentTarget.value as MilkKind)}
              />
              <VolumeSlider
                label="Amount of second milk"
                litres={second.litres}
                min={0.1}
                onLitres={(l) => form.setFieldValue('second.litres', l)}
              />
            </>
          )}
          <Choices
            legend="Milk powder"
            value={powderKind}
            options={POWDER_KINDS.map((k) => ({ value: k, label: k === 'skim' ? 'skimmed' : 'whole' }))}
            onChange={(k) => form.setFieldValue('powderKind', k)}
          />
          <StepSlider
            label="Powder"
            value={Math.round(powderKg * 1000)}
            shown={units.mass(powderKg)}
            min={0}
            max={600}
            step={5}
            onChange={(g) => form.setFieldValue('powderKg', g / 1000)}
          />
          <div className="field-row">
            <TextInput
              label={`Milk price, per ${UNIT_LABEL[milkUnit]}`}
              inputMode="decimal"
              {...form.getInputProps('milkPrice')}
              w={170}
            />
            <TextInput
              label={`Powder price, per ${UNIT_LABEL[massUnit]}`}
              inputMode="decimal"
              {...form.getInputProps('powderPrice')}
              w={170}
            />
          </div>
        </>
      }
      answer={`probably ${firmnessWord(firmnessOf(mixed))}`}
      answerNote={`${percent(batch.composition.proteinFraction)} protein instead of ${percent(before.composition.proteinFraction)}. Estimated for this batch’s heat treatment.`}
      picture={<MilkBars before={before.composition} mixed={batch.composition} />}
      facts={[
        ['in the pot', units.volume(batch.litres)],
        ['fat', percent(batch.composition.fatFraction)],
        [
          'sets',
          Math.abs(later) < 2
            ? 'as before'
            : `${formatMinutes(Math.abs(later))} ${later > 0 ? 'later' : 'sooner'}`,
        ],
        ...(cost === null
          ? []
          : ([
              ['cost', cost.toFixed(2)],
              [`per ${UNIT_LABEL[milkUnit]}`, ((cost / batch.litres) * toLitres(1, milkUnit)).toFixed(2)],
            ] as const)),
      ]}
      cautions={[
        powderKg / batch.massKg > 0.08
          ? 'This much powder can be tasted, and may set chalky. 2–5 % is usual.'
          : null,
      ]}
      back={{
        label: desk.askedBy === 'make' ? `Add powder to ${desk.forWhom}` : `Use milk for ${desk.forWhom}`,
        onGive:
          desk.askedBy === 'make'
            ? stillOpen(desk.state, (step) => step.moves === 'up')
              ? () => void desk.give({ powder: mixed.milk.powder ?? null, why: '' }, 'milk powder')
              : null
            : () => void desk.give((old) => ({ ...old, milk: mixed.milk }), 'milk'),
        whyNot: 'Add powder before the milk is hot.',
      }}
    />
  );
}
