import { marksOf, type MakeState, MINUTE_MS } from '@morning-crock/core';
import { Button } from '@mantine/core';
import type { Units } from '../../data/units-of.ts';
import { saveTable, type Cell } from '../../parts/print/table-file.ts';

/** Minutes early or late, in words. */
function against(realMs: number | null, plannedMs: number | null): string {
  if (realMs === null || plannedMs === null) return '–';
  const minutes = Math.round((realMs - plannedMs) / MINUTE_MS);
  if (Math.abs(minutes) < 2) return 'on time';
  return minutes > 0 ? `${minutes} min later` : `${-minutes} min earlier`;
}

const isoOf = (ms: number | null): string | null => (ms === null ? null : new Date(ms).toISOString());

/** The steps as rows of a table file, by the clock of the whole world. */
const rowsOf = (state: MakeState): Cell[][] =>
  state.steps
    .filter(({ step }) => !step.facts.whenever)
    .map(({ step, status, endedAtMs }) => [
      step.title,
      isoOf(state.planned?.steps.find((p) => p.step === step.id)?.end.p50 ?? null),
      isoOf(endedAtMs),
      status,
    ]);

/** The steps and what was seen on the way, each against what was forecast when it began. */
export function StepsTable({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const marks = marksOf(state, { marks: state.planned?.marks ?? [] }).filter((mark) => mark.seenMs !== null);
  return (
    <>
      <div className="table-box" role="region" aria-label="Steps: forecast and actual times" tabIndex={0}>
        <table className="ledger">
          <thead>
            <tr>
              <th>Step</th>
              <th className="num">Forecast</th>
              <th className="num">Actual</th>
              <th>Difference</th>
            </tr>
          </thead>
          <tbody>
            {state.steps
              .filter((s) => !s.step.facts.whenever)
              .flatMap((s) => {
                const planned = state.planned?.steps.find((p) => p.step === s.step.id)?.end.p50 ?? null;
                return [
                  ...marks
                    .filter((mark) => mark.step === s.step.id)
                    .map((mark) => (
                      <tr key={`${mark.step} ${mark.id}`} className="mark-row">
                        <td>{mark.words}, seen</td>
                        <td className="num">{units.span(mark.band.p10, mark.band.p90, state.startedAtMs)}</td>
                        <td className="num">{units.time(mark.seenMs!, state.startedAtMs)}</td>
                        <td>{against(mark.seenMs, mark.band.p50)}</td>
                      </tr>
                    )),
                  <tr key={s.step.id}>
                    <td>{s.step.title}</td>
                    <td className="num">{planned === null ? '–' : units.time(planned, state.startedAtMs)}</td>
                    <td className="num">
                      {s.status === 'skipped'
                        ? 'skipped'
                        : s.endedAtMs === null
                          ? '–'
                          : units.time(s.endedAtMs, state.startedAtMs)}
                    </td>
                    <td>{s.status === 'skipped' ? '' : against(s.endedAtMs, planned)}</td>
                  </tr>,
                ];
              })}
          </tbody>
        </table>
      </div>
      <Button
        variant="subtle"
        px={0}
        onClick={() => saveTable('steps', ['step', 'forecast_then', 'real', 'status'], rowsOf(state))}
      >
        Download steps (CSV)
      </Button>
    </>
  );
}
