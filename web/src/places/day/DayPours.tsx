import type { DayPours as Pours, WayOut } from '@morning-crock/core';
import { useUnits } from '../../data/use-units.ts';
import { DayShares, litresOfLot, shortOf, type Onward } from './DayShares.tsx';

const WIDTH = 640;
const SIDE = 190;
/** Height of a litre, and the least of a stream. */
const MOST_HEIGHT = 240;
const GAP = 26;
/** Room for a lot's name and what is left of it. */
const TWO_LINES = 32;
/** Less than this of a lot is nothing left over, L. */
const LEAST_LEFT = 0.05;
const LEAST = 3;
/** How far down it goes on from a batch to what is made from it, px. */
const ONWARD_DROP = 8;

/** A name that has room for so many letters. @example cut('Sour cream and buttermilk', 18) // 'Sour cream and bu…' */
const cut = (name: string, most: number): string =>
  name.length <= most ? name : `${name.slice(0, most - 1)}…`;

/** Milk and cream as they flow from what is in the milk room into the makes; what is missing is a broken stream. */
export function DayPours(props: {
  readonly pours: Pours;
  readonly nowMs: number;
  readonly onward: Onward;
  readonly onWay: (want: string, way: WayOut) => void;
  /** Somebody wants more or less of one. */
  readonly onLitres: (want: string, litres: number) => void;
}) {
  const { pours, nowMs, onward, onWay, onLitres } = props;
  const units = useUnits();
  const { wants } = pours.allocation;
  const lots = pours.lots.filter(({ id }) => wants.some(({ from }) => from.some((f) => f.lotId === id)));
  const litresOf = (lotId: string, massKg: number): number => litresOfLot(pours, lotId, massKg);
  const lotLitres = (id: string): number =>
    wants.reduce(
      (sum, { from }) =>
        sum + from.filter((f) => f.lotId === id).reduce((own, f) => own + litresOf(id, f.massKg), 0),
      0,
    );
  /** What no batch takes of a lot, L. */
  const leftOf = (id: string): number => {
    const left = pours.allocation.left.find(({ lot }) => lot.id === id);
    const litres = left ? litresOf(id, left.leftKg) : 0;
    return litres >= LEAST_LEFT ? litres : 0;
  };
  const leftOver = lots.filter(({ id }) => leftOf(id) > 0);
  const wanted = wants.reduce((sum, { want }) => sum + want.litres, 0);
  const there = lots.reduce((sum, { id }) => sum + lotLitres(id) + leftOf(id), 0);
  const scale = MOST_HEIGHT / Math.max(1, wanted, there);
  const tall = (litres: number): number => Math.max(LEAST, litres * scale);
  let y = 18;
  const lotTop = new Map<string, number>();
  for (const { id } of lots) {
    lotTop.set(id, y);
    const bar = tall(lotLitres(id)) + leftOf(id) * scale;
    y += (leftOf(id) > 0 ? Math.max(TWO_LINES, bar) : bar) + GAP;
  }
  const leftHeight = y;
  y = 18;
  const wantTop = new Map<string, number>();
  for (const { want } of wants) {
    wantTop.set(want.id, y);
    const bar = tall(want.litres);
    y += (onward.has(want.id) ? Math.max(TWO_LINES + ONWARD_DROP, bar) : bar) + GAP;
  }
  const height = Math.max(leftHeight, y);
  const out = new Map(lotTop);
  const streams = wants.flatMap((of) => {
    let into = wantTop.get(of.want.id)!;
    const parts = of.from.map((f) => {
      const thick = tall(litresOf(f.lotId, f.massKg));
      const from = out.get(f.lotId)!;
      out.set(f.lotId, from + thick);
      const stream = {
        key: `${f.lotId} ${of.want.id}`,
        a: from,
        b: into,
        thick,
        cream: of.want.sort === 'cream',
      };
      into += thick;
      return stream;
    });
    return parts;
  });
  return (
    <section aria-label="Where the milk goes">
      <h2>Where the milk goes</h2>
      <svg
        className="day-pours"
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label="Diagram of the milk and cream going into each batch. The same amounts are listed below."
      >
        {streams.map(({ key, a, b, thick, cream }) => (
          <path
            key={key}
            d={`M${SIDE},${a} C${WIDTH / 2},${a} ${WIDTH / 2},${b} ${WIDTH - SIDE},${b} l0,${thick} C${WIDTH / 2},${b + thick} ${WIDTH / 2},${a + thick} ${SIDE},${a + thick} Z`}
            fill={cream ? 'var(--butter)' : 'var(--brush)'}
            opacity={cream ? 0.9 : 0.35}
          />
        ))}
        {lots.map((lot) => {
          const top = lotTop.get(lot.id)!;
          return (
            <g key={lot.id}>
              <rect x={SIDE - 8} y={top} width="8" height={tall(lotLitres(lot.id))} fill="var(--ink)" />
              {leftOf(lot.id) > 0 && (
                <>
                  <rect
                    x={SIDE - 7.5}
                    y={top + tall(lotLitres(lot.id))}
                    width="7"
                    height={leftOf(lot.id) * scale}
                    fill="none"
                    stroke="var(--ink)"
                  />
                  <text x={SIDE - 14} y={top + 31} fontSize="14" textAnchor="end" fill="var(--quiet)">
                    {units.volume(leftOf(lot.id))} left over
                  </text>
                </>
              )}
              <text x={SIDE - 14} y={top + 13} fontSize="14" textAnchor="end" fill="var(--ink)">
                {cut(lot.name, 24)}
              </text>
            </g>
          );
        })}
        {wants.map((of) => {
          const top = wantTop.get(of.want.id)!;
          const short = of.shortKg > 0 ? shortOf(pours, of) : 0;
          const has = tall(of.want.litres) - short * scale;
          const next = onward.get(of.want.id);
          return (
            <g key={of.want.id}>
              <rect x={WIDTH - SIDE} y={top} width="8" height={Math.max(0, has)} fill="var(--ink)" />
              {short > 0 && (
                <>
                  <rect
                    x={WIDTH - SIDE}
                    y={top + Math.max(0, has)}
                    width="8"
                    height={short * scale}
                    fill="none"
                    stroke="var(--madder)"
                    strokeDasharray="4 3"
                  />
                  <path
                    d={`M${WIDTH - SIDE - 120},${top + has + (short * scale) / 2} h30 m16,0 h24 m14,0 h18`}
                    stroke="var(--madder)"
                    strokeWidth="4"
                  />
                </>
              )}
              <text x={WIDTH - SIDE + 14} y={top + 13} fontSize="14" fill="var(--ink)">
                {units.volume(of.want.litres)} {cut(of.want.name, 18)}
              </text>
              {next && (
                <>
                  <path
                    d={`M${WIDTH - SIDE + 8},${top + 22} c10,0 8,${ONWARD_DROP + 4} 22,${ONWARD_DROP + 4}`}
                    fill="none"
                    stroke="var(--butter)"
                    strokeWidth="5"
                  />
                  <text
                    x={WIDTH - SIDE + 36}
                    y={top + TWO_LINES + ONWARD_DROP}
                    fontSize="14"
                    fill="var(--ink)"
                  >
                    {units.mass(next.massKg)} into {cut(next.name, 12)}
                  </text>
                </>
              )}
            </g>
          );
        })}
      </svg>
      {leftOver.length > 0 && (
        <p className="quiet">
          Left over: {leftOver.map(({ id, name }) => `${units.volume(leftOf(id))} of ${name}`).join('; ')}.
        </p>
      )}
      <DayShares pours={pours} nowMs={nowMs} onward={onward} onWay={onWay} onLitres={onLitres} />
    </section>
  );
}
