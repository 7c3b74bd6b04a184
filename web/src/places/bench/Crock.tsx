import { markBand, type MakeState, HOUR_MS } from '@morning-crock/core';
import { Link } from 'react-router';
import type { LiveMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';
import { CrockDrawing } from '../../parts/drawings/CrockDrawing.tsx';
import { crockLook } from '../../parts/drawings/crock-look.ts';
import { readyWords } from '../../parts/words/seen-words.ts';

/** Further off than this, what comes next is of another day. */
const FAR_MS = 24 * HOUR_MS;

/** What the tag on a crock says: the next moment as a band where it is one. */
function tagOf(make: LiveMake, units: ReturnType<typeof useUnits>, nowMs: number): string {
  const { state, forecast, next, safety } = make;
  if (safety.verdict === 'over') return 'Do not taste';
  if (state.current?.step.facts.sours && markBand(forecast, 'ready').p50 !== null)
    return readyWords(state, forecast, units, nowMs);
  if (!next) return 'all done';
  if (next.atMs <= nowMs) return `${next.act}: now`;
  return `${next.act} about ${units.time(next.atMs, nowMs)}`;
}

/** A make as it stands on the shelf, with its tag. */
export function Crock({ make, nowMs }: { readonly make: LiveMake; readonly nowMs: number }) {
  const units = useUnits();
  const look = crockLook(make.state, make.forecast.point, make.safety, nowMs);
  const far = make.next !== null && make.next.atMs - nowMs > FAR_MS;
  return (
    <Link to={`/makes/${make.state.id}`} className={far ? 'crock-link far' : 'crock-link'}>
      <CrockDrawing {...look} />
      <span className="tag">
        <span className="tag-name">
          {make.state.tags.length > 0 && <span className="number">{make.state.tags.join('·')} </span>}
          {make.state.plan.name}
        </span>
        <span className={make.safety.verdict === 'over' ? 'danger' : 'quiet'}>
          {tagOf(make, units, nowMs)}
        </span>
      </span>
    </Link>
  );
}

/** A make whose times are not known yet on this device: as its log has it, with the time its plan had for this step. */
export function EarlyCrock({ state, nowMs }: { readonly state: MakeState; readonly nowMs: number }) {
  const units = useUnits();
  const { current, planned } = state;
  const end = planned?.steps.find(({ step }) => step === current?.step.id)?.end.p50 ?? null;
  const far = end !== null && end - nowMs > FAR_MS;
  return (
    <Link to={`/makes/${state.id}`} className={far ? 'crock-link far' : 'crock-link'}>
      <CrockDrawing {...crockLook(state, null, null, nowMs)} />
      <span className="tag">
        <span className="tag-name">{state.plan.name}</span>
        <span className="quiet">
          {current?.step.title}
          {end !== null && `, planned until ${units.time(end, nowMs)}`}
        </span>
      </span>
    </Link>
  );
}
