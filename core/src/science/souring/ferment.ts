import { sampleCourse, type TemperatureCourse } from './course.ts';
import { GROUPS, type Group } from './groups.ts';
import { createKernel, crossingH, type GroupStart } from './kernel.ts';

/** One fermentation to follow, in the core's units. */
export interface Fermentation {
  readonly temperature: TemperatureCourse;
  readonly log10CfuPerMl: Readonly<Partial<Record<Group, number>>>;
  readonly lagH: Readonly<Partial<Record<Group, number>>>;
  readonly startAcidMmolPerKg: number;
  readonly plasmaSnfPercent: number;
  /** The culture's own pace; 1 is the book. */
  readonly rate?: number;
}

export interface FermentationCourse {
  readonly stepH: number;
  readonly steps: number;
  /** pH at each step. */
  readonly ph: Float64Array;
  /** Acid made by each group, mmol/kg plasma, at each step. */
  readonly acidByGroup: Readonly<Partial<Record<Group, Float64Array>>>;
  readonly startAcidMmolPerKg: number;
}

/** The groups a fermentation starts with, in a fixed order. */
export function groupStarts(f: Pick<Fermentation, 'log10CfuPerMl' | 'lagH'>): GroupStart[] {
  return GROUPS.flatMap((group) => {
    const log10CfuPerMl = f.log10CfuPerMl[group];
    return log10CfuPerMl === undefined ? [] : [{ group, log10CfuPerMl, lagH: f.lagH[group] ?? 0 }];
  });
}

/**
 * Follows one fermentation. Times are good to 0.05 % and pH to 0.001 at the default step.
 * @param horizonH hours to follow
 * @example hoursToPh(ferment({ temperature: { kind: 'constant', celsius: 43 }, … }, 24), 4.6) // 3.695
 */
export function ferment(f: Fermentation, horizonH: number, stepH = 0.1): FermentationCourse {
  const starts = groupStarts(f);
  const kernel = createKernel(sampleCourse(f.temperature, horizonH, stepH), starts, f.startAcidMmolPerKg);
  const ph = new Float64Array(kernel.steps + 1);
  kernel.run(
    { rate: f.rate ?? 1, log10Offset: 0, biasC: 0, lagFactor: 1, plasmaSnfPercent: f.plasmaSnfPercent },
    ph,
    0,
  );
  return {
    stepH,
    steps: kernel.steps,
    ph,
    acidByGroup: Object.fromEntries(starts.map((s, i) => [s.group, kernel.acidByGroup[i]!])),
    startAcidMmolPerKg: f.startAcidMmolPerKg,
  };
}

/** Hours until a pH; Infinity when it is not reached within the course. */
export function hoursToPh(course: FermentationCourse, ph: number): number {
  return crossingH(course.ph, 0, course.steps, course.stepH, ph);
}

/** pH at an hour, held at the end. */
export function phAtHour(course: FermentationCourse, hour: number): number {
  const x = Math.min(course.steps, Math.max(0, hour / course.stepH));
  const i = Math.min(course.steps - 1, Math.floor(x));
  return course.ph[i]! + (x - i) * (course.ph[i + 1]! - course.ph[i]!);
}

/** Lactic acid at an hour, mmol/kg plasma, with what the starter brought. */
export function acidAtHour(course: FermentationCourse, hour: number): number {
  const x = Math.min(course.steps, Math.max(0, hour / course.stepH));
  const i = Math.min(course.steps - 1, Math.floor(x));
  let acid = course.startAcidMmolPerKg;
  for (const made of Object.values(course.acidByGroup))
    acid += made[i]! + (x - i) * (made[i + 1]! - made[i]!);
  return acid;
}
