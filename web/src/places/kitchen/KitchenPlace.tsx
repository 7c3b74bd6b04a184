import {
  BURNER_EFFICIENCY,
  DEFAULT_BURNER_KW,
  fromCelsius,
  fromLitres,
  otherUnitFits,
  PLACE_FACTS,
  SYSTEM_UNITS,
  toCelsius,
  toLitres,
  UNIT_LABEL,
  WARM_PLACE_KINDS,
  type WarmPlaceKind,
} from '@morning-crock/core';
import type { KitchenPlace as KitchenPlaceFacts } from '@morning-crock/core/contract';
import { Checkbox, NativeSelect, TextInput, useMantineColorScheme } from '@mantine/core';
import { useState } from 'react';
import { useKitchenQuery } from '../../api/api.ts';
import { chooseCook, chosenCook } from '../../app/device.ts';
import { Choices } from '../../parts/Choices.tsx';
import { Backup } from './Backup.tsx';
import { Learned } from './Learned.tsx';
import {
  AbsencesSection,
  ChurnsSection,
  DayCurve,
  HerdSection,
  JarsSection,
  ThermometersSection,
} from './MoreSections.tsx';
import { NameField } from './NameField.tsx';
import { NumberField } from './NumberField.tsx';
import { Tablets } from './Tablets.tsx';
import { Rows } from './Rows.tsx';
import { SectionForm } from './SectionForm.tsx';

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
              <TextInput
                label="Money is called (may stay empty)"
                value={draft.money ?? ''}
                maxLength={12}
                w={260}
                onChange={(e) => {
                  const { money: _before, ...rest } = draft;
                  const money = e.currentTarget.value;
                  set(money.trim() === '' ? rest : { ...rest, money });
                }}
              />
            </>
          )}
        </SectionForm>
        <Learned kitchenId={id} />
        <SectionForm
          kitchenId={id}
          section="site"
          title="Room"
          value={settings.site}
          hint="Room heat and altitude decide how pots cool and where milk boils."
        >
          {(draft, set, fault) => (
            <>
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
              <DayCurve
                curve={draft.dayCurve ?? []}
                unit={unit}
                fault={fault}
                set={(dayCurve) => set({ ...draft, dayCurve })}
              />
            </>
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
            <Rows
              items={draft}
              set={set}
              addLabel="Add a cook"
              create={(newId) => ({ id: newId, name: 'Cook', sleepFrom: '22:30', sleepTo: '05:30' })}
              fields={(cook, i, change) => (
                <>
                  <NameField
                    name={cook.name}
                    fault={fault(`${i}.name`)}
                    onName={(name) => change({ name })}
                    width={130}
                  />
                  <TextInput
                    type="time"
                    label="Sleeps from"
                    value={cook.sleepFrom}
                    error={fault(`${i}.sleepFrom`)}
                    onChange={(e) => change({ sleepFrom: e.currentTarget.value })}
                    w={146}
                  />
                  <TextInput
                    type="time"
                    label="to"
                    value={cook.sleepTo}
                    error={fault(`${i}.sleepTo`)}
                    onChange={(e) => change({ sleepTo: e.currentTarget.value })}
                    w={146}
                  />
                </>
              )}
            />
          )}
        </SectionForm>
        <AbsencesSection kitchenId={id} settings={settings} />
        <HerdSection kitchenId={id} settings={settings} />
        <ChurnsSection kitchenId={id} settings={settings} />
        <SectionForm kitchenId={id} section="pots" title="Pots" value={settings.pots}>
          {(draft, set, fault) => (
            <Rows
              items={draft}
              set={set}
              addLabel="Add a pot"
              create={(newId) => ({ id: newId, name: 'Pot', litres: 4, lidded: true, lossFactor: 1 })}
              fields={(pot, i, change) => (
                <>
                  <NameField name={pot.name} fault={fault(`${i}.name`)} onName={(name) => change({ name })} />
                  <NumberField
                    label="Holds"
                    unit={UNIT_LABEL[volumeUnit]}
                    value={fromLitres(pot.litres, volumeUnit)}
                    fault={fault(`${i}.litres`)}
                    onValue={(v) => change({ litres: toLitres(v, volumeUnit) })}
                    width={140}
                  />
                  <Checkbox
                    label="lid on while cooling"
                    checked={pot.lidded}
                    onChange={(e) => change({ lidded: e.currentTarget.checked })}
                    mb={12}
                  />
                </>
              )}
            />
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
            <Rows
              items={draft}
              set={set}
              addLabel="Add a burner"
              create={(newId) => ({
                id: newId,
                name: 'Burner',
                powerKw: DEFAULT_BURNER_KW,
                efficiency: BURNER_EFFICIENCY,
              })}
              fields={(burner, i, change) => (
                <>
                  <NameField
                    name={burner.name}
                    fault={fault(`${i}.name`)}
                    onName={(name) => change({ name })}
                  />
                  <NumberField
                    label="Power"
                    unit="kW"
                    value={burner.powerKw}
                    fault={fault(`${i}.powerKw`)}
                    onValue={(powerKw) => change({ powerKw })}
                    width={120}
                  />
                  <NumberField
                    label="Reaches the milk"
                    unit="%"
                    value={burner.efficiency * 100}
                    fault={fault(`${i}.efficiency`)}
                    onValue={(v) => change({ efficiency: v / 100 })}
                    width={170}
                  />
                </>
              )}
            />
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
            <Rows
              items={draft}
              set={set}
              addLabel="Add a warm place"
              create={(newId): KitchenPlaceFacts => ({
                id: newId,
                name: 'Warm place',
                kind: 'insulated-box',
                tauH: PLACE_FACTS['insulated-box'].tauH,
              })}
              fields={(place, i, change) => (
                <>
                  <NameField
                    name={place.name}
                    fault={fault(`${i}.name`)}
                    onName={(name) => change({ name })}
                  />
                  <NativeSelect
                    label="Kind"
                    value={place.kind}
                    data={WARM_PLACE_KINDS.map((k) => ({ value: k, label: PLACE_FACTS[k].label }))}
                    w={230}
                    onChange={(e) => {
                      const kind = e.currentTarget.value as WarmPlaceKind;
                      const dial =
                        kind === 'appliance'
                          ? { setPointC: 43, biasC: 0 }
                          : { setPointC: undefined, biasC: undefined };
                      change({ kind, tauH: PLACE_FACTS[kind].tauH, ...dial });
                    }}
                  />
                  {place.kind === 'appliance' && (
                    <>
                      <NumberField
                        label="Dial"
                        unit={degrees}
                        value={fromCelsius(place.setPointC ?? 43, unit)}
                        fault={fault(`${i}.setPointC`)}
                        onValue={(v) => change({ setPointC: toCelsius(v, unit) })}
                        width={110}
                      />
                      <NumberField
                        label="Off by"
                        unit={degrees}
                        value={(place.biasC ?? 0) * (unit === 'F' ? 1.8 : 1)}
                        fault={fault(`${i}.biasC`)}
                        onValue={(v) => change({ biasC: unit === 'F' ? v / 1.8 : v })}
                        width={120}
                      />
                    </>
                  )}
                  <NumberField
                    label="Time constant"
                    unit="h"
                    value={place.tauH}
                    fault={fault(`${i}.tauH`)}
                    onValue={(tauH) => change({ tauH })}
                    width={160}
                  />
                </>
              )}
            />
          )}
        </SectionForm>
        <JarsSection kitchenId={id} settings={settings} />
        <ThermometersSection kitchenId={id} settings={settings} />
        <Tablets />
        <Backup />
      </div>
    </div>
  );
}
