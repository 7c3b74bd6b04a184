import { bisect } from '../numerics/index.ts';
import type { TemperatureCourse } from './course.ts';
import { ferment, hoursToPh, type FermentationCourse } from './ferment.ts';
import type { Group } from './groups.ts';
import { inoculumOf, STARTER_FACTS, type StarterKind } from './inocula.ts';

/** Where a culture has been, in days. */
export interface Storage {
  readonly coldD: number;
  readonly roomD: number;
  readonly frozenD: number;
  /** Times it was frozen. */
  readonly freezings: number;
}

/** A day at room heat costs a ripe culture as much as this many in the cold [F: judgement]. */
const ROOM_AGES = 4;
/** log10 lost by freezing and thawing once, and for each day frozen [F: judgement]. */
const FREEZING_COSTS = 0.4;
const FROZEN_LOSS_PER_DAY = 0.003;
/** A dried packet loses this a day, log10: closed and cold; opened; at room heat; frozen [F: judgement]. */
const DRIED_LOSS = { cold: 0.0006, opened: 0.004, room: 0.003, frozen: 0.0002 } as const;

const isDried = (kind: StarterKind): boolean => STARTER_FACTS[kind].dosing === 'stated';

/** What keeping has done to a culture, on the scales a plan has for it. */
export interface Aged {
  /** Days kept cold, or as many as come to the same. */
  readonly ageD: number;
  /** log10 of the count besides: freezing, drying. */
  readonly log10Off: number;
}

/** What a culture's keeping comes to. An estimate: docs/SCIENCE.md, vigour. */
export function agedBy(kind: StarterKind, storage: Storage, opened = false): Aged {
  const { coldD, roomD, frozenD, freezings } = storage;
  if (isDried(kind)) {
    const lost =
      (coldD + roomD + frozenD) * (opened ? DRIED_LOSS.opened : 0) +
      coldD * DRIED_LOSS.cold +
      roomD * DRIED_LOSS.room +
      frozenD * DRIED_LOSS.frozen;
    return { ageD: 0, log10Off: -lost };
  }
  return {
    ageD: Math.min(400, coldD + ROOM_AGES * roomD),
    log10Off: -(freezings * FREEZING_COSTS + frozenD * FROZEN_LOSS_PER_DAY),
  };
}

/**
 * Living share of a fresh culture that is left, 0..1, by the group that has lost most.
 * @example livingShare('fresh-yogurt', { ageD: 7, log10Off: 0 }) // 0.45: the rods go first
 */
export function livingShare(kind: StarterKind, { ageD, log10Off }: Aged): number {
  const losses = Object.keys(STARTER_FACTS[kind].log10).map(
    (group) => (STARTER_FACTS[kind].lossPerDay[group as Group] ?? 0) * ageD - log10Off,
  );
  return 10 ** -Math.max(0, ...losses);
}

export interface DoseQuestion {
  readonly kind: StarterKind;
  readonly aged: Aged;
  /** The culture's own pace as learned; 1 is the book. */
  readonly rate: number;
  /** The dose a fresh one would have had: share of the milk's mass, or of the packet's stated dose. */
  readonly freshRatio: number;
  readonly temperature: TemperatureCourse;
  readonly plasmaSnfPercent: number;
  /** The pH whose time should be the same. */
  readonly ph: number;
}

/** Hours looked at, and the most of a dose anybody would take. */
const HORIZON_H = 48;
const MOST = { mass: 0.15, stated: 6, none: 1 } as const;
const LEAST = { mass: 2e-4, stated: 0.02, none: 1 } as const;

/** How milk sours with some of the culture: as it is now, or as a fresh one of the book would. */
export function courseOfDose(q: DoseQuestion, ratio: number, as: 'fresh' | 'aged'): FermentationCourse {
  const { ageD, log10Off } = as === 'fresh' ? { ageD: 0, log10Off: 0 } : q.aged;
  const inoculum = inoculumOf({
    kind: q.kind,
    ageD,
    log10Off,
    ...(STARTER_FACTS[q.kind].dosing === 'mass' ? { massRatio: ratio } : { statedRatio: ratio }),
  });
  return ferment(
    {
      ...inoculum,
      temperature: q.temperature,
      plasmaSnfPercent: q.plasmaSnfPercent,
      rate: as === 'fresh' ? 1 : q.rate,
    },
    HORIZON_H,
  );
}

/**
 * The dose that sets in the time a fresh starter's would: the middle line, computed by the model.
 * @returns the ratio, or `null` when no reasonable dose does it
 */
export function doseLikeFresh(q: DoseQuestion): { readonly freshH: number; readonly ratio: number | null } {
  const { dosing } = STARTER_FACTS[q.kind];
  const hours = (ratio: number, as: 'fresh' | 'aged'): number =>
    Math.min(HORIZON_H, hoursToPh(courseOfDose(q, ratio, as), q.ph));
  const freshH = hours(q.freshRatio, 'fresh');
  const found = bisect(
    (ln) => hours(Math.exp(ln), 'aged') - freshH,
    Math.log(LEAST[dosing]),
    Math.log(MOST[dosing]),
    1e-4,
  );
  return {
    freshH,
    ratio: freshH < HORIZON_H && found.outcome === 'found' ? Math.exp(found.x) : null,
  };
}
