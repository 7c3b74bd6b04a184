/** What kefir grains gain a day, in milk at 20–24 °C, and in cream, share of their weight [judgement]. */
const GAIN_A_DAY = { milk: 0.07, cream: 0.005 } as const;
/** Weight of grains after some days in milk, kg, an estimate. @example grainsAfter(0.1, 7, 'milk') // 0.16 */
export const grainsAfter = (massKg: number, days: number, into: keyof typeof GAIN_A_DAY): number =>
  massKg * (1 + GAIN_A_DAY[into]) ** Math.max(0, days);
