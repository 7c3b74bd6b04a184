import { interpolateLinear, leastSquares } from '../numerics/index.ts';

/** Scatter of a kitchen thermometer read by hand, σ in K [F]. */
export const READING_SIGMA_C = 0.5;

export interface CoolingReading {
  readonly minutes: number;
  readonly temperatureC: number;
}

export interface ArrivalEstimate {
  /** Minutes from the same zero as the readings; Infinity when never. */
  readonly minutes: number;
  readonly sigmaMinutes: number;
  /** How much faster (> 1) than the book this pot goes. */
  readonly rateFactor: number;
  readonly rateLogSigma: number;
}

/**
 * Refits a pot's pace from two or more readings: the book's own curve, stretched in time and shifted in its
 * start, least squares with a prior on the pace (σ of ln 0.25) so that one odd reading does not take over.
 * @param curve the book's curve from the first reading's temperature on, [seconds, °C]
 * @param readings two or more, minutes from a common zero
 * @param target °C where the answer is wanted
 * @throws RangeError with fewer than two readings
 */
export function refitArrival(
  curve: readonly (readonly [number, number])[],
  readings: readonly CoolingReading[],
  targetC: number,
  paceLogSigma = 0.25,
): ArrivalEstimate {
  if (readings.length < 2) throw new RangeError('a refit needs two readings');
  if (curve.length < 2) throw new RangeError('a refit needs a curve');
  const zero = readings[0]!.minutes;
  const xs = curve.map(([s]) => s / 60);
  const ys = curve.map(([, c]) => c);
  const rising = ys.at(-1)! > ys[0]!;
  const towards = rising ? ys : ys.map((y) => -y);
  const modelMinutes = (temperatureC: number): number =>
    interpolateLinear(towards, xs, rising ? temperatureC : -temperatureC);
  const lastX = xs.at(-1)!;
  const headSlope = (ys[1]! - ys[0]!) / (xs[1]! - xs[0]!);
  const tailSlope = (ys.at(-1)! - ys.at(-2)!) / (lastX - xs.at(-2)!);
  // Beyond its ends the curve goes on straight: a held end would let the shift swallow the pace.
  const along = (minutes: number): number =>
    minutes < 0
      ? ys[0]! + headSlope * minutes
      : minutes > lastX
        ? ys.at(-1)! + tailSlope * (minutes - lastX)
        : interpolateLinear(xs, ys, minutes);
  const fit = leastSquares(
    ([lnPace = 0, shiftMinutes = 0]) =>
      readings.map((reading) => {
        const at = (reading.minutes - zero) * Math.exp(lnPace) + shiftMinutes;
        return (along(at) - reading.temperatureC) / READING_SIGMA_C;
      }),
    [0, 0.1],
    {
      priors: [
        { mean: 0, sigma: paceLogSigma },
        { mean: 0, sigma: 10 },
      ],
      steps: [1e-4, 1e-3],
    },
  );
  const [lnPace = 0, shift = 0] = fit.parameters;
  const atTarget = modelMinutes(targetC);
  const span = (atTarget - shift) / Math.exp(lnPace);
  const [dPace, dShift] = [-span, -1 / Math.exp(lnPace)];
  const c = fit.covariance;
  const variance =
    c.length === 0
      ? Number.POSITIVE_INFINITY
      : dPace * dPace * c[0]![0]! + 2 * dPace * dShift * c[0]![1]! + dShift * dShift * c[1]![1]!;
  return {
    minutes: zero + span,
    sigmaMinutes: Math.sqrt(Math.max(0, variance)),
    rateFactor: Math.exp(lnPace),
    rateLogSigma: c.length === 0 ? paceLogSigma : Math.sqrt(c[0]![0]!),
  };
}

export interface NewtonFit {
  readonly startC: number;
  readonly ambientC: number;
  readonly tauMinutes: number;
  readonly outcome: 'converged' | 'iteration-cap' | 'singular';
  /** Minutes to a temperature; Infinity when the curve never gets there. */
  minutesTo(temperatureC: number): number;
}

/**
 * Fits plain Newton cooling to readings, with the ambient known or free.
 * @param readings two or more with a known ambient, three or more with a free one
 * @throws RangeError with too few readings
 */
export function fitNewton(readings: readonly CoolingReading[], ambientC?: number): NewtonFit {
  const free = ambientC === undefined;
  if (readings.length < (free ? 3 : 2)) throw new RangeError('too few readings for this fit');
  const first = readings[0]!;
  const last = readings.at(-1)!;
  const guess = ambientC ?? last.temperatureC - (first.temperatureC - last.temperatureC) * 0.5;
  const ratio = Math.max(1e-3, (last.temperatureC - guess) / (first.temperatureC - guess));
  const tau0 = Math.max(1, (last.minutes - first.minutes) / Math.max(0.05, -Math.log(ratio)));
  const model = (p: readonly number[], minutes: number): number => {
    const ambient = free ? p[2]! : guess;
    return ambient + (p[0]! - ambient) * Math.exp(-(minutes - first.minutes) / Math.exp(p[1]!));
  };
  const start = [first.temperatureC, Math.log(tau0), ...(free ? [guess] : [])];
  const fit = leastSquares(
    (p) => readings.map((r) => (model(p, r.minutes) - r.temperatureC) / READING_SIGMA_C),
    start,
    {
      priors: start.map((mean) => ({ mean, sigma: Number.POSITIVE_INFINITY })),
      steps: [1e-3, 1e-4, ...(free ? [1e-3] : [])],
    },
  );
  const startC = fit.parameters[0]!;
  const tauMinutes = Math.exp(fit.parameters[1]!);
  const ambient = free ? fit.parameters[2]! : guess;
  return {
    startC,
    ambientC: ambient,
    tauMinutes,
    outcome: fit.outcome,
    minutesTo: (temperatureC) => {
      const share = (temperatureC - ambient) / (startC - ambient);
      return share > 0 && share <= 1
        ? first.minutes - tauMinutes * Math.log(share)
        : Number.POSITIVE_INFINITY;
    },
  };
}
