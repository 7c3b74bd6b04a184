import { fromLitres, toLitres, UNIT_LABEL, type VolumeUnit } from '@morning-crock/core';
import type { KitchenChange, KitchenSettings } from '@morning-crock/core/contract';
import type { ReactNode } from 'react';
import { NameField } from './NameField.tsx';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { Rows } from './Rows.tsx';
import { SectionForm } from './SectionForm.tsx';
import { ClockField } from '../../parts/fields/ClockField.tsx';

/** A section and the kitchen it belongs to. */
export interface SectionProps {
  readonly kitchenId: string;
  readonly settings: KitchenSettings;
}

type Section = KitchenChange['section'];
/** Sections that are a list of named things. */
type RowSection = {
  [S in Section]: KitchenSettings[S] extends { readonly id: string; readonly name: string }[] ? S : never;
}[Section];
type RowOf<S extends RowSection> = KitchenSettings[S][number];

/** A row as its fields see it: the thing, how to change it, and what is wrong with a field of it. */
export interface Row<T> {
  readonly item: T;
  readonly change: (part: Partial<T>) => void;
  readonly fault: (field: keyof T & string) => string | null;
}

/** A section of the kitchen that is a list of named things: each on its row, the name first. */
export function RowsSection<S extends RowSection>(
  props: SectionProps & {
    readonly section: S;
    readonly title: string;
    readonly hint?: string;
    /** There may be none at all. */
    readonly none?: boolean;
    readonly addLabel: string;
    readonly create: (id: string) => RowOf<S>;
    readonly nameWidth?: number;
    readonly renewed?: (draft: KitchenSettings[S], value: KitchenSettings[S]) => KitchenSettings[S];
    readonly fields: (row: Row<RowOf<S>>) => ReactNode;
    readonly children?: ReactNode;
  },
) {
  const {
    kitchenId,
    settings,
    section,
    title,
    hint,
    none,
    addLabel,
    create,
    nameWidth,
    renewed,
    fields,
    children,
  } = props;
  return (
    <SectionForm
      kitchenId={kitchenId}
      section={section}
      title={title}
      value={settings[section]}
      renewed={renewed}
      {...(hint === undefined ? {} : { hint })}
    >
      {(draft, set, fault) => (
        <>
          <Rows<RowOf<S>>
            items={draft}
            set={(items) => set(items as KitchenSettings[S])}
            none={none ?? false}
            addLabel={addLabel}
            create={create}
            fields={(item, i, change) => (
              <>
                <NameField
                  name={item.name}
                  fault={fault(`${i}.name`)}
                  onName={(name) => change({ name } as Partial<RowOf<S>>)}
                  {...(nameWidth === undefined ? {} : { width: nameWidth })}
                />
                {fields({ item, change, fault: (field) => fault(`${i}.${field}`) })}
              </>
            )}
          />
          {children}
        </>
      )}
    </SectionForm>
  );
}

/** A time of day of a row. */
export function TimeField(props: {
  readonly label: string;
  readonly time: string;
  readonly fault: string | null;
  readonly onTime: (time: string) => void;
}) {
  return (
    <ClockField
      label={props.label}
      shown={props.label}
      value={props.time}
      error={props.fault}
      onValue={props.onTime}
    />
  );
}

/** What a vessel holds, in the kitchen's own measure. */
export function HoldsField(props: {
  readonly litres: number;
  readonly unit: VolumeUnit;
  readonly fault: string | null;
  readonly onLitres: (litres: number) => void;
}) {
  return (
    <NumberField
      label="Capacity"
      unit={UNIT_LABEL[props.unit]}
      value={fromLitres(props.litres, props.unit)}
      fault={props.fault}
      onValue={(v) => props.onLitres(toLitres(v, props.unit))}
    />
  );
}
