import type { MakePlan } from '@morning-crock/core/contract';
import { useUnits } from '../../data/use-units.ts';
import { leavesWords, shortGoods } from './goods-group.ts';
import type { GoodsHere } from './use-goods.ts';

/** What there is to say of the goods a plan is made from: there are not enough, or a batch under way gives them. */
export function GoodsNote({ plan, here }: { readonly plan: MakePlan; readonly here: GoodsHere }) {
  const units = useUnits();
  const short = shortGoods(plan, here.goods, units);
  const leaves = leavesWords(plan.milk.goods?.[0], here.batches, units);
  return (
    <>
      {short && (
        <p className="caution" role="alert">
          {short}
        </p>
      )}
      {!short && leaves && <p role="status">{leaves}</p>}
    </>
  );
}
