import {
  churnLoads,
  formatMinutes,
  STAGE_SHARE,
  STAGE_WORDS,
  type ChurnLoads,
  type ChurnStage,
  type LoadTime,
  MINUTE_MS,
  CHURN_TOLD,
  makeAt,
  told,
} from '@morning-crock/core';
import { useMemo } from 'react';
import { useNow } from '../../../data/clock.ts';
import { useUnits } from '../../../data/use-units.ts';
import { ChurnCord, KNOTS } from '../../../parts/drawings/ChurnCord.tsx';
import { ChurnDrawing } from '../../../parts/drawings/ChurnDrawing.tsx';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** A reading so long before it went in still says how warm the cream is. */
const READ_BEFORE_MS = 15 * MINUTE_MS;

/** The loads one after another: those that broke, the one in the churn, those that wait. */
function LoadsLine({ churn, nowMs }: { readonly churn: ChurnLoads; readonly nowMs: number }) {
  const units = useUnits();
  const told = ({ run, startMs, endMs }: LoadTime): string => {
    if (run.broke)
      return `broke ${units.time(endMs, nowMs)}, after ${formatMinutes((endMs - startMs) / MINUTE_MS)}`;
    if (run.begun) return 'in the churn';
    return `about ${units.time(startMs, nowMs)}`;
  };
  const { next } = churn;
  return (
    <div className="loads">
      <ol aria-label="Loads">
        {churn.loads.map((load) => (
          <li key={load.run.no} className={load === churn.now ? 'now' : load.run.broke ? 'done' : ''}>
            <strong>{load.run.no}</strong> {told(load)}
          </li>
        ))}
      </ol>
      {next && (
        <p>
          Load {next.no}:{' '}
          {next.takeOutMs <= nowMs ? (
            <strong>take out of the fridge now</strong>
          ) : next.takeOutMs < next.startMs - 60_000 ? (
            <>
              take out of the fridge at{' '}
              <strong className="number">{units.time(next.takeOutMs, nowMs)}</strong>
            </>
          ) : (
            'leave in the fridge until then'
          )}
        </p>
      )}
    </div>
  );
}

/** The churn in section, the cord of its stages, and the minutes, large enough to read across a room. */
export function ChurnPanel({ live, nowMs: minuteMs }: PanelProps) {
  const units = useUnits();
  const nowMs = useNow(1000);
  const { state } = live;
  const churn = useMemo(() => churnLoads(makeAt(state, minuteMs)), [state, minuteMs]);
  const step = state.steps.find(({ step }) => step.kind === 'churn');
  if (!churn || !step) return null;
  const { run, startMs, endMs, lowMs, highMs } = churn.now;
  const seen = run.way.seen;
  const over = step.endedAtMs !== null || run.broke;
  const minutes = over ? (endMs - startMs) / MINUTE_MS : Math.max(0, (nowMs - startMs) / MINUTE_MS);
  const expected = (endMs - startMs) / MINUTE_MS;
  const share = minutes / Math.max(0.1, expected);
  const last = seen.at(-1)?.stage;
  const foreseen: ChurnStage | 'liquid' =
    [...KNOTS].reverse().find((stage) => STAGE_SHARE[stage] <= Math.min(0.95, share)) ?? 'liquid';
  const stage = over ? (last === 'lump' ? 'lump' : 'broken') : (last ?? foreseen);
  const soon = units.span(lowMs, Math.max(highMs, lowMs), nowMs);
  const shareOf = (ms: number): number => (ms - startMs) / MINUTE_MS / Math.max(0.1, expected);
  const resting = told(state, CHURN_TOLD).rests.at(-1)?.toMs === null;
  const several = churn.loads.length > 1;
  const known = state.temperatures.some(({ atMs }) => atMs >= startMs - READ_BEFORE_MS);
  return (
    <section
      className="churn-panel"
      aria-label={
        over
          ? `Broke after ${Math.round(minutes)} minutes of churning`
          : `Churning for ${Math.floor(minutes)} minutes; breaks ${soon}`
      }
    >
      <ChurnDrawing stage={stage} moving={!over && !resting} />
      <ChurnCord
        nowShare={share}
        expected={[shareOf(lowMs), shareOf(highMs)]}
        seen={seen.map((s) => s.stage)}
      />
      <div className="churn-minutes">
        {several && (
          <p className="quiet">
            Load {run.no} of {churn.loads.length}
          </p>
        )}
        <div className={`number churn-big ${minutes >= 99.5 ? 'three-digits' : ''}`}>
          {over ? Math.round(minutes) : Math.floor(minutes)} <small>min</small>
        </div>
        {over ? (
          <p>to break{last === 'lump' && <span className="quiet">, in one lump</span>}</p>
        ) : (
          <>
            <p>
              {resting ? (
                <strong>Paused</strong>
              ) : (
                <>
                  Breaks <strong className="number">{soon}</strong>
                </>
              )}
            </p>
            {!known && (
              <p>
                What temperature is the cream? Until you enter it, {units.temperature(run.churning.startC)} is
                assumed.
              </p>
            )}
            <p className="quiet">
              {last
                ? `last seen: ${STAGE_WORDS[last]}`
                : `expected now: ${foreseen === 'liquid' ? 'liquid' : STAGE_WORDS[foreseen]}`}
            </p>
          </>
        )}
      </div>
      {several && <LoadsLine churn={churn} nowMs={nowMs} />}
    </section>
  );
}
