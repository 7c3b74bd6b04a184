import { litresOfMass, massOfLitresKg, type Composition } from '@morning-crock/core';
import { useUnits } from '../../data/use-units.ts';
import { AmountField, PLAIN_MILK, useAsTyped } from '../../parts/fields/AmountField.tsx';

/** More of one batch is not made by hand, L or kg. */
const MOST = 60;

/** How much of a batch is made: of butter by weight, of all else by volume. */
export function BatchAmount(props: {
  readonly label: string;
  readonly weighed: boolean;
  /** What is weighed, where somebody tells it by volume. */
  readonly of?: Composition | undefined;
  /** L; of what is weighed, kg. */
  readonly amount: number;
  /** What else is wrong with an amount, in words. */
  readonly fault?: (amount: number) => string | null;
  /** `null` while what is typed cannot be. */
  readonly onAmount: (amount: number | null) => void;
}) {
  const { label, weighed, of = PLAIN_MILK, amount, fault, onAmount } = props;
  const units = useUnits();
  const by = weighed ? 'weight' : 'volume';
  const asTyped = useAsTyped(by);
  const own = weighed ? of : PLAIN_MILK;
  const amountOfKg = (kg: number): number => (weighed ? kg : litresOfMass(kg, PLAIN_MILK));
  return (
    <AmountField
      label={label}
      of={own}
      by={by}
      amount={asTyped(weighed ? amount : massOfLitresKg(amount, PLAIN_MILK), own)}
      check={(kg) =>
        amountOfKg(kg) > MOST
          ? `Enter ${weighed ? units.mass(MOST) : units.volume(MOST)} or less.`
          : (fault?.(amountOfKg(kg)) ?? null)
      }
      onAmount={(typed) => onAmount(typed && Math.round(amountOfKg(typed.massKg) * 1000) / 1000)}
    />
  );
}
