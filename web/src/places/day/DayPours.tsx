import { litresOfMass, type DayPours as Pours, type WayOut, MINUTE_MS } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';

const WIDTH = 640;
const SIDE = 190;
/** Height of a litre, and the least of a stream. */
const MOST_HEIGHT = 240;
const GAP = 26;
const LEAST = 3;

/** A name that has room for so many letters. @example cut('Sour cream and buttermilk', 18) // 'Sour cream and bu…' */
const cut = (name: string, most: number): string =>
  name.length <= most ? name : `${name.slice(0, most - 1)}…`;

/** Milk and cream as they flow from what is in the milk room into the makes; what is missing is a broken stream. */
export function DayPours(props: {
  readonly pours: Pours;
  readonly nowMs: number;
  readonly onWay: (want: string, way: WayOut) => void;
}) {
  const { pours, nowMs, onWay } = props;
  const units = useUnits();
  const { wants } = pours.allocation;
  const lots = pours.lots.filter(({ id }) => wants.some(({ from }) => from.some((f) => f.lotId === id)));
  const litresOf = (lotId: string, massKg: number): number => {
    const lot = pours.lots.find(({ id }) => id === lotId);
    return lot ? litresOfMass(massKg, lot.of) : massKg;
  };
  const shortOf = (want: (typeof wants)[number]): number =>
    Math.max(0, want.want.litres - want.from.reduce((sum, f) => sum + litresOf(f.lotId, f.massKg), 0));
  const total = wants.reduce((sum, { want }) => sum + want.litres, 0);
  const scale = MOST_HEIGHT / Math.max(1, total);
  const tall = (litres: number): number => Math.max(LEAST, litres * scale);
  const lotLitres = (id: string): number =>
    wants.reduce(
      (sum, { from }) =>
        sum + from.filter((f) => f.lotId === id).reduce((own, f) => own + litresOf(id, f.massKg), 0),
      0,
    );
  let y = 18;
  const lotTop = new Map<string, number>();
  for (const { id } of lots) {
    lotTop.set(id, y);
    y += tall(lotLitres(id)) + GAP;
  }
  const leftHeight = y;
  y = 18;
  const wantTop = new Map<string, number>();
  for (const { want } of wants) {
    wantTop.set(want.id, y);
    y += tall(want.litres) + GAP;
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
              <text x={SIDE - 14} y={top + 13} fontSize="14" textAnchor="end" fill="var(--ink)">
                {cut(lot.name, 24)}
              </text>
            </g>
          );
        })}
        {wants.map((of) => {
          const top = wantTop.get(of.want.id)!;
          const short = of.shortKg > 0 ? shortOf(of) : 0;
          const has = tall(of.want.litres) - short * scale;
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
            </g>
          );
        })}
      </svg>
      <ul className="bare" aria-label="Where the milk comes from">
        {wants.map((of) => (
          <li key={of.want.id} className="day-want">
            <span>
              <strong>{of.want.name}</strong>{' '}
              <span className="quiet">
                {of.from.length === 0
                  ? 'none in stock'
                  : of.from
                      .map((f) => {
                        const ready = pours.readyMs.get(f.lotId);
                        return `${units.volume(litresOf(f.lotId, f.massKg))} of ${f.name}${ready === undefined ? '' : `, ready ${units.time(ready, nowMs)}`}`;
                      })
                      .join(', ')}
              </span>
            </span>
            {of.shortKg > 0 && (
              <span className="danger">
                short of {units.volume(shortOf(of))} of{' '}
                {of.want.sort === 'skimmed' ? 'skimmed milk' : of.want.sort}
              </span>
            )}
            {(pours.ways.get(of.want.id) ?? []).length > 0 && (
              <div className="row">
                {pours.ways.get(of.want.id)!.map((way) =>
                  way.way === 'buy' ? (
                    <span key="buy">or buy {units.volume(way.litres)}</span>
                  ) : (
                    <Button
                      key={way.way === 'skim' ? way.lotId : 'less'}
                      variant="default"
                      onClick={() => onWay(of.want.id, way)}
                    >
                      {way.way === 'less'
                        ? `Make only ${units.volume(way.litres)}`
                        : `Skim ${way.name} ${way.atMs <= nowMs + 6 * MINUTE_MS ? 'now' : `at ${units.time(way.atMs, nowMs)}`} (about ${units.volume(way.gives)} of cream)`}
                    </Button>
                  ),
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
