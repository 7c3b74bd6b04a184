import { Checkbox, NativeSelect } from '@mantine/core';
import { RowsSection, TimeField, type SectionProps } from './RowsSection.tsx';

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
/** A week is read from Monday. */
const WEEK = [1, 2, 3, 4, 5, 6, 0] as const;

/** Who is there, and when they sleep. */
export function CooksSection(props: SectionProps) {
  return (
    <RowsSection
      {...props}
      section="cooks"
      title="Cooks"
      hint="Plans avoid steps that need you while everybody is asleep."
      addLabel="Add cook"
      create={(id) => ({ id, name: 'Cook', sleepFrom: '22:30', sleepTo: '05:30' })}
      nameWidth={120}
      fields={({ item, change, fault }) => (
        <>
          <TimeField
            label="Sleeps from"
            time={item.sleepFrom}
            fault={fault('sleepFrom')}
            onTime={(sleepFrom) => change({ sleepFrom })}
          />
          <TimeField
            label="to"
            time={item.sleepTo}
            fault={fault('sleepTo')}
            onTime={(sleepTo) => change({ sleepTo })}
          />
        </>
      )}
    />
  );
}

/** When somebody is away. */
export function AbsencesSection(props: SectionProps) {
  const { cooks } = props.settings;
  return (
    <RowsSection
      {...props}
      section="absences"
      title="Away"
      hint="Milking, stall, school run: times when a cook is not free."
      none
      addLabel="Add time away"
      create={(id) => ({
        id,
        cookId: cooks[0]!.id,
        name: 'Away',
        days: [1, 2, 3, 4, 5],
        from: '08:00',
        to: '09:00',
      })}
      nameWidth={120}
      fields={({ item, change, fault }) => (
        <>
          <NativeSelect
            label="Who"
            value={item.cookId}
            data={cooks.map((c) => ({ value: c.id, label: c.name }))}
            onChange={(e) => change({ cookId: e.currentTarget.value })}
            w={120}
          />
          <TimeField
            label="from"
            time={item.from}
            fault={fault('from')}
            onTime={(from) => change({ from })}
          />
          <TimeField label="to" time={item.to} fault={fault('to')} onTime={(to) => change({ to })} />
          <fieldset className="allowances">
            <legend>Days</legend>
            {WEEK.map((day) => (
              <Checkbox
                key={day}
                label={DAYS[day]}
                checked={item.days.includes(day)}
                onChange={(e) =>
                  change({
                    days: e.currentTarget.checked
                      ? [...item.days, day].sort((a, b) => a - b)
                      : item.days.filter((d) => d !== day),
                  })
                }
              />
            ))}
          </fieldset>
        </>
      )}
    />
  );
}
