import { SYSTEM_UNITS, UNIT_LABEL } from '@morning-crock/core';
import { FEEDS } from '@morning-crock/core/contract';
import { TextInput } from '@mantine/core';
import type { UseFormReturnType } from '@mantine/form';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { FatField } from './FatField.tsx';
import { isBought, type IntakeValues } from './intake-values.ts';

/** What may be told of milk that comes in, and need not be. */
export function IntakeDetails(props: {
  readonly form: UseFormReturnType<IntakeValues>;
  /** Fat of such milk where it is not known, a fraction. */
  readonly usualFat: number;
  /** What the lot is called where nobody names it. */
  readonly usualName: string;
}) {
  const { form, usualFat, usualName } = props;
  const { cost } = form.values;
  const units = useUnits();
  return (
    <details className="more-about">
      <summary>More details (container, fat, feed, cost, name)</summary>
      <div className="lot-form">
        <TextInput label="Container (optional)" maxLength={80} {...form.getInputProps('container')} />
        <FatField fat={form.values.fat} usual={usualFat} onFat={(next) => form.setFieldValue('fat', next)} />
        {form.errors['fatFraction'] && (
          <p className="field-error" role="alert">
            {form.errors['fatFraction']}
          </p>
        )}
        {!isBought(form.values.kind) && (
          <Choices
            legend="Feed"
            value={form.values.feed ?? 'unknown'}
            options={[
              ...FEEDS.map((f) => ({ value: f, label: f === 'mixed' ? 'both' : f })),
              { value: 'unknown' as const, label: 'not known' },
            ]}
            onChange={(v) => form.setFieldValue('feed', v === 'unknown' ? null : v)}
          />
        )}
        <QuantityField
          label={`Cost${units.money ? `, ${units.money}` : ''}`}
          value={cost?.value ?? null}
          unit={cost?.per ?? SYSTEM_UNITS[units.system].milk[0]!}
          units={SYSTEM_UNITS[units.system].milk.map((u) => ({
            value: u,
            label: `a ${UNIT_LABEL[u]}`,
          }))}
          check={(v) =>
            v < 0 ? 'A cost cannot be negative.' : v > 1000 ? 'That cost looks too high. Check it.' : null
          }
          optional
          onEmpty={() => form.setFieldValue('cost', null)}
          onChange={(value, per) => form.setFieldValue('cost', { value, per })}
        />
        <TextInput label="Name" placeholder={usualName} maxLength={80} {...form.getInputProps('name')} />
      </div>
    </details>
  );
}
