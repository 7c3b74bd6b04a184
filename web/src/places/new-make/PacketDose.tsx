import {
  batchOf,
  isVolumeUnit,
  packetRatio,
  SMALL_SPOONS,
  SYSTEM_UNITS,
  toLitres,
  UNIT_LABEL,
  fromLitres,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { useUnits } from '../../data/use-units.ts';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';

type Unit = 'packet' | (typeof SMALL_SPOONS)[number]['id'];
const UNITS: readonly { readonly value: Unit; readonly label: string }[] = [
  { value: 'packet', label: 'packets' },
  ...SMALL_SPOONS.map(({ id, label }) => ({ value: id, label })),
];
const tspOf = (unit: Unit): number => SMALL_SPOONS.find(({ id }) => id === unit)?.tsp ?? 1;
/** More than so many times the stated dose is a slip. */
const MOST_RATIO = 20;

/** A dried culture by packet or small spoon, held against what its label says for how much milk. */
export function PacketDose(props: {
  readonly plan: MakePlan;
  readonly set: (part: Partial<MakePlan['starter']>) => void;
  readonly onFault: (field: string, faulty: boolean) => void;
}) {
  const { plan, set, onFault } = props;
  const units = useUnits();
  const { starter } = plan;
  const milkLitres = batchOf(plan).litres;
  const milkUnit = SYSTEM_UNITS[units.system].milk[0]!;
  const label = starter.label ?? { litres: milkLitres, tsp: null };
  const bySpoon = label.tsp !== null;
  // As it was typed: packets, or teaspoons; a dose that came from elsewhere is told in packets.
  const amount = bySpoon
    ? (starter.typed?.value ?? label.tsp ?? 1)
    : ((starter.statedRatio ?? 1) * milkLitres) / label.litres;
  const change = (to: { amount?: number; litres?: number; tsp?: number | null }): void => {
    const next = { litres: to.litres ?? label.litres, tsp: to.tsp === undefined ? label.tsp : to.tsp };
    const taken = to.amount ?? amount;
    set({
      label: next,
      statedRatio: packetRatio(taken, next, milkLitres),
      typed: { value: taken, unit: next.tsp === null ? 'packet' : 'tsp-metric' },
    });
  };
  const volumes = SYSTEM_UNITS[units.system].milk.map((u) => ({ value: u, label: UNIT_LABEL[u] }));
  return (
    <>
      <QuantityField<Unit>
        key={bySpoon ? 'spoon' : 'packet'}
        label="Dose"
        value={Number(amount.toFixed(4))}
        unit={bySpoon ? 'tsp' : 'packet'}
        units={UNITS}
        check={(value, unit) => {
          if (!(value > 0)) return 'Enter a dose above 0.';
          const next = unit === 'packet' ? { ...label, tsp: null } : { ...label, tsp: label.tsp ?? 1 };
          return packetRatio(value * tspOf(unit), next, milkLitres) > MOST_RATIO
            ? `That is more than ${MOST_RATIO} times what the label says. Check the amount.`
            : null;
        }}
        onFault={(faulty) => onFault('dose', faulty)}
        onChange={(value, unit) =>
          change(
            unit === 'packet'
              ? { amount: value, tsp: null }
              : { amount: value * tspOf(unit), tsp: label.tsp ?? value * tspOf(unit) },
          )
        }
      />
      {bySpoon && (
        <QuantityField<Unit>
          label="The label says"
          value={Number((label.tsp ?? 1).toFixed(4))}
          unit="tsp"
          units={UNITS.filter(({ value }) => value !== 'packet')}
          check={(value) => (value > 0 ? null : 'Enter an amount above 0.')}
          onFault={(faulty) => onFault('label', faulty)}
          onChange={(value, unit) => change({ tsp: value * tspOf(unit) })}
        />
      )}
      <QuantityField<string>
        label={bySpoon ? 'for this much milk' : 'One packet is for'}
        value={Number(fromLitres(label.litres, milkUnit).toFixed(2))}
        unit={milkUnit}
        units={volumes}
        check={(value) => (value > 0 ? null : 'Enter how much milk the label names.')}
        onFault={(faulty) => onFault('label', faulty)}
        onChange={(value, unit) => {
          if (isVolumeUnit(unit)) change({ litres: toLitres(value, unit) });
        }}
      />
      <p className="quiet" role="status">
        That is {Number((starter.statedRatio ?? 1).toFixed(2))} × the dose on the label for{' '}
        {units.volume(milkLitres)}.
      </p>
    </>
  );
}
