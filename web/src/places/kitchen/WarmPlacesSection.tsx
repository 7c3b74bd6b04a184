import {
  fromCelsius,
  PLACE_FACTS,
  toCelsius,
  WARM_PLACE_KINDS,
  type WarmPlaceKind,
} from '@morning-crock/core';
import { NativeSelect } from '@mantine/core';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { RowsSection, type SectionProps } from './RowsSection.tsx';

type Places = SectionProps['settings']['places'];

/** A check stores the places too: what is being edited takes what it found, and keeps the rest. */
const withChecks = (draft: Places, stored: Places): Places =>
  draft.map((place) => {
    const now = stored.find(({ id }) => id === place.id);
    if (!now || now.kind !== place.kind) return place;
    const { check, checkedAt, tauH, biasC } = now;
    return { ...place, check, checkedAt, ...(checkedAt === place.checkedAt ? {} : { tauH, biasC }) };
  });

/** Where milk is kept warm. */
export function WarmPlacesSection(props: SectionProps) {
  const unit = props.settings.units.temperature;
  const degrees = `°${unit}`;
  return (
    <RowsSection
      {...props}
      renewed={withChecks}
      section="places"
      title="Warm places"
      hint="Time constant: hours two litres take to go about two thirds of the way to the place’s temperature."
      addLabel="Add warm place"
      create={(id) => ({
        id,
        name: 'Warm place',
        kind: 'insulated-box' as const,
        tauH: PLACE_FACTS['insulated-box'].tauH,
      })}
      fields={({ item, change, fault }) => (
        <>
          <NativeSelect
            label="Kind"
            value={item.kind}
            data={WARM_PLACE_KINDS.map((k) => ({ value: k, label: PLACE_FACTS[k].label }))}
            w={230}
            onChange={(e) => {
              const kind = e.currentTarget.value as WarmPlaceKind;
              const dial =
                kind === 'appliance'
                  ? { setPointC: 43, biasC: 0 }
                  : { setPointC: undefined, biasC: undefined };
              // What was checked was another kind of place.
              change({
                kind,
                tauH: PLACE_FACTS[kind].tauH,
                ...dial,
                biasSigmaC: undefined,
                checkedAt: undefined,
                check: undefined,
              });
            }}
          />
          {item.kind === 'appliance' && (
            <>
              <NumberField
                label="Dial"
                unit={degrees}
                value={fromCelsius(item.setPointC ?? 43, unit)}
                fault={fault('setPointC')}
                onValue={(v) => change({ setPointC: toCelsius(v, unit) })}
                width={110}
              />
              <NumberField
                label="Off by"
                unit={degrees}
                value={(item.biasC ?? 0) * (unit === 'F' ? 1.8 : 1)}
                fault={fault('biasC')}
                onValue={(v) => change({ biasC: unit === 'F' ? v / 1.8 : v })}
                width={120}
              />
            </>
          )}
          <NumberField
            label="Time constant"
            unit="h"
            value={item.tauH}
            fault={fault('tauH')}
            onValue={(tauH) => change({ tauH })}
            width={160}
          />
        </>
      )}
    />
  );
}
