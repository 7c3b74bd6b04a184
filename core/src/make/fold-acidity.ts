import type { EventOf, MakePlan, TraceFacts } from '../contract/index.ts';
import { phOfTitratable, PH_SIGMA, TITRATION_SIGMA_PERCENT, type Cue } from '../science/souring/index.ts';
import { instantOf, type LoggedEvent } from '../log/index.ts';
import { batchOf } from '../setup/index.ts';
import { STEP_TYPES, type MethodStep } from '../steps/index.ts';

export interface AcidityEntry {
  readonly eventId: string;
  readonly atMs: number;
  readonly reading:
    | {
        readonly kind: 'ph';
        readonly ph: number;
        readonly sigma: number;
        readonly instrument: 'meter' | 'strip' | 'titration' | 'logger';
        /** Titratable acidity as measured, % lactic acid. */
        readonly percent?: number;
      }
    | { readonly kind: 'cue'; readonly cue: Cue; readonly cleanSmell: boolean | null };
}

/** The thinned points of a trace of one quantity. */
export function sampled(
  event: EventOf<'trace-imported'>,
  quantity: TraceFacts['quantity'],
): { eventId: string; atMs: number; value: number; instrument: string }[] {
  if (event.data.quantity !== quantity) return [];
  const { instrument } = event.data;
  return event.data.sample.map(([atMs, value]) => ({ eventId: event.id, atMs, value, instrument }));
}

/** A titration as the pH it stands for, its scatter carried over by the local slope. */
function titrated(percent: number, plan: MakePlan): { ph: number; sigma: number } {
  const { composition, plasmaSnfPercent } = batchOf(plan);
  const at = (p: number): number => phOfTitratable(p, composition.fatFraction, plasmaSnfPercent);
  const sigma = (at(percent - TITRATION_SIGMA_PERCENT) - at(percent + TITRATION_SIGMA_PERCENT)) / 2;
  return { ph: at(percent), sigma: Math.max(0.03, sigma) };
}

const TELLS_ACIDITY: ReadonlySet<LoggedEvent['type']> = new Set<LoggedEvent['type']>([
  'cue-seen',
  'ph-read',
  'titrated',
  'trace-imported',
]);

/** Every observation of acidity, in order of time. */
export function acidityOf(effective: readonly LoggedEvent[], plan: MakePlan): AcidityEntry[] {
  return effective
    .filter(({ type }) => TELLS_ACIDITY.has(type))
    .flatMap((e): AcidityEntry[] => {
      const own = { eventId: e.id, atMs: instantOf(e) };
      switch (e.type) {
        case 'cue-seen':
          return [{ ...own, reading: { kind: 'cue', cue: e.data.cue, cleanSmell: e.data.cleanSmell } }];
        case 'ph-read': {
          const { ph, instrument, sigma } = e.data;
          return [{ ...own, reading: { kind: 'ph', ph, instrument, sigma: sigma ?? PH_SIGMA[instrument] } }];
        }
        case 'titrated': {
          const { percent } = e.data;
          return [
            { ...own, reading: { kind: 'ph', ...titrated(percent, plan), instrument: 'titration', percent } },
          ];
        }
        case 'trace-imported':
          return sampled(e, 'ph').map(({ eventId, atMs, value }) => ({
            eventId,
            atMs,
            reading: { kind: 'ph', ph: value, instrument: 'logger', sigma: PH_SIGMA.meter },
          }));
        default:
          return [];
      }
    })
    .sort((a, b) => a.atMs - b.atMs);
}

/** When a souring that is over was seen set by whoever called it done. */
export const seenAtEnd = (
  method: readonly MethodStep[],
  events: readonly EventOf<'step-done'>[],
): readonly AcidityEntry[] =>
  events.flatMap((event): AcidityEntry[] => {
    const step = method.find(({ id }) => id === event.data.step);
    const shows = step && STEP_TYPES[step.kind].doneShows;
    return shows ? [{ eventId: event.id, atMs: instantOf(event), reading: { kind: 'cue', ...shows } }] : [];
  });
