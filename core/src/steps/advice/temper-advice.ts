import { churnWindowC, FAT_LEFT_PER_K } from '../../science/butter/index.ts';
import { FRIDGE_C } from '../../science/heat/index.ts';
import { formatTemperature } from '../../science/units/index.ts';
import { paramsOf, type Advise } from '../step-type.ts';
import { AT_HEAT_C } from '../temper.ts';

/** Above this butter comes soft and greasy, °C; room-warm cream is a school of its own, up to the second. */
const GREASY_C = 20;
const ROOM_WARM_C = 23;

/** How many times as much fat stays behind as in the middle of the window: e^(0.16·ΔT). */
const priceOfWarmth = (toC: number, low: number, high: number): string =>
  Math.exp(FAT_LEFT_PER_K * (toC - (low + high) / 2)).toFixed(0);

export const adviseTemper: Advise = (plan, { temperature }, of) => {
  const { toC, standing } = paramsOf(of.step, 'temper');
  const { startC } = plan.milk;
  const [low, high] = churnWindowC(plan.milk);
  const heat = (celsius: number): string => formatTemperature(celsius, temperature);
  const airC = standing === 'cold' ? FRIDGE_C : plan.roomC;
  const wrongWay = standing !== 'bath' && (startC > toC ? airC >= toC : airC <= toC);
  return [
    Math.abs(startC - toC) > AT_HEAT_C && wrongWay
      ? {
          severity: 'stop',
          field: 'heat',
          text:
            startC > toC
              ? `The cream is at ${heat(startC)} and cannot cool to ${heat(toC)} in a place at ${heat(airC)}. Put it in the fridge first.`
              : `The cream is at ${heat(startC)} and cannot warm to ${heat(toC)} in a place at ${heat(airC)}. Choose a lower temperature or a warmer room.`,
        }
      : null,
    toC > ROOM_WARM_C
      ? {
          severity: 'stop',
          field: 'heat',
          text: `At ${heat(toC)} the fat is half melted, so you get greasy butter or none. ${heat(low)}–${heat(high)} is right for this cream.`,
        }
      : toC > GREASY_C
        ? {
            severity: 'caution',
            field: 'heat',
            text: `Room-warm cream breaks fast and gives soft, greasy butter. About ${priceOfWarmth(toC, low, high)} times as much fat stays in the buttermilk. Pour in very cold water at the break, and rest the butter in iced water.`,
          }
        : toC > high
          ? {
              severity: 'caution',
              field: 'heat',
              text: `Above ${heat(high)} churning is quick, but the butter is softer and more fat is lost to the buttermilk.`,
            }
          : toC < low
            ? {
                severity: 'caution',
                field: 'heat',
                text: `Below ${heat(low)} churning takes long and splashes.`,
              }
            : null,
    startC > GREASY_C
      ? {
          severity: 'caution',
          field: 'heat',
          text: `Cream at ${heat(startC)} needs four hours in the fridge before churning. Otherwise half as much fat again is lost to the buttermilk.`,
        }
      : null,
  ];
};
