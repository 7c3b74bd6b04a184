import './tables.css';
import type { FeedRow } from '@morning-crock/core';
import { useUnits } from '../../data/use-units.ts';
import './feed-table.css';

/** The feeds of a waking: how much, when to scald, to feed and to look. */
export function FeedTable({ rows, nowMs }: { readonly rows: readonly FeedRow[]; readonly nowMs: number }) {
  const units = useUnits();
  const now = rows.find((f) => f.is !== 'set')?.n;
  const scalds = rows.some((f) => f.beginMs < f.feedMs);
  return (
    <div className="table-box" role="region" aria-label="Feeds" tabIndex={0}>
      <table className="wake-table">
        <thead>
          <tr>
            <th>Feed</th>
            <th>Milk</th>
            {scalds && <th>Scald</th>}
            <th>Stir in</th>
            <th>Sets about</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((feed) => (
            <tr key={feed.n} className={feed.n === now ? 'now' : ''}>
              <td className="number">{feed.n}</td>
              <td className="number">{units.mass(feed.massKg)}</td>
              {scalds && (
                <td className="number">{feed.is === 'coming' ? units.time(feed.beginMs, nowMs) : '✓'}</td>
              )}
              <td className="number">
                {feed.is === 'coming' ? '' : '✓ '}
                {units.time(feed.feedMs, nowMs)}
              </td>
              <td className="number">
                {feed.is === 'set' ? '✓ ' : ''}
                {units.time(feed.setMs, nowMs)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
