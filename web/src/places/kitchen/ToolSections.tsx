import {
  BURNER_EFFICIENCY,
  BURNER_FACTS,
  BURNER_KINDS,
  CHURN_FACTS,
  CHURN_KINDS,
  DEFAULT_BURNER_KW,
  formatTemperature,
  SYSTEM_UNITS,
  thermometerCorrection,
} from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { WidthField } from './WidthField.tsx';
import { HoldsField, RowsSection, type SectionProps } from './RowsSection.tsx';

/** The measure of a pot or a churn. */
const bigUnit = ({ units }: KitchenSettings) => SYSTEM_UNITS[units.measures].milk[0]!;
/** The measure of a jar. */
const smallUnit = ({ units: { measures } }: KitchenSettings) =>
  measures === 'metric' ? 'mL' : SYSTEM_UNITS[measures].milk[measures === 'us' ? 1 : 0]!;

export function PotsSection(props: SectionProps) {
  return (
    <RowsSection
      {...props}
      section="pots"
      title="Pots"
      addLabel="Add pot"
      create={(id) => ({ id, name: 'Pot', litres: 4, lossFactor: 1 })}
      fields={({ item, change, fault }) => (
        <>
          <HoldsField
            litres={item.litres}
            unit={bigUnit(props.settings)}
            fault={fault('litres')}
            onLitres={(litres) => change({ litres })}
          />
          <WidthField
            widthCm={item.widthCm}
            imperial={props.settings.units.measures !== 'metric'}
            fault={fault('widthCm')}
            onWidth={(widthCm) => change({ widthCm })}
          />
        </>
      )}
    />
  );
}

export function BurnersSection(props: SectionProps) {
  return (
    <RowsSection
      {...props}
      section="burners"
      title="Burners"
      hint="About half of a burner’s power reaches the milk. Your own readings refine this figure. An electric plate stays hot after it is switched off."
      addLabel="Add burner"
      create={(id) => ({ id, name: 'Burner', powerKw: DEFAULT_BURNER_KW, efficiency: BURNER_EFFICIENCY })}
      fields={({ item, change, fault }) => (
        <>
          <NativeSelect
            label="Kind"
            value={item.kind ?? 'flame'}
            data={BURNER_KINDS.map((kind) => ({ value: kind, label: BURNER_FACTS[kind].label }))}
            onChange={(e) => change({ kind: BURNER_KINDS.find((k) => k === e.currentTarget.value) })}
          />
          <NumberField
            label="Power"
            unit="kW"
            value={item.powerKw}
            fault={fault('powerKw')}
            onValue={(powerKw) => change({ powerKw })}
            width={120}
          />
          <NumberField
            label="Reaches the milk"
            unit="%"
            value={item.efficiency * 100}
            fault={fault('efficiency')}
            onValue={(v) => change({ efficiency: v / 100 })}
            width={170}
          />
        </>
      )}
    />
  );
}

export function JarsSection(props: SectionProps) {
  return (
    <RowsSection
      {...props}
      section="jars"
      title="Jars"
      hint="Divide a batch into jars, and move each jar to the fridge when you like."
      none
      addLabel="Add jar size"
      create={(id) => ({ id, name: 'Jar', litres: 0.5, count: 6 })}
      fields={({ item, change, fault }) => (
        <>
          <HoldsField
            litres={item.litres}
            unit={smallUnit(props.settings)}
            fault={fault('litres')}
            onLitres={(litres) => change({ litres })}
          />
          <NumberField
            label="Number"
            unit="jars"
            value={item.count}
            fault={fault('count')}
            onValue={(count) => change({ count })}
            width={120}
          />
        </>
      )}
    />
  );
}

export function ChurnsSection(props: SectionProps) {
  return (
    <RowsSection
      {...props}
      section="churns"
      title="Churns"
      hint="Fill a churn half full. The cream pot shows when there is enough."
      none
      addLabel="Add churn"
      create={(id) => ({ id, name: 'Churn', litres: 4, kind: 'crank' as const })}
      fields={({ item, change, fault }) => (
        <>
          <HoldsField
            litres={item.litres}
            unit={bigUnit(props.settings)}
            fault={fault('litres')}
            onLitres={(litres) => change({ litres })}
          />
          <NativeSelect
            label="Kind"
            value={item.kind ?? 'crank'}
            data={CHURN_KINDS.map((kind) => ({ value: kind, label: CHURN_FACTS[kind].label }))}
            onChange={(e) =>
              change({ kind: CHURN_KINDS.find((k) => k === e.currentTarget.value) ?? 'crank' })
            }
          />
          {CHURN_FACTS[item.kind ?? 'crank'].motor && (
            <NumberField
              label="Settings"
              unit="0 for low, medium, high"
              value={item.settings ?? 0}
              fault={fault('settings')}
              onValue={(settings) => change({ settings: settings === 0 ? undefined : settings })}
              width={260}
            />
          )}
        </>
      )}
    />
  );
}

/** What a check says of a thermometer at incubating heat. */
function checkWords(t: KitchenSettings['thermometers'][number], unit: 'C' | 'F'): string {
  if (t.iceC === null && t.boilingC === null) return 'not checked';
  try {
    const { offsetC, slope } = thermometerCorrection(t);
    return `reads ${formatTemperature(43, unit)} at ${formatTemperature(offsetC + slope * 43, unit)}`;
  } catch {
    return 'check looks wrong, repeat it';
  }
}

export function ThermometersSection(props: SectionProps) {
  const units = useUnits();
  const { settings } = props;
  return (
    <RowsSection
      {...props}
      section="thermometers"
      title="Thermometers"
      hint="Check each in ice slush and boiling water. Readings are then corrected, and the original is kept."
      none
      addLabel="Add thermometer"
      create={(id) => ({
        id,
        name: 'Thermometer',
        iceC: null,
        boilingC: null,
        altitudeM: settings.site.altitudeM,
        checkedAt: null,
      })}
      fields={({ item, fault }) => (
        <span className="quiet in-the-middle">
          {fault('iceC') ?? fault('boilingC') ?? checkWords(item, settings.units.temperature)}
          {item.checkedAt && `, checked ${units.day(Date.parse(item.checkedAt))}`}
        </span>
      )}
    >
      <Link to="/sums/thermometer">Check thermometer</Link>
    </RowsSection>
  );
}
