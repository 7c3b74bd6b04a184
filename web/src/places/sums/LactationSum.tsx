import {
  expectedLitres,
  fromLitres,
  litresOnDay,
  localDate,
  SYSTEM_UNITS,
  UNIT_LABEL,
  weeksOfMilk,
} from '@morning-crock/core';
import { NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useMilkDaysQuery } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { SumFace } from './SumFace.tsx';
import type { SumDesk } from './use-sum.ts';

const LAST_DAY = 305;

/** What an animal gives on a day to come, from the milkings on record. */
export function LactationSum({ desk }: { readonly desk: SumDesk }) {
  const units = useUnits();
  const { site, herd } = useKitchen();
  const [search] = useSearchParams();
  const { data } = useMilkDaysQuery();
  const [openedMs] = useState(now);
  const sources = useMemo(
    () => (data ? weeksOfMilk(data, herd, localDate(site.zone, openedMs)).sources : []),
    [data, herd, site.zone, openedMs],
  );
  const fitted = sources.filter((s) => s.curve);
  const [name, setName] = useState(search.get('source') ?? '');
  const [ahead, setAhead] = useState(28);
  const chosen = fitted.find((s) => s.source === name) ?? fitted[0];
  if (!data) return <p className="quiet">Opening …</p>;
  if (!chosen?.curve)
    return (
      <p>
        The curve needs at least five days of recorded milk. <Link to="/milk/in">Add milk</Link>, or{' '}
        <Link to="/milk/file">import a file of milkings</Link>.
      </p>
    );
  const { curve, dayInMilk } = chosen;
  const unit = SYSTEM_UNITS[units.system].milk[0]!;
  const then = expectedLitres(curve, dayInMilk + ahead);
  const points = Array.from({ length: 60 }, (_, i) => 3 + (i * (LAST_DAY - 3)) / 59);
  return (
    <SumFace
      desk={desk}
      controls={
        <>
          <NativeSelect
            label="Animal or herd"
            value={chosen.source}
            data={fitted.map((s) => s.source)}
            onChange={(e) => setName(e.currentTarget.value)}
          />
          <StepSlider
            label="Days ahead"
            value={ahead}
            shown={`${ahead} days`}
            min={1}
            max={120}
            step={1}
            onChange={setAhead}
          />
          <p className="quiet">
            Day {dayInMilk} in milk
            {chosen.guessed && ' (estimated). Enter the day she came into milk in Kitchen'}.
          </p>
        </>
      }
      answer={units.volumeRange(then.p10, then.p90)}
      answerNote={`per day on day ${dayInMilk + ahead}, eight days in ten. Based on ${curve.days} days of milk.`}
      picture={
        <LittleCurve
          label={`Lactation curve of ${chosen.source}`}
          lines={[
            {
              name: 'curve',
              points: points.map((t): readonly [number, number] => [
                t,
                fromLitres(litresOnDay(curve, t), unit),
              ]),
              colour: 'cobalt',
            },
          ]}
          xUnit="days"
          yUnit={UNIT_LABEL[unit]}
        />
      }
      facts={[
        ['peak', `day ${Math.round(curve.peakDay)}`],
        ['peak yield', units.aboutVolume(curve.peakLitres)],
        ['day-to-day variation', `± ${Math.round(Math.expm1(curve.dayLnSigma) * 100)} %`],
      ]}
      backTo={{ label: 'See months ahead', to: '/milk/months' }}
    />
  );
}
