import {
  fillJars,
  interpolateLinear,
  sournessOfPh,
  type BandForecast,
  type MakeState,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import './ways.css';

/** The jars of a make: how full, and each into the cold when it is sour enough for whoever eats it. */
export function Jars({
  state,
  forecast,
  nowMs,
}: {
  readonly state: MakeState;
  readonly forecast: BandForecast;
  readonly nowMs: number;
}) {
  const units = useUnits();
  const { jars } = fillJars(state.plan);
  if (jars.length === 0 || state.inoculatedAtMs === null) return null;
  const { ph } = forecast.point;
  const phAt = (ms: number): number | null =>
    ph.length === 0
      ? null
      : interpolateLinear(
          ph.map(([t]) => t),
          ph.map(([, v]) => v),
          ms,
        );
  const open = state.chilledAtMs === null && !state.finished;
  return (
    <section aria-label="Jars" className="jars">
      <h2>Jars</h2>
      <ul>
        {jars.map((jar) => {
          const chilledMs = state.chilledJars.get(jar.id) ?? state.chilledAtMs;
          const value = chilledMs === null ? null : phAt(Math.min(chilledMs, nowMs));
          return (
            <li key={jar.id}>
              <JarShape share={jar.filledLitres / jar.litres} cold={chilledMs !== null} />
              <span>
                {jar.name}
                <br />
                <small className="quiet">
                  {jar.filledLitres < 0.005 ? 'empty' : units.volume(jar.filledLitres)}
                  {chilledMs !== null && `, in the fridge since ${units.time(chilledMs, nowMs)}`}
                  {value !== null && `, tastes about ${sournessOfPh(value)}`}
                </small>
              </span>
              {open && chilledMs === null && jar.filledLitres > 0.005 && (
                <Button
                  variant="default"
                  aria-label={`Move ${jar.name} to fridge`}
                  onClick={() => void record(state.id, 'jar-chilled', { jar: jar.id })}
                >
                  Move to fridge
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function JarShape({ share, cold }: { readonly share: number; readonly cold: boolean }) {
  const height = 30 * Math.min(1, share);
  return (
    <svg viewBox="0 0 28 40" width="28" height="40" aria-hidden="true">
      <rect x="3" y="7" width="22" height="31" rx="4" fill="none" stroke="var(--line)" strokeWidth="2" />
      <rect
        x="5"
        y={37 - height}
        width="18"
        height={height}
        fill={cold ? 'var(--brush)' : 'var(--butter)'}
        opacity="0.7"
      />
      <rect x="6" y="2" width="16" height="5" rx="2" fill="var(--line)" />
    </svg>
  );
}
