import { kitchenSettings, type KitchenChange, type KitchenSettings } from '@morning-crock/core/contract';
import {
  fromCelsius,
  fromLitres,
  otherUnitFits,
  PLACE_FACTS,
  readTypedNumber,
  SYSTEM_UNITS,
  toCelsius,
  toLitres,
  UNIT_LABEL,
  WARM_PLACE_KINDS,
  type WarmPlaceKind,
} from '@morning-crock/core';
import { Button, Checkbox, NativeSelect, TextInput, useMantineColorScheme } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { ulid } from 'ulid';
import { useKitchenQuery } from '../../api/api.ts';
import { chooseCook, chosenCook } from '../../app/device.ts';
import { record } from '../../app/store.ts';
import { Choices } from '../../parts/Choices.tsx';

type Section = KitchenChange['section'];

/** One section: edited as typed, checked by the contract, stored as one event when asked to. */
function SectionForm<S extends Section>(props: {
  readonly kitchenId: string;
  readonly section: S;
  readonly title: string;
  readonly value: KitchenSettings[S];
  readonly hint?: string;
  readonly children: (
    draft: KitchenSettings[S],
    set: (value: KitchenSettings[S]) => void,
    fault: (path: string) => string | null,
  ) => ReactNode;
}) {
  const { kitchenId, section, title, value, hint, children } = props;
  const [draft, setDraft] = useState<KitchenSettings[S] | null>(null);
  const [faults, setFaults] = useState<readonly { path: string; message: string }[]>([]);
  const [saved, setSaved] = useState(false);
  const shown = draft ?? value;
  const save = (): void => {
    const parsed = kitchenSettings.shape[section].safeParse(shown);
    if (!parsed.success) {
      setFaults(parsed.error.issues.map((i) => ({ path: i.path.map(String).join('.'), message: i.message })));
      return;
    }
    setFaults([]);
    void record(kitchenId, 'kitchen-changed', { section, value: parsed.data } as KitchenChange).then(() => {
      setSaved(true);
    });
  };
  return (
    <form
      className="section"
      aria-label={title}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <h2>{title}</h2>
      {hint && <p className="quiet">{hint}</p>}
      {children(
        shown,
        (next) => {
          setDraft(next);
          setSaved(false);
        },
        (path) => faults.find((f) => f.path === path)?.message ?? null,
      )}
      {faults.length > 0 && (
        <p className="field-error" role="alert">
          Not saved: {faults.map((f) => f.message).join('; ')}. Nothing was changed.
        </p>
      )}
      <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
        {draft !== null && !saved && <Button type="submit">Save {title.toLowerCase()}</Button>}
        <span className="quiet" role="status">
          {saved ? 'Saved' : ''}
        </span>
      </div>
    </form>
  );
}

