import type { StepId } from '../contract/index.ts';

/**
 * What a mark means to the whole make, whatever its product calls it: its curd forms (`gel`), it is acid enough to be
 * safe, it has its body (set, thick), it is as wanted (`ready`), it goes beyond that (`past`); `passing` is told and
 * nothing hangs on it.
 */
export type MarkRole = 'gel' | 'safe' | 'body' | 'ready' | 'past' | 'passing';

/** A point a make passes that eye, spoon or meter can tell: its own name, what it means, and how it is called. */
export interface MarkName {
  readonly id: string;
  readonly role: MarkRole;
  /** "Set", "Froth" */
  readonly words: string;
}

/** A mark of a souring: passed at a pH. */
export interface AcidMark extends MarkName {
  readonly ph: number;
}

/** A mark of a step that goes by itself: passed at a share of its time. */
export interface ShareMark extends MarkName {
  readonly share: number;
}

/** A mark of a make that has an instant, or none within the time looked at. */
export interface MarkMoment extends MarkName {
  readonly step: StepId;
  readonly atMs: number | null;
}

/** As sour as wanted, and where the next sourness begins; the sourest has none after it. */
export const wantedMarks = (readyPh: number, pastPh: number | null): readonly AcidMark[] => [
  { id: 'ready', role: 'ready', words: 'Sour enough', ph: readyPh },
  ...(pastPh === null ? [] : [{ id: 'too-sour', role: 'past', words: 'Too sour', ph: pastPh } as const]),
];
