import { fromCelsius, PRODUCTS, SOURNESS, STARTER_FACTS, stepFacts, toCelsius } from '@morning-crock/core';
import { HEAT_KINDS, type Method, type MethodAims } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import { NumberField } from '../../parts/fields/NumberField.tsx';

/** What the method decides besides its steps. */
export function AimsForm({
  method,
  faultAt,
  onAims,
}: {
  readonly method: Method;
  readonly faultAt: (path: string) => string | null;
  readonly onAims: (aims: MethodAims) => void;
}) {
  const { temperatureUnit } = useUnits();
  const { aims } = method;
  const { starters } = PRODUCTS[method.product];
  const has = (holds: (facts: ReturnType<typeof stepFacts>) => boolean): boolean =>
    method.steps.some(({ kind }) => holds(stepFacts(kind)));
  const starter = aims.starter;
  return (
    <div className="method-fields">
      {has((f) => f.moves === 'up') && (
        <>
          <NativeSelect
            label="Heat treatment"
            value={aims.heat?.kind ?? 'none'}
            data={HEAT_KINDS.map((kind) => ({
              value: kind,
              label: { none: 'none, just warmed', touch: 'touched', hold: 'held', boil: 'boiled' }[kind],
            }))}
            onChange={(e) => {
              const kind = HEAT_KINDS.find((k) => k === e.currentTarget.value) ?? 'none';
              onAims({ ...aims, heat: { targetC: 85, holdMin: 10, ...aims.heat, kind } });
            }}
          />
          {aims.heat && aims.heat.kind !== 'none' && aims.heat.kind !== 'boil' && (
            <NumberField
              label="Heat to"
              unit={`°${temperatureUnit}`}
              value={fromCelsius(aims.heat.targetC, temperatureUnit)}
              fault={faultAt('aims.heat.targetC')}
              onValue={(v) =>
                onAims({ ...aims, heat: { ...aims.heat!, targetC: toCelsius(v, temperatureUnit) } })
              }
            />
          )}
          {(aims.heat?.kind === 'hold' || aims.heat?.kind === 'boil') && (
            <NumberField
              label="Hold for"
              unit="min"
              value={aims.heat.holdMin}
              fault={faultAt('aims.heat.holdMin')}
              onValue={(holdMin) => onAims({ ...aims, heat: { ...aims.heat!, holdMin } })}
            />
          )}
        </>
      )}
      {starters.length > 0 && (
        <>
          <NumberField
            label="Inoculate at"
            unit={`°${temperatureUnit}`}
            value={fromCelsius(aims.inoculateC ?? 20, temperatureUnit)}
            fault={faultAt('aims.inoculateC')}
            onValue={(v) => onAims({ ...aims, inoculateC: toCelsius(v, temperatureUnit) })}
          />
          <NativeSelect
            label="Starter"
            value={starter?.kind ?? starters[0]!}
            data={starters.map((kind) => ({ value: kind, label: STARTER_FACTS[kind].label }))}
            onChange={(e) => {
              const kind = starters.find((k) => k === e.currentTarget.value) ?? starters[0]!;
              const { dosing } = STARTER_FACTS[kind];
              onAims({
                ...aims,
                starter: {
                  kind,
                  share: dosing === 'mass' ? (starter?.share ?? 0.03) : null,
                  statedRatio: dosing === 'stated' ? (starter?.statedRatio ?? 1) : null,
                },
              });
            }}
          />
          {starter && starter.share !== null && (
            <NumberField
              label="Share of the milk"
              unit="%"
              value={starter.share * 100}
              fault={faultAt('aims.starter.share')}
              onValue={(v) => onAims({ ...aims, starter: { ...starter, share: v / 100 } })}
            />
          )}
          <NativeSelect
            label="Sourness"
            value={aims.sourness ?? 'classic'}
            data={[...SOURNESS]}
            onChange={(e) => {
              const sourness = SOURNESS.find((s) => s === e.currentTarget.value);
              if (sourness) onAims({ ...aims, sourness });
            }}
          />
        </>
      )}
    </div>
  );
}
