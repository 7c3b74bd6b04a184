import { butterBalance } from './balance.ts';
import { HAND_WORKED_FAT } from './churning.ts';

/** Fat left in the buttermilk of butter worked by hand, where nobody measured it [judgement]. */
export const USUAL_BUTTERMILK_FAT = 0.006;

/**
 * Butter and buttermilk that cream gives when it is churned as usual and worked by hand, kg. An estimate.
 * @param creamKg above 0 @param fatFraction of the cream, 0..1
 * @example likelyBalance(1, 0.35).butterKg // 0.43
 */
export const likelyBalance = (creamKg: number, fatFraction: number): ReturnType<typeof butterBalance> =>
  butterBalance({
    creamKg,
    creamFatFraction: fatFraction,
    buttermilkFatFraction: Math.min(USUAL_BUTTERMILK_FAT, fatFraction),
    butterFatFraction: HAND_WORKED_FAT,
  });
