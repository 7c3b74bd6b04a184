export type { Cause, Clue, Complaint } from './clue.ts';
export { CAUSE_IDS, CAUSES, type CauseId } from './causes.ts';
export { CLUE_IDS, CLUES, type ClueId } from './clues.ts';
export {
  COMPLAINT_IDS,
  COMPLAINTS,
  COMPLAINTS_OF,
  FAULTY_KINDS,
  type ComplaintId,
  type FaultyKind,
} from './complaints.ts';
export {
  answered,
  answersOf,
  clueLikelihood,
  cluesOf,
  entropyBits,
  expectedBits,
  NONE_PRIOR,
  priorsOf,
  weigh,
  whatWouldTell,
  WORTH_ASKING_BITS,
  type CauseShare,
  type Known,
  type PriorMoves,
  type Suspect,
  type Telling,
} from './weigh.ts';
export { between, type LogClue } from './log-clue.ts';
