import { batchOf } from '@morning-crock/core';
import { PRODUCT_TAKES } from '@morning-crock/core/contract';
import { useEffect, useState } from 'react';
import { Look } from '../../parts/drawings/looks/Look.tsx';
import type { Session } from './session.ts';
import { useSessionState } from './use-session.ts';

/** How a practised batch looks, drawn anew at every frame while its clock goes. */
export function NowLook({ session, no }: { readonly session: Session; readonly no: number }) {
  const { speed, batches } = useSessionState(session);
  const [, draw] = useState(0);
  useEffect(() => {
    if (speed === 0) return undefined;
    let frame = 0;
    const next = (): void => {
      draw((n) => n + 1);
      frame = requestAnimationFrame(next);
    };
    frame = requestAnimationFrame(next);
    return () => cancelAnimationFrame(frame);
  }, [speed]);
  const moment = session.moment(no);
  const { plan } = session.exercise.batches[no]!.world;
  if (!moment) return <div className="now-look" />;
  const { massKg } = batchOf(plan);
  const pot = batches[no]!.state.current?.step.facts.inThePot;
  const burnt = moment.scorched > 0.1 && moment.work === 'stove';
  return (
    <div className="now-look" role="img" aria-label="How it looks now">
      <Look
        seen={{
          ...moment,
          lost: (moment.evaporatedKg + moment.spiltKg) / massKg,
          whey: moment.wheyKg / massKg,
          cream: PRODUCT_TAKES[plan.product] === 'cream',
          ...(pot === undefined ? {} : { inThePot: pot }),
        }}
      />
      {burnt && <p className="caution">It smells caught.</p>}
    </div>
  );
}
