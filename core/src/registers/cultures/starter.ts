import type { Culture, MakePlan } from '../../contract/index.ts';
import { STARTER_FACTS } from '../../science/souring/index.ts';
import { withStarterKind } from '../../setup/index.ts';
import { agedNow } from './culture.ts';

/** A plan's starter taken from a culture of the register, as strong as its keeping leaves it at an instant. */
export function starterFromCulture(plan: MakePlan, culture: Culture, atMs: number): MakePlan['starter'] {
  const starter = withStarterKind(withoutCulture(plan), culture.kind);
  return {
    ...starter,
    ...strengthAt(starter, culture, atMs),
    cultureId: culture.id,
    lineId: culture.lineId,
    turn: culture.turn,
  };
}

/** How old and how strong a culture is at an instant, as a plan says it. */
function strengthAt(
  starter: MakePlan['starter'],
  culture: Culture,
  atMs: number,
): Pick<MakePlan['starter'], 'ageD'> & { readonly log10Off: number } {
  const { ageD, log10Off } = agedNow(culture, atMs);
  const dried = STARTER_FACTS[culture.kind].dosing === 'stated';
  return {
    ageD: dried ? starter.ageD : Math.round(ageD * 10) / 10,
    log10Off: Math.max(-6, Math.round(log10Off * 1000) / 1000),
  };
}

/**
 * The starter of a plan whose start was moved: the culture goes on ageing until then. An age that somebody set by hand
 * stays as it is.
 * @param beforeMs when the plan was to start until now
 */
export function starterMovedTo(
  starter: MakePlan['starter'],
  culture: Culture,
  beforeMs: number,
  startMs: number,
): MakePlan['starter'] {
  const before = strengthAt(starter, culture, beforeMs);
  const untouched = starter.ageD === before.ageD && starter.log10Off === before.log10Off;
  return untouched ? { ...starter, ...strengthAt(starter, culture, startMs) } : starter;
}

/** A plan whose starter is of no culture of the register. */
export function withoutCulture(plan: MakePlan): MakePlan {
  const { cultureId: _c, lineId: _l, turn: _t, log10Off: _o, ...starter } = plan.starter;
  return { ...plan, starter };
}

/** What a plan takes of a culture, and what there is: kg, or packets of a dried one. */
export interface CultureShort {
  readonly of: 'kg' | 'packets';
  readonly wanted: number;
  readonly left: number;
}

/** A scale and a spoon are no more exact than this share. */
const SLACK = 0.02;

/** Whether a plan asks for more of its culture than is left; `null` when there is enough, or nobody knows. */
export function shortOfCulture({ milk, starter }: MakePlan, culture: Culture): CultureShort | null {
  const { packet, massKg } = culture;
  const [of, wanted, left] = packet
    ? ([
        'packets',
        ((starter.statedRatio ?? 0) * milk.litres) / packet.statedLitres,
        packet.packetsLeft,
      ] as const)
    : (['kg', starter.massKg ?? 0, massKg ?? Infinity] as const);
  return wanted > left * (1 + SLACK) ? { of, wanted, left } : null;
}