/** A number that is kept as typed while it is typed. */
function NumberField(props: {
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  readonly fault: string | null;
  readonly onValue: (value: number) => void;
  readonly width?: number;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? String(Math.round(props.value * 100) / 100);
  const read = readTypedNumber(shown);
  const own = read.ok
    ? null
    : read.reason === 'ambiguous'
      ? `${read.readings.join(' or ')}? Type it without the comma.`
      : 'is not a number';
  return (
    <TextInput
      label={`${props.label} (${props.unit})`}
      value={shown}
      inputMode="decimal"
      autoComplete="off"
      error={own ?? props.fault}
      w={props.width ?? 150}
      onChange={(event) => {
        setText(event.currentTarget.value);
        const next = readTypedNumber(event.currentTarget.value);
        // What is not a number reaches the check as one that no section takes, so that it cannot be saved.
        props.onValue(next.ok ? next.value : Number.NaN);
      }}
      onBlur={() => {
        if (read.ok) setText(null);
      }}
    />
  );
}

const without = <T,>(items: readonly T[], index: number): T[] => items.filter((_, i) => i !== index);
const replaced = <T,>(items: readonly T[], index: number, item: T): T[] =>
  items.map((old, i) => (i === index ? item : old));

/** The kitchen's own facts. Everything has a default: nothing must be filled in before the first make. */
export function KitchenPlace() {
  const { data } = useKitchenQuery();
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  const [cookId, setCookId] = useState(chosenCook() ?? '');
  if (!data) return <p className="quiet">Opening …</p>;
  const { settings, id } = data;
  const unit = settings.units.temperature;
  const degrees = `°${unit}`;
  const volumeUnit = SYSTEM_UNITS[settings.units.measures].milk[0]!;
  const roomFault = (celsius: number): string | null => {
    const typed = fromCelsius(celsius, unit);
    const other = otherUnitFits(typed, unit, { min: 0, max: 45 });
    return other ? `${Math.round(typed)} ${degrees}? That looks like °${other}.` : null;
  };
  return (
    <div>
      <h1 style={{ marginBottom: 20 }}>Kitchen</h1>
      <div className="kitchen">
        <section className="section" aria-labelledby="tablet">
          <h2 id="tablet">This tablet</h2>
          <NativeSelect
            label="Who is here"
            value={cookId}
            data={[
              { value: '', label: 'nobody in particular' },
              ...settings.cooks.map((c) => ({ value: c.id, label: c.name })),
            ]}
            onChange={(e) => {
              setCookId(e.currentTarget.value);
              chooseCook(e.currentTarget.value || null);
            }}
          />
          <Choices
            legend="Light"
            value={colorScheme}
            options={[
              { value: 'auto', label: 'as the tablet' },
              { value: 'light', label: 'day' },
              { value: 'dark', label: 'before dawn' },
            ]}
            onChange={setColorScheme}
          />
        </section>
        <SectionForm kitchenId={id} section="units" title="Units" value={settings.units}>
          {(draft, set) => (
            <>
              <Choices
                legend="Heat"
                value={draft.temperature}
                options={[
                  { value: 'C', label: '°C' },
                  { value: 'F', label: '°F' },
                ]}
                onChange={(temperature) => set({ ...draft, temperature })}
              />
              <Choices
                legend="Measures"
                value={draft.measures}
                options={[
                  { value: 'metric', label: 'metric' },
                  { value: 'us', label: 'US' },
                  { value: 'imperial', label: 'imperial' },
                ]}
                onChange={(measures) => set({ ...draft, measures })}
              />
            </>
          )}
        </SectionForm>
        <SectionForm
          kitchenId={id}
          section="site"
          title="Room"
          value={settings.site}
          hint="Room heat and altitude decide how pots cool and where milk boils."
        >
          {(draft, set, fault) => (
            <div className="field-row">
              <NumberField
                label="Room heat"
                unit={degrees}
                value={fromCelsius(draft.roomC, unit)}
                fault={roomFault(draft.roomC) ?? fault('roomC')}
                onValue={(v) => set({ ...draft, roomC: toCelsius(v, unit) })}
              />
              <NumberField
                label="Altitude"
                unit="m"
                value={draft.altitudeM}
                fault={fault('altitudeM')}
                onValue={(altitudeM) => set({ ...draft, altitudeM })}
              />
              <TextInput
                label="Time zone"
                value={draft.zone}
                error={fault('zone')}
                onChange={(e) => set({ ...draft, zone: e.currentTarget.value })}
                w={190}
              />
              <Checkbox
                label="Single-key shortcuts"
                checked={draft.shortcuts}
                onChange={(e) => set({ ...draft, shortcuts: e.currentTarget.checked })}
                mt={8}
              />
            </div>
          )}
        </SectionForm>
        <SectionForm
          kitchenId={id}
          section="cooks"
          title="Cooks"
          value={settings.cooks}
          hint="No step that needs hands should fall into everybody’s sleep."
        >
          {(draft, set, fault) => (
            <div className="rows">
              {draft.map((cook, i) => (
                <div key={cook.id} className="row">
                  <TextInput
                    label="Name"
                    value={cook.name}
                    error={fault(`${i}.name`)}
                    onChange={(e) => set(replaced(draft, i, { ...cook, name: e.currentTarget.value }))}
                    w={140}
                  />
                  <TextInput
                    type="time"
                    label="Sleeps from"
                    value={cook.sleepFrom}
                    error={fault(`${i}.sleepFrom`)}
                    onChange={(e) => set(replaced(draft, i, { ...cook, sleepFrom: e.currentTarget.value }))}
                    w={168}
                  />
                  <TextInput
                    type="time"
                    label="to"
                    value={cook.sleepTo}
                    error={fault(`${i}.sleepTo`)}
                    onChange={(e) => set(replaced(draft, i, { ...cook, sleepTo: e.currentTarget.value }))}
                    w={168}
                  />
                  {draft.length > 1 && (
                    <Button
                      variant="subtle"
                      onClick={() => set(without(draft, i))}
                      aria-label={`Remove ${cook.name}`}
                    >
                      Remove
                    </Button>
                  )}
                </div>
              ))}
              <Button
                variant="default"
                onClick={() =>
                  set([...draft, { id: ulid(), name: 'Cook', sleepFrom: '22:30', sleepTo: '05:30' }])
                }
              >
                Add a cook
              </Button>
            </div>
          )}
        </SectionForm>
        <SectionForm kitchenId={id} section="pots" title="Pots" value={settings.pots}>
          {(draft, set, fault) => (
            <div className="rows">
              {draft.map((pot, i) => (
                <div key={pot.id} className="row">
                  <TextInput
                    label="Name"
                    value={pot.name}
                    error={fault(`${i}.name`)}
                    onChange={(e) => set(replaced(draft, i, { ...pot, name: e.currentTarget.value }))}
                    w={180}
                  />
                  <NumberField
                    label="Holds"
                    unit={UNIT_LABEL[volumeUnit]}
                    value={fromLitres(pot.litres, volumeUnit)}
                    fault={fault(`${i}.litres`)}
                    onValue={(v) => set(replaced(draft, i, { ...pot, litres: toLitres(v, volumeUnit) }))}
                    width={140}
                  />
                  <Checkbox
                    label="lid on while cooling"
                    checked={pot.lidded}
                    onChange={(e) => set(replaced(draft, i, { ...pot, lidded: e.currentTarget.checked }))}
                    mb={12}
                  />
                  {draft.length > 1 && (
                    <Button
                      variant="subtle"
                      onClick={() => set(without(draft, i))}
                      aria-label={`Remove ${pot.name}`}
                    >
                      Remove
                    </Button>
                  )}
                </div>
              ))}
              <Button
                variant="default"
                onClick={() =>
                  set([...draft, { id: ulid(), name: 'Pot', litres: 4, lidded: true, lossFactor: 1 }])
                }
              >
                Add a pot
              </Button>
            </div>
          )}
        </SectionForm>
        <SectionForm
          kitchenId={id}
          section="burners"
          title="Burners"
          value={settings.burners}
          hint="About half of a burner’s power reaches the milk, until your own readings say better."
        >
          {(draft, set, fault) => (
            <div className="rows">
              {draft.map((burner, i) => (
                <div key={burner.id} className="row">
                  <TextInput
                    label="Name"
                    value={burner.name}
                    error={fault(`${i}.name`)}
                    onChange={(e) => set(replaced(draft, i, { ...burner, name: e.currentTarget.value }))}
                    w={180}
                  />
                  <NumberField
                    label="Power"
                    unit="kW"
                    value={burner.powerKw}
                    fault={fault(`${i}.powerKw`)}
                    onValue={(powerKw) => set(replaced(draft, i, { ...burner, powerKw }))}
                    width={120}
                  />
                  <NumberField
                    label="Reaches the milk"
                    unit="%"
                    value={burner.efficiency * 100}
                    fault={fault(`${i}.efficiency`)}
                    onValue={(v) => set(replaced(draft, i, { ...burner, efficiency: v / 100 }))}
                    width={170}
                  />
                  {draft.length > 1 && (
                    <Button
                      variant="subtle"
                      onClick={() => set(without(draft, i))}
                      aria-label={`Remove ${burner.name}`}
                    >
                      Remove
                    </Button>
                  )}
                </div>
              ))}
              <Button
                variant="default"
                onClick={() => set([...draft, { id: ulid(), name: 'Burner', powerKw: 1.8, efficiency: 0.5 }])}
              >
                Add a burner
              </Button>
            </div>
          )}
        </SectionForm>
        <SectionForm
          kitchenId={id}
          section="places"
          title="Warm places"
          value={settings.places}
          hint="Time constant: the hours in which two litres go about two thirds of the way to the place’s own heat."
        >
          {(draft, set, fault) => (
            <div className="rows">
              {draft.map((place, i) => (
                <div key={place.id} className="row">
                  <TextInput
                    label="Name"
                    value={place.name}
                    error={fault(`${i}.name`)}
                    onChange={(e) => set(replaced(draft, i, { ...place, name: e.currentTarget.value }))}
                    w={180}
                  />
                  <NativeSelect
                    label="Kind"
                    value={place.kind}
                    data={WARM_PLACE_KINDS.map((k) => ({ value: k, label: PLACE_FACTS[k].label }))}
                    w={230}
                    onChange={(e) => {
                      const kind = e.currentTarget.value as WarmPlaceKind;
                      const { id: placeId, name } = place;
                      set(
                        replaced(draft, i, {
                          id: placeId,
                          name,
                          kind,
                          tauH: PLACE_FACTS[kind].tauH,
                          ...(kind === 'appliance' ? { setPointC: 43, biasC: 0 } : {}),
                        }),
                      );
                    }}
                  />
                  {place.kind === 'appliance' && (
                    <>
                      <NumberField
                        label="Dial"
                        unit={degrees}
                        value={fromCelsius(place.setPointC ?? 43, unit)}
                        fault={fault(`${i}.setPointC`)}
                        onValue={(v) => set(replaced(draft, i, { ...place, setPointC: toCelsius(v, unit) }))}
                        width={110}
                      />
                      <NumberField
                        label="Off by"
                        unit={degrees}
                        value={(place.biasC ?? 0) * (unit === 'F' ? 1.8 : 1)}
                        fault={fault(`${i}.biasC`)}
                        onValue={(v) =>
                          set(replaced(draft, i, { ...place, biasC: unit === 'F' ? v / 1.8 : v }))
                        }
                        width={120}
                      />
                    </>
                  )}
                  <NumberField
                    label="Time constant"
                    unit="h"
                    value={place.tauH}
                    fault={fault(`${i}.tauH`)}
                    onValue={(tauH) => set(replaced(draft, i, { ...place, tauH }))}
                    width={160}
                  />
                  {draft.length > 1 && (
                    <Button
                      variant="subtle"
                      onClick={() => set(without(draft, i))}
                      aria-label={`Remove ${place.name}`}
                    >
                      Remove
                    </Button>
                  )}
                </div>
              ))}
              <Button
                variant="default"
                onClick={() =>
                  set([...draft, { id: ulid(), name: 'Warm place', kind: 'insulated-box', tauH: 10 }])
                }
              >
                Add a warm place
              </Button>
            </div>
          )}
        </SectionForm>
      </div>
    </div>
  );
}
