/** What cream is churned in. */
export const CHURN_KINDS = ['jar', 'crank', 'plunger', 'whisk', 'blades', 'blender'] as const;
export type ChurnKind = (typeof CHURN_KINDS)[number];
export const CHURN_SPEEDS = ['low', 'medium', 'high'] as const;
export type ChurnSpeed = (typeof CHURN_SPEEDS)[number];

export interface ChurnFacts {
  readonly label: string;
  /** Minutes to break 35 % sweet cream at 14 °C, half full [F]; each kitchen's own churnings correct it. */
  readonly referenceMin: number;
  /** How fast the work itself warms the cream, °C/min [F]. */
  readonly warmsCPerMin: number;
  /** It has a motor with speeds; otherwise hands go at their own. */
  readonly motor: boolean;
  /** It cuts: what broke is whipped back in within a minute. */
  readonly blades: boolean;
}

/** Source: docs/SCIENCE.md, butter. */
export const CHURN_FACTS: Readonly<Record<ChurnKind, ChurnFacts>> = {
  jar: { label: 'Shaken jar', referenceMin: 20, warmsCPerMin: 0.1, motor: false, blades: false },
  crank: { label: 'Hand-cranked churn', referenceMin: 22, warmsCPerMin: 0.1, motor: false, blades: false },
  plunger: { label: 'Plunger churn', referenceMin: 35, warmsCPerMin: 0.1, motor: false, blades: false },
  whisk: { label: 'Mixer with whisk', referenceMin: 9, warmsCPerMin: 0.4, motor: true, blades: false },
  blades: { label: 'Food processor', referenceMin: 5, warmsCPerMin: 0.8, motor: true, blades: true },
  blender: { label: 'Blender', referenceMin: 4, warmsCPerMin: 0.8, motor: true, blades: true },
};

/** Times as long as at the medium speed of a motor [F]. */
export const SPEED_FACTOR: Readonly<Record<ChurnSpeed, number>> = { low: 2.5, medium: 1, high: 0.7 };

/** One of a machine's settings, counted from the lowest. */
export interface ChurnSetting {
  readonly at: number;
  readonly of: number;
}

/**
 * Times as long as at a machine's middle setting: max(0.6, (n/(2·i))^1.3). Source: docs/SCIENCE.md, butter [F].
 * @throws RangeError for a setting the machine has not got
 * @example settingFactor({ at: 1, of: 6 }) // 4.2
 */
export function settingFactor({ at, of }: ChurnSetting): number {
  if (!(at >= 1 && at <= of)) throw new RangeError(`setting ${at} of ${of}: there is no such setting`);
  return Math.max(0.6, (of / (2 * at)) ** 1.3);
}
