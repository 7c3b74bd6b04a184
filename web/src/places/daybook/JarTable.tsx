import {
  fillJars,
  interpolateLinear,
  pointForecast,
  sournessOfPh,
  type MakeState,
} from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';

/** What became of each jar. */
export function JarTable({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const jars = fillJars(state.plan).jars.filter((jar) => jar.filledLitres > 0.005);
  if (jars.length === 0) return null;
  const { ph } = pointForecast(state, state.finished?.atMs ?? state.startedAtMs);
  return (
    <div className="table-box above-l" role="region" aria-label="Jars" tabIndex={0}>
      <table className="ledger">
        <thead>
          <tr>
            <th>Jar</th>
            <th className="num">Filled</th>
            <th className="num">Into fridge</th>
            <th>Taste (estimated)</th>
          </tr>
        </thead>
        <tbody>
          {jars.map((jar) => {
            const coldMs = state.chilledJars.get(jar.id) ?? state.chilledAtMs;
            const value =
              coldMs === null || ph.length === 0
                ? null
                : interpolateLinear(
                    ph.map(([ms]) => ms),
                    ph.map(([, v]) => v),
                    coldMs,
                  );
            return (
              <tr key={jar.id}>
                <td>{jar.name}</td>
                <td className="num">{units.volume(jar.filledLitres)}</td>
                <td className="num">{coldMs === null ? '–' : units.time(coldMs, state.startedAtMs)}</td>
                <td>{value === null ? '–' : sournessOfPh(value)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
