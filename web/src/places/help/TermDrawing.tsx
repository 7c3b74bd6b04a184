import type { Cue } from '@morning-crock/core';
import { CrockDrawing, type CrockLook } from '../../parts/drawings/CrockDrawing.tsx';
import { CueDrawing } from '../../parts/drawings/CueDrawing.tsx';
import { JarDrawing } from '../../parts/drawings/JarDrawing.tsx';

/** What a tilted jar shows. */
const CUES: Readonly<Record<string, Cue>> = {
  clabber: 'thick',
  'clean-break': 'set',
  curd: 'curdled',
  set: 'set',
  whey: 'whey-shows',
};
/** What stands in a crock. */
const CROCKS: Readonly<Record<string, Pick<CrockLook, 'fill' | 'surface' | 'brush'>>> = {
  batch: { fill: 0.75, surface: 'liquid' },
  break: { fill: 0.45, surface: 'grains', brush: 'cord' },
  brine: { fill: 0.8, surface: 'wheel', brush: 'nets' },
  churn: { fill: 0.55, surface: 'froth', brush: 'cord' },
  drain: { fill: 0.35, surface: 'cloth', brush: 'nets' },
  ghee: { fill: 0.55, surface: 'gold', brush: 'flames' },
  ripen: { fill: 0.7, surface: 'thick', brush: 'sprigs' },
  scald: { fill: 0.7, surface: 'hot' },
  work: { fill: 0.35, surface: 'lump', brush: 'cord' },
};

/** A word's own small drawing, where one helps; an empty space of the same width elsewhere. */
export function TermDrawing({ id }: { readonly id: string }) {
  const cue = CUES[id];
  const crock = CROCKS[id];
  return (
    <span className="term-drawing" aria-hidden="true">
      {cue && <CueDrawing cue={cue} />}
      {crock && <CrockDrawing {...crock} label="" />}
      {id === 'cream-line' && <JarDrawing fill={0.85} cream={0.2} look="milk" asksRecount={false} label="" />}
    </span>
  );
}
