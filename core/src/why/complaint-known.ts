import { faultyKindsOf } from '../products/index.ts';
import { told } from '../steps/index.ts';
import type { MakeState } from '../make/index.ts';
import { COMPLAINTS_OF, type ComplaintId, type FaultyKind } from '../science/causes/index.ts';
import type { Defect } from '../science/souring/index.ts';
import { FAULTS_TOLD } from './faults-told.ts';

/** What a tongue or an eye found, as it is complained of: by the first of these that the kind of thing has. */
const COMPLAINTS_BY_DEFECT: Readonly<Record<Defect, readonly ComplaintId[]>> = {
  grainy: ['grainy', 'cream-lumps', 'ghee-grainy'],
  stringy: ['stringy'],
  split: ['split', 'cream-lumps', 'too-dry'],
  gassy: ['gassy', 'kefir-fizzy'],
  bitter: ['bitter', 'cream-bitter', 'ghee-bitter', 'spoils'],
  yeasty: ['gassy', 'cheesy', 'culture-smells'],
  burnt: ['burnt', 'cream-bitter', 'ghee-dark'],
  'too-sour': ['too-sour'],
  weak: ['thin', 'cream-thin', 'greasy', 'curd-weak', 'kefir-thin', 'ghee-smooth'],
  greasy: ['greasy'],
  crumbly: ['crumbly'],
  streaky: ['streaky'],
};

/** A defect as it is complained of with a kind of thing; `null` where nobody complains of that. @example complaintOf('weak', 'milk') // 'thin' */
export const complaintOf = (defect: Defect, kind: FaultyKind): ComplaintId | null =>
  COMPLAINTS_BY_DEFECT[defect].find((id) => COMPLAINTS_OF[kind].includes(id)) ?? null;

/** What is complained of with a batch, where that is known: what was asked last, or what its tasting found; `null` elsewhere. */
export function complaintKnown(state: MakeState): ComplaintId | null {
  const asked = [...told(state, FAULTS_TOLD).keys()].at(-1);
  if (asked !== undefined) return asked;
  const kinds = faultyKindsOf(state.plan);
  for (const defect of state.tasting?.defects ?? [])
    for (const kind of kinds) {
      const complaint = complaintOf(defect, kind);
      if (complaint !== null) return complaint;
    }
  return null;
}
