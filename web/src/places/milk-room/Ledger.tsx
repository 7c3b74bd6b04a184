import { isCream } from '@morning-crock/core';
import type { LedgerLine } from '@morning-crock/core/contract';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useLedgerInfiniteQuery } from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';
import { CorrectMovement } from './CorrectMovement.tsx';

const ROW_PX = 50;
/** Less than a scale shows. */
const EMPTY_KG = 0.001;

const WORD: Readonly<Record<LedgerLine['kind'], string>> = {
  intake: 'came in',
  made: 'out of a make',
  'skimmed-off': 'cream skimmed off',
  'left-under': 'milk left under it',
  'put-up': 'put up into the larder',
  'skimmed-from': 'from skimming',
  'pooled-out': 'poured together',
  'pooled-in': 'poured in',
  move: 'moved',
  freeze: 'into the freezer',
  'thawed-out': 'out to thaw',
  'thawed-in': 'thawing',
  used: 'used',
  away: 'given away',
  animals: 'to the animals',
  spoiled: 'spoiled',
  recount: 'counted again',
  measure: 'cream line measured',
  churn: 'churned',
  pour: 'poured into a make',
};

/** Every litre that moved, the latest first. Only the lines in view are drawn; more are fetched as it is scrolled. */
export function Ledger() {
  const [search] = useSearchParams();
  const lotId = search.get('lot');
  const { data, isError, hasNextPage, isFetchingNextPage, fetchNextPage } = useLedgerInfiniteQuery(lotId);
  const units = useUnits();
  const [opened, setOpened] = useState<LedgerLine | null>(null);
  const lines = useMemo(() => (data?.pages ?? []).flatMap((page) => page.lines), [data]);
  const box = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const items = rows.getVirtualItems();
  const lastShown = items.at(-1)?.index ?? 0;
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage && lastShown > lines.length - 60) void fetchNextPage();
  }, [hasNextPage, isFetchingNextPage, lastShown, lines.length, fetchNextPage]);
  if (!data) return <p className="quiet">{isError ? 'The ledger cannot be read now.' : 'Opening …'}</p>;
  // As in the jars: milk by volume, cream by weight.
  const amount = ({ role }: LedgerLine, massKg: number, litres: number): string =>
    isCream({ role }) ? units.mass(massKg) : units.volume(litres);
  const signed = (line: LedgerLine): string =>
    line.massKg === 0
      ? ''
      : `${line.massKg > 0 ? '+' : '−'}${amount(line, Math.abs(line.massKg), Math.abs(line.litres))}`;
  const leaves = (line: LedgerLine): string =>
    line.leavesKg < EMPTY_KG ? 'leaves it empty' : `leaves ${amount(line, line.leavesKg, line.leavesLitres)}`;
  return (
    <div>
      {lotId !== null && (
        <p className="below-s">
          Only {lines[0]?.lotName ?? 'this lot'}. <Link to="/milk/ledger">All of it</Link>
        </p>
      )}
      {lines.length === 0 ? (
        <p>Nothing has moved yet.</p>
      ) : (
        <p className="quiet below-s">
          A name opens its entry, to be corrected or taken back; what was poured opens its make.
        </p>
      )}
      <div
        ref={box}
        className="ledger-box"
        role="table"
        aria-label="Ledger of milk and cream"
        aria-rowcount={lines.length}
        tabIndex={0}
      >
        <div role="rowgroup" style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {items.map((item) => {
            const line = lines[item.index]!;
            return (
              <div
                key={item.key}
                role="row"
                aria-rowindex={item.index + 1}
                className="ledger-row"
                style={{ transform: `translateY(${item.start}px)`, height: ROW_PX }}
              >
                <span role="cell" className="number">
                  {units.day(line.atMs)} <span className="quiet line-time">{units.clock(line.atMs)}</span>
                </span>
                <span role="cell" className="lot-name">
                  {line.kind === 'pour' && line.otherId ? (
                    <Link className="line-entry" to={`/daybook/${line.otherId}`}>
                      {line.lotName}
                    </Link>
                  ) : line.kind === 'pour' ? (
                    line.lotName
                  ) : (
                    <button
                      type="button"
                      className="line-entry"
                      aria-label={`Correct: ${line.lotName}, ${WORD[line.kind]}, ${units.day(line.atMs)} ${units.clock(line.atMs)}`}
                      onClick={() => setOpened(line)}
                    >
                      {line.lotName}
                    </button>
                  )}
                </span>
                <span role="cell" className="quiet">
                  {WORD[line.kind]}
                  {line.note && `, ${line.note}`}
                </span>
                <span role="cell" className="number num">
                  {signed(line)}
                </span>
                <span role="cell" className="quiet num">
                  {line.kind === 'intake' && line.leavesKg === 0 ? '' : leaves(line)}
                </span>
              </div>
            );
          })}
        </div>
      </div>
      {opened && <CorrectMovement line={opened} onClose={() => setOpened(null)} />}
    </div>
  );
}
