import '../../parts/tables/tables.css';
import { scaleLinear } from 'd3-scale';
import { localDate } from '@morning-crock/core';
import type { MakeSummary } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useImportDaybookMutation } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { JsonFile } from '../../parts/print/JsonFile.tsx';
import { priceWeight } from '../../parts/words/price-words.ts';
import { inTable, saveTable, type Cell } from '../../parts/print/table-file.ts';
import { Churnings, churningsOf } from './Churnings.tsx';
import { DaybookHead } from './DaybookHead.tsx';
import { useDaybook } from './use-daybook.ts';

const hours = (h: number): string => `${h.toFixed(1)} h`;

/** Warm cultures are through in twelve hours; what sours in the room takes up to three times that and less room. */
const X = scaleLinear([0, 12, 36], [2, 110, 158]).clamp(true);

/** Predicted band and what was seen, on one small scale. */
function SetPicture({ make }: { readonly make: MakeSummary }) {
  const [p10, p50, p90] = make.forecastSetH;
  if (p10 === null && p50 === null && make.seenSetH === null) return null;
  const x = (h: number): number => X(h);
  const said =
    p10 === null ? 'no forecast' : `forecast ${hours(p10)} to ${p90 === null ? 'open' : hours(p90)}`;
  const seen = make.seenSetH === null ? 'set not recorded' : `set after ${hours(make.seenSetH)}`;
  return (
    <svg width="160" height="26" viewBox="0 0 160 26" role="img" aria-label={`${said}, ${seen}`}>
      <line x1="2" x2="158" y1="18" y2="18" stroke="var(--faint)" strokeWidth="2" />
      <line x1={x(12)} x2={x(12)} y1="13" y2="23" stroke="var(--faint)" strokeWidth="2" />
      {p10 !== null && (
        <rect
          x={x(p10)}
          width={Math.max(3, x(p90 ?? 36) - x(p10))}
          y="12"
          height="12"
          fill="var(--brush)"
          opacity="0.45"
        />
      )}
      {p50 !== null && (
        <line x1={x(p50)} x2={x(p50)} y1="10" y2="25" stroke="var(--cobalt)" strokeWidth="2.5" />
      )}
      {make.seenSetH !== null && (
        <path
          d={`M${x(make.seenSetH)} 12 l-6 -10 h12 z`}
          fill="var(--butter)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
    </svg>
  );
}

const OUTCOME = {
  'under-way': { word: 'under way', sign: '●', tone: '' },
  kept: { word: 'kept', sign: '✓', tone: '' },
  unreadable: { word: 'cannot be read', sign: '?', tone: 'danger' },
  discarded: { word: 'discarded', sign: '✗', tone: 'danger' },
} as const;

const NO_FOOD = { word: 'do not eat', sign: '✗', tone: 'danger' } as const;

function Exchange() {
  const [load, { isLoading }] = useImportDaybookMutation();
  return (
    <JsonFile
      label="Import JSON"
      what="JSON file"
      loading={isLoading}
      take={async (content) => {
        const { makes, added, already } = await load(content).unwrap();
        return `${makes} ${makes === 1 ? 'batch' : 'batches'} read. ${added} ${added === 1 ? 'entry' : 'entries'} added, ${already} already here.`;
      }}
      beside={
        <Button component="a" href="/api/export" download="daybook.json" variant="default">
          Export JSON
        </Button>
      }
    />
  );
}

/** About as high as a row is; each is measured when it is there. */
const ROW_PX = 50;
const COLUMN_COUNT = 8;

/** A row that stands for all those out of sight. */
function Unseen({ px }: { readonly px: number }) {
  return px > 0 ? (
    <tr aria-hidden="true">
      <td colSpan={COLUMN_COUNT} style={{ height: px, padding: 0, border: 0 }} />
    </tr>
  ) : null;
}

/** All makes; only those in sight are drawn, for there may be a thousand. */
function MakesTable({ makes }: { readonly makes: readonly MakeSummary[] }) {
  const units = useUnits();
  const nowMs = useNow(60_000);
  const [weight, kg] = priceWeight(units);
  const priced = useMemo(() => makes.some(({ costPerKg }) => costPerKg !== null), [makes]);
  const box = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => {
    const place = document.getElementById('place');
    if (place && box.current)
      setTop(box.current.getBoundingClientRect().top - place.getBoundingClientRect().top + place.scrollTop);
  }, []);
  const rows = useVirtualizer({
    count: makes.length,
    getScrollElement: () => document.getElementById('place'),
    estimateSize: () => ROW_PX,
    getItemKey: (i) => makes[i]?.id ?? i,
    scrollMargin: top,
    overscan: 12,
  });
  const items = rows.getVirtualItems();
  const first = items[0]?.start ?? top;
  const last = items.at(-1)?.end ?? top;
  return (
    <div ref={box} className="table-box" role="region" aria-label="Batches" tabIndex={0}>
      <table className="ledger" aria-rowcount={makes.length + 1}>
        <thead>
          <tr aria-rowindex={1}>
            <th>Date</th>
            <th>Batch</th>
            <th className="num">Amount in</th>
            <th>Hours to set: forecast range, middle and recorded (scale 0, 12, 36 h)</th>
            <th className="num">Set after</th>
            <th className="num">Yield</th>
            {priced && <th className="num">Cost per {weight}</th>}
            <th>Result</th>
          </tr>
        </thead>
        <tbody>
          <Unseen px={first - top} />
          {items.map((item) => {
            const make = makes[item.index]!;
            const outcome = make.doNotEat ? NO_FOOD : OUTCOME[make.status];
            return (
              <tr
                key={make.id}
                ref={rows.measureElement}
                data-index={item.index}
                aria-rowindex={item.index + 2}
              >
                <td className="on-one-line">{units.dayAndYear(Date.parse(make.startedAt), nowMs)}</td>
                <td>
                  <Link to={make.status === 'under-way' ? `/makes/${make.id}` : `/daybook/${make.id}`}>
                    {make.name}
                  </Link>
                </td>
                <td className="num">{units.volume(make.litres)}</td>
                <td>
                  <SetPicture make={make} />
                </td>
                <td className="num">{make.seenSetH === null ? '–' : hours(make.seenSetH)}</td>
                <td className="num">{make.yieldKg === null ? '–' : units.mass(make.yieldKg)}</td>
                {priced && (
                  <td className="num">{make.costPerKg === null ? '–' : (make.costPerKg * kg).toFixed(2)}</td>
                )}
                <td>
                  <span className={outcome.tone}>
                    {outcome.sign} {outcome.word}
                  </span>
                  {make.sourness && `, ${make.sourness}, ${make.texture}`}
                </td>
              </tr>
            );
          })}
          <Unseen px={rows.getTotalSize() + top - last} />
        </tbody>
      </table>
    </div>
  );
}

const COLUMNS = [
  'day',
  'make',
  'product',
  'litres_in',
  'kg_in',
  'kg_out',
  'hours_forecast',
  'hours_seen',
  'turned_out',
  'why',
  'tasted',
  'texture',
  'cost',
  'cost_per_kg',
  'minutes_of_hands',
  'pot',
  'note',
] as const;

const rowOf = (make: MakeSummary, zone: string): Cell[] => [
  localDate(zone, Date.parse(make.startedAt)),
  make.name,
  make.product,
  inTable(make.litres),
  inTable(make.intoKg),
  inTable(make.yieldKg),
  inTable(make.forecastSetH[1]),
  inTable(make.seenSetH),
  make.doNotEat ? NO_FOOD.word : OUTCOME[make.status].word,
  make.reason,
  make.sourness,
  make.texture,
  inTable(make.cost),
  inTable(make.costPerKg),
  inTable(make.handsMin),
  make.pot,
  make.note,
];

/** Every make, latest first: what was forecast against what was seen. */
export function Daybook() {
  const daybook = useDaybook();
  const { all, makes, filter } = daybook;
  const { site } = useKitchen();
  const [search, setSearch] = useSearchParams();
  const churnings = useMemo(() => churningsOf(makes), [makes]);
  const onlyButter = search.get('of') === 'butter' && churnings.length > 0;
  return (
    <div>
      <DaybookHead daybook={daybook}>
        {makes.length > 0 && (
          <Button
            variant="default"
            onClick={() =>
              saveTable(
                'daybook',
                COLUMNS,
                makes.map((make) => rowOf(make, site.zone)),
              )
            }
          >
            Download CSV
          </Button>
        )}
        <Exchange />
      </DaybookHead>
      {daybook.known && all.length === 0 && (
        <p>
          No batches yet. <Link to="/new">Start a batch</Link>
        </p>
      )}
      {churnings.length > 0 && (
        <div className="below-m">
          <Choices
            legend="Show"
            value={onlyButter ? 'butter' : 'all'}
            options={[
              { value: 'all', label: 'all batches' },
              { value: 'butter', label: 'churnings only' },
            ]}
            onChange={(of) =>
              setSearch((before) => {
                const next = new URLSearchParams(before);
                if (of === 'butter') next.set('of', 'butter');
                else next.delete('of');
                return next;
              })
            }
          />
        </div>
      )}
      {onlyButter ? <Churnings churnings={churnings} /> : makes.length > 0 && <MakesTable makes={makes} />}
      {all.length > 0 && makes.length === 0 && (
        <p>
          {filter.words === '' ? 'No batches match this filter.' : `Nothing found for “${filter.words}”.`}
        </p>
      )}
    </div>
  );
}
