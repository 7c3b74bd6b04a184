import { localDate, MILK_FACTS, MILK_KINDS, type MilkKind } from '@morning-crock/core';
import { NativeSelect } from '@mantine/core';
import { instantOfFields } from '../../data/instant-of-fields.ts';
import { RowsSection, type SectionProps } from './RowsSection.tsx';
import { DayField } from '../../parts/fields/DayField.tsx';

/** The animals, and since when they give milk. */
export function HerdSection(props: SectionProps) {
  const { zone } = props.settings.site;
  return (
    <RowsSection
      {...props}
      section="herd"
      title="Animals"
      hint="Enter the day each came into milk for a better forecast of the months ahead."
      none
      addLabel="Add animal or herd"
      create={(id) => ({ id, name: 'Cow', kind: 'cow-lean' as const, freshSince: null })}
      fields={({ item, change, fault }) => (
        <>
          <NativeSelect
            label="Kind of milk"
            value={item.kind}
            data={MILK_KINDS.filter((k) => !k.startsWith('shop')).map((k) => ({
              value: k,
              label: MILK_FACTS[k].label,
            }))}
            onChange={(e) => change({ kind: e.currentTarget.value as MilkKind })}
            w={260}
          />
          <DayField
            label="In milk since"
            value={item.freshSince === null ? '' : localDate(zone, Date.parse(item.freshSince))}
            error={fault('freshSince')}
            onValue={(day) => {
              const ms = instantOfFields(zone, day, '12:00');
              change({ freshSince: Number.isNaN(ms) ? null : new Date(ms).toISOString() });
            }}
          />
        </>
      )}
    />
  );
}
