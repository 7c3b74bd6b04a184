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
  intake: 'received',
  made: 'from a batch',
  'skimmed-off': 'cream skimmed off',
  'left-under': 'skimmed milk left',
  'put-up': 'added to larder',
  'skimmed-from': 'from skimming',
  'pooled-out': 'combined with another',
  'pooled-in': 'added from another',
  move: 'moved',
  freeze: 'into the freezer',
  'thawed-out': 'taken out to thaw',
  'thawed-in': 'thawing',
  used: 'used',
  away: 'given away',
  animals: 'fed to animals',
  spoiled: 'spoiled',
  recount: 'recounted',
  measure: 'cream line measured',
  churn: 'churned',
  pour: 'used in a batch',
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
  if (!data)
    return (
      <p className="quiet">
        {isError ? 'The ledger cannot be loaded now. Your records are safe.' : 'Opening …'}
      </p>
    );
  // As in the jars: milk by volume, cream by weight.
  const amount = ({ role }: LedgerLine, massKg: number, litres: number): string =>
    isCream({ role }) ? units.mass(massKg) : units.volume(litres);
  const signed = (line: LedgerLine): string =>
    line.massKg === 0
      ? ''
      : `${line.massKg > 0 ? '+' : '−'}${amount(line, Math.abs(line.massKg), Math.abs(line.litres))}`;
  const leaves = (line: LedgerLine): string =>
    line.leavesKg < EMPTY_KG ? 'now empty' : `${amount(line, line.leavesKg, line.leavesLitres)} left`;
  return (
    <div>
      {lotId !== null && (
        <p className="below-s">
          Showing only {lines[0]?.lotName ?? 'this lot'}. <Link to="/milk/ledger">Show all</Link>
        </p>
      )}
      {lines.length === 0 ? (
        <p>No entries yet.</p>
      ) : (
        <p className="quiet below-s">
          Choose a name to edit or undo its entry. Milk or cream used in a batch opens that batch.
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
                      aria-label={`Edit: ${line.lotName}, ${WORD[line.kind]}, ${units.day(line.atMs)} ${units.clock(line.atMs)}`}
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
