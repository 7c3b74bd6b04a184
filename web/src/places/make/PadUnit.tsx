import { SYSTEM_UNITS, UNIT_LABEL, type ValueKind } from '@morning-crock/core';
import { NativeSelect, type NativeSelectProps } from '@mantine/core';
import { chooseThermometer } from '../../data/device.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import type { PadValues } from './pad-entry.ts';

/** A list as tall as the digits beside it. */
function Beside(props: NativeSelectProps) {
  return (
    <NativeSelect
      w={122}
      styles={{ input: { minHeight: 48, paddingInlineStart: 10, paddingInlineEnd: 30 } }}
      flex="none"
      {...props}
    />
  );
}

/** In which unit, or with which instrument, the digits beside it were read. */
export function PadUnit(props: {
  readonly kind: ValueKind;
  readonly values: PadValues;
  readonly onValues: (part: Partial<PadValues>) => void;
}) {
  const { kind, values, onValues } = props;
  const units = useUnits();
  const { thermometers } = useKitchen();
  const massUnits = SYSTEM_UNITS[units.system].mass;
  if (kind === 'acid') return <small>mL</small>;
  if (kind === 'mass')
    return (
      <Beside
        aria-label="Unit of weight"
        data={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        value={values.massUnit}
        onChange={(e) =>
          onValues({ massUnit: massUnits.find((u) => u === e.currentTarget.value) ?? values.massUnit })
        }
        w={92}
      />
    );
  if (kind === 'ph')
    return (
      <Beside
        aria-label="Instrument"
        data={[
          { value: 'meter', label: 'meter' },
          { value: 'strip', label: 'strip' },
        ]}
        value={values.instrument}
        onChange={(e) => onValues({ instrument: e.currentTarget.value === 'strip' ? 'strip' : 'meter' })}
      />
    );
  if (thermometers.length === 0) return <small>°{units.temperatureUnit}</small>;
  return (
    <Beside
      aria-label="Thermometer"
      data={[
        { value: '', label: `°${units.temperatureUnit}` },
        ...thermometers.map((t) => ({ value: t.id, label: `°${units.temperatureUnit} ${t.name}` })),
      ]}
      value={thermometers.find((t) => t.id === values.thermometerId)?.id ?? ''}
      onChange={(e) => {
        onValues({ thermometerId: e.currentTarget.value });
        chooseThermometer(e.currentTarget.value);
      }}
    />
  );
}
