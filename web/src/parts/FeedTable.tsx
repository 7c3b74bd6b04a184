import type { Waking } from '@morning-crock/core';
import { useUnits } from '../data/use-units.ts';
import './feed-table.css';

/** The feeds of a waking: when to scald, feed and look, and how long it rests. */
export function FeedTable({ waking, nowMs }: { readonly waking: Waking; readonly nowMs: number }) {
  const units = useUnits();
  const now = waking.feeds.find((f) => f.status !== 'done')?.n;
  return (
    <div className="table-box" role="region" aria-label="Feeds" tabIndex={0}>
      <table className="wake-table">
        <thead>
          <tr>
            <th>Feed</th>
            <th>Milk</th>
            {waking.scald && <th>Scald</th>}
            <th>Stir in</th>
            <th>Look, about</th>
            <th>Sets in</th>
          </tr>
        </thead>
        <tbody>
          {waking.feeds.map((feed) => (
            <tr key={feed.n} className={feed.n === now && !waking.finished ? 'now' : ''}>
              <td className="number">{feed.n}</td>
              <td className="number">{units.mass(feed.massKg)}</td>
              {waking.scald && (
                <td className="number">{feed.fedMs === null ? units.time(feed.beginMs, nowMs) : '✓'}</td>
              )}
              <td className="number">
                {feed.fedMs === null ? units.time(feed.feedMs, nowMs) : `✓ ${units.time(feed.fedMs, nowMs)}`}
              </td>
              <td className="number">
                {feed.setMs === null
                  ? units.time(feed.lookMs, nowMs)
                  : `✓ set ${units.time(feed.setMs, nowMs)}`}
              </td>
              <td className="quiet">
                {feed.status === 'coming' && feed.restColdH > 1
                  ? `rests cold about ${Math.round(feed.restColdH)} h before`
                  : `about ${Math.round(feed.set.p10)}–${Math.round(feed.set.p90)} h`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
