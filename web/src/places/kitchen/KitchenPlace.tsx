import '../../parts/fields/form-styles.ts';
import { fromCelsius, otherUnitFits, toCelsius } from '@morning-crock/core';
import { Checkbox, NativeSelect, TextInput, useMantineColorScheme } from '@mantine/core';
import { useState } from 'react';
import { NavLink, useParams } from 'react-router';
import { useKitchenQuery } from '../../data/api.ts';
import { chooseCook, chosenCook } from '../../data/device.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { Backup } from './Backup.tsx';
import { CalendarAddress } from './CalendarAddress.tsx';
import { Learned } from './Learned.tsx';
import { DayCurve } from './DayCurve.tsx';
import { HerdSection } from './HerdSection.tsx';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { AbsencesSection, CooksSection } from './PeopleSections.tsx';
import { PricesSection } from './PricesSection.tsx';
import type { SectionProps } from './RowsSection.tsx';
import { SectionForm } from './SectionForm.tsx';
import { Tablets } from './Tablets.tsx';
import { TagSheet } from './TagSheet.tsx';
import {
  BurnersSection,
  ChurnsSection,
  JarsSection,
  PotsSection,
  ThermometersSection,
} from './ToolSections.tsx';
import { PlaceChecks } from './PlaceCheck.tsx';
import { WarmPlacesSection } from './WarmPlacesSection.tsx';
import '../../parts/tables/register.css';
import './kitchen.css';

const PARTS = [
  { part: 'room', label: 'Room and units' },
  { part: 'things', label: 'Equipment' },
  { part: 'people', label: 'People and animals' },
  { part: 'costs', label: 'Costs' },
  { part: 'learned', label: 'Learned from batches' },
  { part: 'devices', label: 'Tablets and back-up' },
] as const;

/** The room, the measures, and this tablet. */
function Room({ kitchenId: id, settings }: SectionProps) {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  const [cookId, setCookId] = useState(chosenCook() ?? '');
  const unit = settings.units.temperature;
  const degrees = `°${unit}`;
  const roomFault = (celsius: number): string | null => {
    const typed = fromCelsius(celsius, unit);
    const other = otherUnitFits(typed, unit, { min: 0, max: 45 });
    return other ? `${Math.round(typed)} ${degrees}? That looks like °${other}.` : null;
  };
  return (
    <>
      <SectionForm
        kitchenId={id}
        section="site"
        title="Room"
        value={settings.site}
        hint="Room temperature and altitude set how fast pots cool and at what temperature milk boils."
      >
        {(draft, set, fault) => (
          <>
            <div className="field-row">
              <NumberField
                label="Room temperature"
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
            </div>
            <DayCurve
              curve={draft.dayCurve ?? []}
              unit={unit}
              fault={fault}
              set={(dayCurve) => set({ ...draft, dayCurve })}
            />
            <Checkbox
              label="Single-key shortcuts"
              checked={draft.shortcuts}
              onChange={(e) => set({ ...draft, shortcuts: e.currentTarget.checked })}
              mt={8}
            />
          </>
        )}
      </SectionForm>
      <section className="section" aria-labelledby="tablet">
        <h2 id="tablet">This tablet</h2>
        <NativeSelect
          label="Who uses this tablet"
          value={cookId}
          data={[
            { value: '', label: 'anyone' },
            ...settings.cooks.map((c) => ({ value: c.id, label: c.name })),
          ]}
          onChange={(e) => {
            setCookId(e.currentTarget.value);
            chooseCook(e.currentTarget.value || null);
          }}
        />
        <Choices
          legend="Display"
          value={colorScheme}
          options={[
            { value: 'auto', label: 'same as tablet' },
            { value: 'light', label: 'light' },
            { value: 'dark', label: 'dark' },
          ]}
          onChange={setColorScheme}
        />
      </section>
      <SectionForm kitchenId={id} section="units" title="Units" value={settings.units}>
        {(draft, set) => (
          <>
            <Choices
              legend="Temperature"
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
            <Choices
              legend="Clock"
              value={draft.clock ?? '24h'}
              options={[
                { value: '24h', label: '18:05' },
                { value: '12h', label: '6:05 pm' },
              ]}
              onChange={(clock) => set({ ...draft, clock })}
            />
            <Choices
              legend="Dates"
              value={draft.dayOrder ?? 'day-month'}
              options={[
                { value: 'day-month', label: '24 Mar' },
                { value: 'month-day', label: 'Mar 24' },
                { value: 'year-month', label: 'year first' },
              ]}
              onChange={(dayOrder) => set({ ...draft, dayOrder })}
            />
            <TextInput
              label="Currency (optional)"
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
    </>
  );
}

/** The kitchen's own facts, in parts. Everything has a default: nothing must be filled in before the first make. */
export function KitchenPlace() {
  const { part = 'room' } = useParams();
  const { data } = useKitchenQuery();
  if (!data) return <p className="quiet">Opening …</p>;
  const section = { kitchenId: data.id, settings: data.settings };
  return (
    <div>
      <div className="make-head place-head">
        <h1>Kitchen</h1>
        <nav className="place-parts" aria-label="Kitchen">
          {PARTS.map(({ part: to, label }) => (
            <NavLink key={to} to={to === 'room' ? '/kitchen' : `/kitchen/${to}`} end>
              {label}
            </NavLink>
          ))}
        </nav>
      </div>
      <div className="kitchen">
        {part === 'room' && <Room {...section} />}
        {part === 'things' && (
          <>
            <PotsSection {...section} />
            <WarmPlacesSection {...section} />
            <PlaceChecks {...section} />
            <BurnersSection {...section} />
            <ChurnsSection {...section} />
            <JarsSection {...section} />
            <TagSheet />
            <ThermometersSection {...section} />
          </>
        )}
        {part === 'people' && (
          <>
            <CooksSection {...section} />
            <AbsencesSection {...section} />
            <HerdSection {...section} />
          </>
        )}
        {part === 'costs' && <PricesSection {...section} />}
        {part === 'learned' && <Learned kitchenId={data.id} />}
        {part === 'devices' && (
          <>
            <Tablets />
            <CalendarAddress />
            <Backup />
          </>
        )}
      </div>
    </div>
  );
}
