import {
  fromLitres,
  localDate,
  MILK_FACTS,
  SYSTEM_UNITS,
  UNIT_LABEL,
  weeksOfMilk,
} from '@morning-crock/core';
import type { MilkDays } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useCallback, useMemo } from 'react';
import { Link } from 'react-router';
import { useMilkDaysQuery } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import type { ChartBuilder } from '../../charts/Chart.tsx';
import { LazyChart } from '../../charts/LazyChart.tsx';
import { weeksOption } from '../../charts/weeks-option.ts';

const NO_DAYS: Pick<MilkDays, 'days' | 'used'> = { days: [], used: [] };

/** What the animals gave and will give, against what the makes take: glut and gap ahead. */
export function Months() {
  const { data, isError } = useMilkDaysQuery();
  const kitchen = useKitchen();
  const units = useUnits();
  const nowMs = useNow(60_000);
  const today = localDate(kitchen.site.zone, nowMs);
  const outlook = useMemo(
    () => weeksOfMilk(data ?? NO_DAYS, kitchen.herd, today),
    [data, kitchen.herd, today],
  );
  const unit = SYSTEM_UNITS[units.system].milk[0]!;
  const build = useCallback<ChartBuilder>(
    (theme, narrow) =>
      weeksOption(
        outlook.weeks.map((w) => ({
          label: units.day(Date.parse(`${w.from}T12:00:00.000Z`)).slice(4),
          ahead: w.ahead,
          milk: fromLitres(w.milk.p50, unit),
          low: fromLitres(w.milk.p10, unit),
          high: fromLitres(w.milk.p90, unit),
          used: fromLitres(w.usedLitres, unit),
        })),
        UNIT_LABEL[unit],
        theme,
        narrow,
      ),
    [outlook, units, unit],
  );
  if (!data)
    return (
      <p className="quiet">
        {isError ? 'The milkings cannot be loaded now. Your records are safe.' : 'Opening …'}
      </p>
    );
  const ahead = outlook.weeks.filter((w) => w.ahead);
  const glut = ahead.find((w) => w.milk.p10 > w.usedLitres);
  const gap = ahead.find((w) => w.milk.p90 < w.usedLitres);
  const dayOf = (from: string): string => units.day(Date.parse(`${from}T12:00:00.000Z`));
  return (
    <div className="months">
      {outlook.sources.length === 0 ? (
        <p>
          No milkings yet. <Link to="/milk/in">Add milk</Link>, or <Link to="/milk/file">import a file</Link>.
        </p>
      ) : (
        <>
          <p className="months-word">
            {glut
              ? `From the week of ${dayOf(glut.from)} you will have about ${units.aboutVolume(glut.milk.p50 - glut.usedLitres)} a week more than you use.`
              : gap
                ? `From the week of ${dayOf(gap.from)} you will be about ${units.aboutVolume(gap.usedLitres - gap.milk.p50)} a week short.`
                : 'Milk in the weeks ahead should about match what you use.'}
          </p>
          <div className="months-chart">
            <LazyChart
              build={build}
              label={`Milk per week: ${outlook.weeks.map((w) => `${dayOf(w.from)} ${w.ahead ? 'about ' : ''}${units.aboutVolume(w.milk.p50)}, used ${units.aboutVolume(w.usedLitres)}`).join('; ')}`}
            />
          </div>
          <p className="quiet">
            Solid bars: milk received. Dashed bars: expected, with the range for 8 weeks in 10. Line: milk
            used in batches, then the average of the last four weeks.
          </p>
          <div className="table-box" role="region" aria-label="Animals" tabIndex={0}>
            <table className="ledger">
              <thead>
                <tr>
                  <th>Animal or herd</th>
                  <th className="num">Per day, last week</th>
                  <th className="num">Per day, in four weeks</th>
                  <th>Lactation curve</th>
                </tr>
              </thead>
              <tbody>
                {outlook.sources.map((s) => (
                  <tr key={s.source}>
                    <td>
                      <Link to={`/sums/lactation?source=${encodeURIComponent(s.source)}`}>{s.source}</Link>{' '}
                      <span className="quiet">({MILK_FACTS[s.kind].label.toLowerCase()})</span>
                    </td>
                    <td className="num">
                      {s.lastLitresADay === null ? '–' : units.aboutVolume(s.lastLitresADay)}
                    </td>
                    <td className="num">
                      {s.inFourWeeks ? units.volumeRange(s.inFourWeeks.p10, s.inFourWeeks.p90) : '–'}
                    </td>
                    <td>
                      {s.curve
                        ? `from ${s.curve.days} days of records; ${s.dayInMilk > s.curve.peakDay ? `past its peak of about ${units.aboutVolume(s.curve.peakLitres)}` : `peak of about ${units.aboutVolume(s.curve.peakLitres)} in about ${Math.round(s.curve.peakDay - s.dayInMilk)} days`}${s.guessed ? '. A guess: the start of lactation is not known' : ''}`
                        : 'needs five days of records'}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
      <div className="field-row above-m">
        <Button component="a" href="/api/milk/milkings.csv" download="milkings.csv" variant="default">
          Download milkings (CSV)
        </Button>
        <Button component={Link} to="/milk/file" variant="default">
          Import milkings
        </Button>
      </div>
    </div>
  );
}
