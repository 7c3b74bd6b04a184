import type { DayAnswer, DayWish } from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { useEffect, useState } from 'react';
import { cancelForecast, requestDay } from '../../workers/kitchen-client.ts';

const KEY = 'day';
/**
 * The search for a day's timetable, in the worker: begun anew whenever something else is asked.
 * @param wish what is asked, as a text by which two askings are told apart
 * @param asking the same as the solver takes it
 * @param ready all that it is made of is known; until then nothing is searched and nothing shown
 */
export function useDaySearch(wish: string, asking: () => DayWish, ready: boolean, kitchen: KitchenSettings) {
  const [laid, setLaid] = useState<{ readonly wish: string; readonly answer: DayAnswer } | null>(null);
  /** How much of it is done, a fraction; `null` when nothing is searched. */
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    if (!ready) {
      setLaid(null);
      return;
    }
    let wanted = true;
    setShare(0);
    setFault(null);
    requestDay(KEY, asking(), (done) => {
      if (wanted) setShare(done);
    }).then(
      (found) => {
        if (!wanted || !found) return;
        setLaid({ wish, answer: found });
        setShare(null);
      },
      () => {
        if (!wanted) return;
        setShare(null);
        setLaid(null);
        setFault(
          'This device could not work out the schedule. Your plan is safe. Change something in the plan to try again.',
        );
      },
    );
    return () => {
      wanted = false;
    };
    // What is asked decides; the lists it is made of are new at each look.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [wish, kitchen, ready]);
  return {
    answer: laid?.answer ?? null,
    /** What is shown is what is asked: only that can be begun. */
    current: laid?.wish === wish,
    share,
    fault,
    setFault,
    stop: () => {
      cancelForecast(KEY);
      setShare(null);
      setFault('Stopped. Change anything in the plan to work out the schedule again.');
    },
  };
}
