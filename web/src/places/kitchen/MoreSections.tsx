import {
  formatTemperature,
  fromCelsius,
  fromLitres,
  localDate,
  MILK_FACTS,
  MILK_KINDS,
  SYSTEM_UNITS,
  thermometerCorrection,
  toCelsius,
  toLitres,
  UNIT_LABEL,
  type MilkKind,
} from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { Link } from 'react-router';
import { useUnits } from '../../app/use-units.ts';
import { instantOfFields } from '../../parts/clock-of.ts';
import { NameField } from './NameField.tsx';
import { NumberField } from './NumberField.tsx';
import { Rows } from './Rows.tsx';
import { SectionForm } from './SectionForm.tsx';

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
/** A week is read from Monday. */
const WEEK = [1, 2, 3, 4, 5, 6, 0] as const;
type Part = { readonly kitchenId: string; readonly settings: KitchenSettings };

/** What a check says of a thermometer at incubating heat. */
function checkWords(t: KitchenSettings['thermometers'][number], unit: 'C' | 'F'): string {
  if (t.iceC === null && t.boilingC === null) return 'not checked';
  try {
    const { offsetC, slope } = thermometerCorrection(t);
    return `says ${formatTemperature(43, unit)} at ${formatTemperature(offsetC + slope * 43, unit)}`;
  } catch {
    return 'the check cannot be right';
  }
}

export function JarsSection({ kitchenId, settings }: Part) {
  const volumeUnit =
    settings.units.measures === 'metric'
      ? 'mL'
      : SYSTEM_UNITS[settings.units.measures].milk[settings.units.measures === 'us' ? 1 : 0]!;
  return (
    <SectionForm
      kitchenId={kitchenId}
      section="jars"
      title="Jars"
      value={settings.jars}
      hint="A make can be shared out; each jar goes into the cold when you like."
    >
      {(draft, set, fault) => (
        <Rows
          items={draft}
          set={set}
          none
          addLabel="Add a kind of jar"
          create={(id) => ({ id, name: 'Jar', litres: 0.5, count: 6 })}
          fields={(jar, i, change) => (
            <>
              <NameField name={jar.name} fault={fault(`${i}.name`)} onName={(name) => change({ name })} />
              <NumberField
                label="Holds"
                unit={UNIT_LABEL[volumeUnit]}
                value={fromLitres(jar.litres, volumeUnit)}
                fault={fault(`${i}.litres`)}
                onValue={(v) => change({ litres: toLitres(v, volumeUnit) })}
                width={150}
              />
              <NumberField
                label="I have"
                unit="jars"
                value={jar.count}
                fault={fault(`${i}.count`)}
                onValue={(count) => change({ count })}
                width={120}
              />
            </>
          )}
        />
      )}
    </SectionForm>
  );
}

export function ThermometersSection({ kitchenId, settings }: Part) {
  const units = useUnits();
  const unit = settings.units.temperature;
  return (
    <SectionForm
      kitchenId={kitchenId}
      section="thermometers"
      title="Thermometers"
      value={settings.thermometers}
      hint="Checked in ice slush and boiling water, their readings are set right; what they said is kept."
    >
      {(draft, set, fault) => (
        <>
          <Rows
            items={draft}
            set={set}
            none
            addLabel="Add a thermometer"
            create={(id) => ({
              id,
              name: 'Thermometer',
              iceC: null,
              boilingC: null,
              altitudeM: settings.site.altitudeM,
              checkedAt: null,
            })}
            fields={(t, i, change) => (
              <>
                <NameField name={t.name} fault={fault(`${i}.name`)} onName={(name) => change({ name })} />
                <span className="quiet" style={{ alignSelf: 'center' }}>
                  {fault(`${i}.iceC`) ?? fault(`${i}.boilingC`) ?? checkWords(t, unit)}
                  {t.checkedAt && `, checked ${units.day(Date.parse(t.checkedAt))}`}
                </span>
              </>
            )}
          />
          <Link to="/sums/thermometer">Check a thermometer</Link>
        </>
      )}
    </SectionForm>
  );
}

export function AbsencesSection({ kitchenId, settings }: Part) {
  return (
    <SectionForm
      kitchenId={kitchenId}
      section="absences"
      title="Away"
      value={settings.absences}
      hint="Stall, school run, milking: no hands then."
    >
      {(draft, set, fault) => (
        <Rows
          items={draft}
          set={set}
          none
          addLabel="Add an absence"
          create={(id) => ({
            id,
            cookId: settings.cooks[0]!.id,
            name: 'Away',
            days: [1, 2, 3, 4, 5],
            from: '08:00',
            to: '09:00',
          })}
          fields={(absence, i, change) => (
            <>
              <NameField
                name={absence.name}
                fault={fault(`${i}.name`)}
                onName={(name) => change({ name })}
                width={130}
              />
              <NativeSelect
                label="Who"
                value={absence.cookId}
                data={settings.cooks.map((c) => ({ value: c.id, label: c.name }))}
                onChange={(e) => change({ cookId: e.currentTarget.value })}
                w={150}
              />
              <TextInput
                type="time"
                label="from"
                value={absence.from}
                error={fault(`${i}.from`)}
                onChange={(e) => change({ from: e.currentTarget.value })}
                w={140}
              />
              <TextInput
                type="time"
                label="to"
                value={absence.to}
                error={fault(`${i}.to`)}
                onChange={(e) => change({ to: e.currentTarget.value })}
                w={140}
              />
              <fieldset className="allowances">
                <legend style={{ padding: 0 }}>On</legend>
                {WEEK.map((day) => (
                  <Checkbox
                    key={day}
                    label={DAYS[day]}
                    checked={absence.days.includes(day)}
                    onChange={(e) =>
                      change({
                        days: e.currentTarget.checked
                          ? [...absence.days, day].sort((a, b) => a - b)
                          : absence.days.filter((d) => d !== day),
                      })
                    }
                  />
                ))}
              </fieldset>
            </>
          )}
        />
      )}
    </SectionForm>
  );
}

