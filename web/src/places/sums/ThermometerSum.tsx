import {
  boilingPointC,
  correctedC,
  formatTemperature,
  fromCelsius,
  readTypedNumber,
  thermometerCorrection,
  thermometerFault,
  toCelsius,
} from '@morning-crock/core';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useKitchenQuery } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

const NEW = 'new';

/** Ice slush and boiling water: how far a thermometer is off, kept with it. */
export function ThermometerSum({ desk }: { readonly desk: SumDesk }) {
  const { kitchen } = desk;
  const { data } = useKitchenQuery();
  const units = useUnits();
  const unit = units.temperatureUnit;
  const [chosen, setChosen] = useState(kitchen.thermometers[0]?.id ?? NEW);
  const own = kitchen.thermometers.find((t) => t.id === chosen);
  const [name, setName] = useState('');
  const written = (c: number | null | undefined): string =>
    c === null || c === undefined ? '' : String(Math.round(fromCelsius(c, unit) * 10) / 10);
  const [typed, setTyped] = useState<{ ice: string; boiling: string } | null>(null);
  const [saved, setSaved] = useState(false);
  const ice = typed?.ice ?? written(own?.iceC);
  const boiling = typed?.boiling ?? written(own?.boilingC);
  const read = (text: string): number | null | 'fault' => {
    if (text.trim() === '') return null;
    const value = readTypedNumber(text);
    return value.ok ? toCelsius(value.value, unit) : 'fault';
  };
  const iceC = read(ice);
  const boilingC = read(boiling);
  const { altitudeM } = kitchen.site;
  const numbersFault = iceC === 'fault' || boilingC === 'fault' ? 'Enter a number.' : null;
  const check = {
    iceC: iceC === 'fault' ? null : iceC,
    boilingC: boilingC === 'fault' ? null : boilingC,
    altitudeM,
  };
  const nothing = check.iceC === null && check.boilingC === null;
  const fault = numbersFault ?? (nothing ? null : thermometerFault(check));
  const correction = fault === null && !nothing ? thermometerCorrection(check) : null;
  const turn = (part: Partial<{ ice: string; boiling: string }>): void => {
    setTyped({ ice, boiling, ...part });
    setSaved(false);
  };
  const keep = async (): Promise<void> => {
    if (!data) return;
    const entry = {
      id: own?.id ?? ulid(),
      name: own?.name ?? name.trim(),
      iceC: check.iceC,
      boilingC: check.boilingC,
      altitudeM,
      checkedAt: new Date(Math.round(now())).toISOString(),
    };
    const value = own
      ? kitchen.thermometers.map((t) => (t.id === own.id ? entry : t))
      : [...kitchen.thermometers, entry];
    await record(data.id, 'kitchen-changed', { section: 'thermometers', value });
    setChosen(entry.id);
    setSaved(true);
  };
  const at = (c: number): string => formatTemperature(correctedC(c, correction), unit);
  const examples = [43, 85];
  const off = correction ? (correctedC(43, correction) - 43) * (unit === 'F' ? 1.8 : 1) : 0;
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <NativeSelect
            label="Thermometer"
            value={chosen}
            data={[
              ...kitchen.thermometers.map((t) => ({ value: t.id, label: t.name })),
              { value: NEW, label: 'another thermometer' },
            ]}
            onChange={(e) => {
              setChosen(e.currentTarget.value);
              setTyped(null);
              setSaved(false);
            }}
          />
          {!own && (
            <TextInput
              label="Name"
              value={name}
              maxLength={80}
              onChange={(e) => setName(e.currentTarget.value)}
            />
          )}
          <p>
            <strong>1.</strong> Stir crushed ice with a little water. Hold the tip in the middle and wait for
            a steady reading.
          </p>
          <TextInput
            label={`In ice slush (°${unit})`}
            value={ice}
            inputMode="decimal"
            error={iceC === 'fault'}
            onChange={(e) => turn({ ice: e.currentTarget.value })}
            w={200}
          />
          <p>
            <strong>2.</strong> Bring water to a full boil. Keep the tip clear of the bottom. At{' '}
            {Math.round(altitudeM)} m water boils at {formatTemperature(boilingPointC(altitudeM), unit)}.
          </p>
          <TextInput
            label={`In boiling water (°${unit})`}
            value={boiling}
            inputMode="decimal"
            error={boilingC === 'fault'}
            onChange={(e) => turn({ boiling: e.currentTarget.value })}
            w={200}
          />
          {fault && (
            <p className="field-error" role="alert">
              {fault}
            </p>
          )}
        </>
      }
      answer={
        correction
          ? Math.abs(off) < 0.05
            ? 'reads true'
            : `reads ${Math.abs(off).toFixed(1)} °${unit} too ${off < 0 ? 'high' : 'low'}`
          : 'not checked yet'
      }
      answerNote={
        correction
          ? 'At incubation temperature. Its readings are corrected everywhere, and the original is kept.'
          : 'One of the two readings is enough to start.'
      }
      facts={
        correction
          ? examples.map((c): readonly [string, string] => [
              `reads ${formatTemperature(c, unit)}`,
              `really ${at(c)}`,
            ])
          : []
      }
      cautions={[
        'Steam and boiling water scald. Surface thermometers read skin and steam, so stir and confirm with a probe.',
      ]}
      picture={
        <div className="row tall-row">
          <Button
            className="great"
            h={72}
            disabled={!correction || !data || (!own && name.trim() === '')}
            onClick={() => void keep()}
          >
            Save check
          </Button>
          <span role="status">{saved ? 'Saved' : ''}</span>
        </div>
      }
    />
  );
}
