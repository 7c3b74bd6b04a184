import { instantOf, type LoggedEvent } from '../log/index.ts';
import { entriesOf } from './told.ts';

/** The stages of one kind among those that were seen. @example stagesSeen(events, GHEE_STAGES) // [{ stage: 'foams', atMs }] */
export const stagesSeen = <S extends string>(
  events: readonly LoggedEvent[],
  stages: readonly S[],
): { readonly stage: S; readonly atMs: number }[] =>
  entriesOf(events, 'stage-seen').flatMap((event) => {
    const stage = stages.find((one) => one === event.data.stage);
    return stage === undefined ? [] : [{ stage, atMs: instantOf(event) }];
  });