export function HerdSection({ kitchenId, settings }: Part) {
  const { zone } = settings.site;
  return (
    <SectionForm
      kitchenId={kitchenId}
      section="herd"
      title="Animals"
      value={settings.herd}
      hint="With the day they came into milk, the months ahead are more than a guess."
    >
      {(draft, set, fault) => (
        <Rows
          items={draft}
          set={set}
          none
          addLabel="Add an animal or a herd"
          create={(id) => ({ id, name: 'Cow', kind: 'cow-lean' as const, freshSince: null })}
          fields={(animal, i, change) => (
            <>
              <NameField name={animal.name} fault={fault(`${i}.name`)} onName={(name) => change({ name })} />
              <NativeSelect
                label="Milk of"
                value={animal.kind}
                data={MILK_KINDS.filter((k) => !k.startsWith('shop')).map((k) => ({
                  value: k,
                  label: MILK_FACTS[k].label,
                }))}
                onChange={(e) => change({ kind: e.currentTarget.value as MilkKind })}
                w={220}
              />
              <TextInput
                type="date"
                label="In milk since"
                value={animal.freshSince === null ? '' : localDate(zone, Date.parse(animal.freshSince))}
                error={fault(`${i}.freshSince`)}
                onChange={(e) => {
                  const ms = instantOfFields(zone, e.currentTarget.value, '12:00');
                  change({
                    freshSince: Number.isNaN(ms) ? null : new Date(ms).toISOString(),
                  });
                }}
                w={190}
              />
            </>
          )}
        />
      )}
    </SectionForm>
  );
}

export function ChurnsSection({ kitchenId, settings }: Part) {
  const volumeUnit = SYSTEM_UNITS[settings.units.measures].milk[0]!;
  return (
    <SectionForm
      kitchenId={kitchenId}
      section="churns"
      title="Churns"
      value={settings.churns}
      hint="A churn is filled to half; the cream pot says when there is enough."
    >
      {(draft, set, fault) => (
        <Rows
          items={draft}
          set={set}
          none
          addLabel="Add a churn"
          create={(id) => ({ id, name: 'Churn', litres: 4 })}
          fields={(churn, i, change) => (
            <>
              <NameField name={churn.name} fault={fault(`${i}.name`)} onName={(name) => change({ name })} />
              <NumberField
                label="Holds"
                unit={UNIT_LABEL[volumeUnit]}
                value={fromLitres(churn.litres, volumeUnit)}
                fault={fault(`${i}.litres`)}
                onValue={(v) => change({ litres: toLitres(v, volumeUnit) })}
              />
            </>
          )}
        />
      )}
    </SectionForm>
  );
}

type Curve = NonNullable<KitchenSettings['site']['dayCurve']>;

/** Room heat over the day: a few times with their heat. */
export function DayCurve(props: {
  readonly curve: Curve;
  readonly unit: 'C' | 'F';
  readonly fault: (path: string) => string | null;
  readonly set: (curve: Curve) => void;
}) {
  const { curve, unit, fault, set } = props;
  const items = curve.map((point, i) => ({ ...point, id: String(i), name: point.at }));
  return (
    <div>
      <h3 style={{ marginBottom: 6 }}>Over the day</h3>
      <p className="quiet">Left empty, the room stays at its one heat.</p>
      <Rows
        items={items}
        none
        set={(next) => set(next.map(({ at, celsius }) => ({ at, celsius })))}
        addLabel="Add a time of day"
        create={(id) => ({ id, name: '', at: '06:00', celsius: 16 })}
        fields={(point, i, change) => (
          <>
            <TextInput
              type="time"
              label="at"
              value={point.at}
              error={fault(`dayCurve.${i}.at`)}
              onChange={(e) => change({ at: e.currentTarget.value })}
              w={140}
            />
            <NumberField
              label="Room"
              unit={`°${unit}`}
              value={fromCelsius(point.celsius, unit)}
              fault={fault(`dayCurve.${i}.celsius`)}
              onValue={(v) => change({ celsius: toCelsius(v, unit) })}
              width={120}
            />
          </>
        )}
      />
    </div>
  );
}
