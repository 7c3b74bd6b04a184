import { fromCelsius, toCelsius } from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { Rows } from './Rows.tsx';
import { TimeField } from './RowsSection.tsx';

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
      <h3 className="below-s">Room temperature through the day</h3>
      <p className="quiet">Leave empty if the room stays at one temperature.</p>
      <Rows
        items={items}
        none
        set={(next) => set(next.map(({ at, celsius }) => ({ at, celsius })))}
        addLabel="Add time of day"
        create={(id) => ({ id, name: '', at: '06:00', celsius: 16 })}
        fields={(point, i, change) => (
          <>
            <TimeField
              label="Time"
              time={point.at}
              fault={fault(`dayCurve.${i}.at`)}
              onTime={(at) => change({ at })}
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
