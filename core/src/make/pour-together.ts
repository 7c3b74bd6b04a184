import type { EventOf } from '../contract/index.ts';
import { acidOfPh, createKernel, sampleCourse, type Group } from '../science/souring/index.ts';
import { batchOf, isHeated } from '../setup/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { productOf } from '../products/index.ts';
import { starterKg } from './make-flow.ts';
import type { BandForecast } from './forecast.ts';
import { incubationOf } from './incubation.ts';
import { safetyOf, shownAcidAtMs } from './safety.ts';
import { walkThermal } from './thermal.ts';
import type { MakeState } from './state.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** Fewer cells than this make no difference, log10 per mL. */
const NO_CELLS = 1;

/**
 * Why two makes are not poured together; `null` when nothing is against it: both sour now, on the same kind of step, of the same
 * kind of milk, and both or neither of it raw.
 */
export function whyNotTogether(one: MakeState, other: MakeState): string | null {
  const into = ({ plan }: MakeState): string => productOf(plan).goods.into;
  const raw = ({ plan }: MakeState): boolean => plan.milk.treatment === 'raw' && !isHeated(plan);
  if (other.finished !== null || other.current?.step.facts.sours !== true || other.inoculatedAtMs === null)
    return 'is not souring now';
  if (one.current?.step.kind !== other.current.step.kind || into(one) !== into(other))
    return 'sours in a different way';
  if (raw(one) !== raw(other))
    return raw(other) ? 'is raw, and would make the whole batch raw' : 'is heated, but this batch is raw';
  return null;
}

/**
 * A make as it is poured into another: how much, how warm, how sour, and what works in it.
 * @param forecast of the make that is poured; its middle line tells its pH
 * @throws TypeError for a make in which nothing sours yet
 */
export function asPoured(
  other: MakeState,
  forecast: Pick<BandForecast, 'point'>,
  nowMs: number,
): EventOf<'joined'>['data'] {
  const incubation = incubationOf(other, walkThermal(other, nowMs), nowMs);
  if (!incubation || other.inoculatedAtMs === null) throw new TypeError('nothing sours in it yet');
  const hours = Math.max(incubation.stepH, (nowMs - other.inoculatedAtMs) / HOUR_MS);
  const { spec, stepH } = incubation;
  const course = { kind: 'points', hoursAndCelsius: incubation.course } as const;
  const kernel = createKernel(
    sampleCourse(course, Math.ceil(hours / stepH) * stepH, stepH),
    spec.starts,
    spec.startAcidMmolPerKg,
    spec.joinings,
  );
  kernel.run(
    {
      rate: spec.rate,
      log10Offset: 0,
      biasC: 0,
      lagFactor: 1,
      plasmaSnfPercent: spec.plasmaSnfPercent,
    },
    new Float64Array(kernel.steps + 1),
    0,
  );
  const groups = [...spec.starts, ...(spec.joinings ?? []).flatMap(({ starts }) => starts)];
  const cells: Partial<Record<Group, number>> = {};
  for (const [i, { group }] of groups.entries())
    cells[group] = (cells[group] ?? 0) + (kernel.cellsAtEnd[i] ?? 0);
  const at = (row: readonly (readonly [number, number])[]): number =>
    interpolateLinear(
      row.map(([ms]) => ms),
      row.map(([, value]) => value),
      nowMs,
    );
  const { massKg, composition } = batchOf(other.plan);
  const { temperature, ph } = forecast.point;
  return {
    makeId: other.id,
    massKg: massKg + (starterKg(other) ?? 0),
    celsius: at(temperature),
    composition,
    acidMmolPerKg: Math.max(0, acidOfPh(at(ph), spec.plasmaSnfPercent)),
    log10CfuPerMl: Object.fromEntries(
      Object.entries(cells)
        .map(([group, n]) => [group, Math.log10(Math.max(10 ** NO_CELLS, n))] as const)
        .filter(([, log10]) => log10 > NO_CELLS),
    ),
    raw: other.plan.milk.treatment === 'raw' && !isHeated(other.plan),
    warmH: safetyOf(other, temperature, nowMs, null).warmH,
    shownAcid: shownAcidAtMs(other) !== null,
  };
}
