import { createContext, use, type ReactNode } from 'react';

/** What a batch that is only practised shows in place of what is the kitchen's. */
export interface PracticeSlots {
  /** How it looks now, drawn. */
  readonly look: ReactNode;
  /** Hands and instruments, in place of the pad. */
  readonly hands: ReactNode;
  /** What stands in place of the large button when all steps are done. */
  readonly end: ReactNode;
  /** Nothing that is foreseen is shown. */
  readonly bare: boolean;
}

export const PracticeContext = createContext<PracticeSlots | null>(null);

/** `null` in a batch of the kitchen. */
export const usePractice = (): PracticeSlots | null => use(PracticeContext);
