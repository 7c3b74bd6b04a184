import { HOUR_MS } from '@morning-crock/core';
import { Link } from 'react-router';
import type { Shelved } from '../../data/use-shelf.ts';
import { useUnits } from '../../data/use-units.ts';
import { CrockDrawing } from '../../parts/drawings/CrockDrawing.tsx';
import { spanWords } from '../../parts/words/seen-words.ts';

/** Further off than this, what comes next is of another day. */
const FAR_MS = 24 * HOUR_MS;

/** What the tag on a crock says: the next moment as a band where it is one; before its times are known, what its plan had. */
function tagOf(make: Shelved, units: ReturnType<typeof useUnits>, nowMs: number): string {
  const { ready, next, step } = make;
  if (make.over) return 'Do not taste';
  if (!make.timed) {
    const endMs = step?.plannedEndMs ?? null;
    return `${step?.title ?? ''}${endMs === null ? '' : `, planned until ${units.time(endMs, nowMs)}`}`;
  }
  if (ready) return spanWords(ready.words, ready.band, units, nowMs);
  if (!next) return 'all done';
  if (next.atMs <= nowMs) return `${next.act}: now`;
  return `${next.act} about ${units.time(next.atMs, nowMs)}`;
}

/** A make as it stands on the shelf, with its tag. */
export function Crock({ make, nowMs }: { readonly make: Shelved; readonly nowMs: number }) {
  const units = useUnits();
  const nextMs = make.next?.atMs ?? make.step?.plannedEndMs ?? null;
  const far = nextMs !== null && nextMs - nowMs > FAR_MS;
  return (
    <Link to={`/makes/${make.id}`} className={far ? 'crock-link far' : 'crock-link'}>
      <CrockDrawing {...make.look} />
      <span className="tag">
        <span className="tag-name">
          {make.tags.length > 0 && <span className="number">{make.tags.join('·')} </span>}
          {make.name}
        </span>
        <span className={make.over ? 'danger' : 'quiet'}>{tagOf(make, units, nowMs)}</span>
      </span>
    </Link>
  );
}
