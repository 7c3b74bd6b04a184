/**
 * Something that can be known about a batch: from its log, or because somebody answers a question.
 * Temperatures in words stand in braces, in °C, and how far two are apart in brackets: the page shows them in the maker's unit.
 */
export interface Clue<Id extends string> {
  /** The question, when the log does not say. */
  readonly asks: string;
  readonly answers: readonly string[];
  /** How often each answer is given where no cause below is at work; adds up to 1. */
  readonly usual: readonly number[];
  /** How often each is given where a cause is at work; adds up to 1. All others are as usual. [judgement] */
  readonly tells: Readonly<Partial<Record<Id, readonly number[]>>>;
}

/** Something that may have gone wrong. */
export interface Cause {
  /** In a few words, as a heading. */
  readonly title: string;
  /** How it does what was seen. */
  readonly explained: string;
  /** The one thing to change the next time. */
  readonly next: string;
}

/** What somebody complains of. */
export interface Complaint<Id extends string> {
  readonly label: string;
  /** What comes first, before any cause: it is not to be eaten. */
  readonly discard?: string;
  /** What a batch with this fault is still good for. */
  readonly stillGood: string;
  /** What may be behind it and how often that is so, before anything is known. Source: docs/SCIENCE.md, causes [judgement]. */
  readonly causes: Readonly<Partial<Record<Id, number>>>;
}
