import type { Culture, MakePlan } from '../contract/index.ts';
import { STARTER_FACTS } from '../culture/index.ts';
import { withStarterKind } from '../method/index.ts';
import { agedNow } from './culture.ts';

/** A plan's starter taken from a culture of the register, as strong as its keeping leaves it at an instant. */
export function starterFromCulture(plan: MakePlan, culture: Culture, atMs: number): MakePlan['starter'] {
  const starter = withStarterKind(withoutCulture(plan), culture.kind);
  const { ageD, log10Off } = agedNow(culture, atMs);
  const dried = STARTER_FACTS[culture.kind].dosing === 'stated';
  return {
    ...starter,
    ageD: dried ? starter.ageD : Math.round(ageD * 10) / 10,
    cultureId: culture.id,
    lineId: culture.lineId,
    turn: culture.turn,
    log10Off: Math.max(-6, Math.round(log10Off * 1000) / 1000),
  };
}

/** A plan whose starter is of no culture of the register. */
export function withoutCulture(plan: MakePlan): MakePlan {
  const { cultureId: _c, lineId: _l, turn: _t, log10Off: _o, ...starter } = plan.starter;
  return { ...plan, starter };
}
