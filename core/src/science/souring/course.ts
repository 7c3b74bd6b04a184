import { interpolateLinear } from '../numerics/index.ts';

/** How temperature goes on over hours. */
export type TemperatureCourse =
  | { readonly kind: 'constant'; readonly celsius: number }
  | { readonly kind: 'newton'; readonly startC: number; readonly ambientC: number; readonly tauH: number }
  | { readonly kind: 'points'; readonly hoursAndCelsius: readonly (readonly [number, number])[] };

/** Temperature of a course at an hour, °C; the ends of `points` are held. */
export function courseTemperatureC(course: TemperatureCourse, hour: number): number {
  switch (course.kind) {
    case 'constant':
      return course.celsius;
    case 'newton':
      return course.ambientC + (course.startC - course.ambientC) * Math.exp(-hour / course.tauH);
    case 'points':
      return interpolateLinear(
        course.hoursAndCelsius.map(([h]) => h),
        course.hoursAndCelsius.map(([, c]) => c),
        hour,
      );
  }
}

/**
 * A course sampled at every half step, as the integrator wants it. `looseness` says how much of a
 * temperature bias applies at each sample: 0 where a probe measured, 1 where nobody did.
 */
export interface CourseGrid {
  readonly stepH: number;
  readonly steps: number;
  /** 2·steps + 1 samples. */
  readonly halfStepC: Float64Array;
  readonly looseness: Float64Array;
}

/** Samples a course. @param stepH the integrator's step, h @param looseness 0..1 at an hour; 1 when left out */
export function sampleCourse(
  course: TemperatureCourse,
  horizonH: number,
  stepH: number,
  looseness: (hour: number) => number = () => 1,
): CourseGrid {
  const steps = Math.max(1, Math.ceil(horizonH / stepH - 1e-9));
  const xs = course.kind === 'points' ? Float64Array.from(course.hoursAndCelsius, ([h]) => h) : null;
  const ys = course.kind === 'points' ? Float64Array.from(course.hoursAndCelsius, ([, c]) => c) : null;
  const at = (hour: number): number =>
    xs && ys ? interpolateLinear(xs, ys, hour) : courseTemperatureC(course, hour);
  const half = stepH / 2;
  return {
    stepH,
    steps,
    halfStepC: Float64Array.from({ length: 2 * steps + 1 }, (_, i) => at(i * half)),
    looseness: Float64Array.from({ length: 2 * steps + 1 }, (_, i) => looseness(i * half)),
  };
}
