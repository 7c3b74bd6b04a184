import { churnWindowC } from '../../butter/index.ts';
import { FRIDGE_C } from '../../heat/index.ts';
import { formatTemperature } from '../../units/index.ts';
import { paramsOf, type Advise } from '../step-type.ts';
import { AT_HEAT_C } from '../temper.ts';

/** Above this butter comes as grease, or not at all, °C. */
const GREASY_C = 20;

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
              ? `The cream is at ${heat(startC)} and would never come down to ${heat(toC)} at ${heat(airC)}: stand it in the cold first.`
              : `The cream is at ${heat(startC)} and would never come up to ${heat(toC)} at ${heat(airC)}: a lower heat, or a warmer room.`,
        }
      : null,
    toC > GREASY_C
      ? {
          severity: 'stop',
          field: 'heat',
          text: `At ${heat(toC)} the fat is half melted: greasy butter, or none. ${heat(low)}–${heat(high)} is right for this cream.`,
        }
      : toC > high
        ? {
            severity: 'caution',
            field: 'heat',
            text: `Warmer than ${heat(high)} it is quick, but softer, and more fat stays in the buttermilk.`,
          }
        : toC < low
          ? {
              severity: 'caution',
              field: 'heat',
              text: `Colder than ${heat(low)} it takes long and splashes.`,
            }
          : null,
    startC > GREASY_C
      ? {
          severity: 'caution',
          field: 'heat',
          text: `Cream of ${heat(startC)} wants four hours in the cold before it is churned, or half as much fat again stays behind.`,
        }
      : null,
  ];
};
