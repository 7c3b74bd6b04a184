import { between, type LogClue } from '../../science/causes/index.ts';
import { CHURN_FACTS, windowOf } from '../../science/butter/index.ts';
import { batchOf } from '../../setup/index.ts';
import { SALT_TOLD, WASH_TOLD } from '../butter-told.ts';
import { CHURN_TOLD } from '../churning/churn-told.ts';
import { churningLog } from '../churning/churning-log.ts';
import type { MakeAt } from '../make-view.ts';
import { told } from '../told.ts';

/** Scatter of one heat read in cream, one σ, K. */
const HEAT_SIGMA_C = 0.8;
/** Further from its window than this, cream was too cold or too warm, K. */
const OFF_K = 1;
const FILL_SIGMA = 0.06;
/** Who churns looks in now and then, min. */
const BREAK_SIGMA_MIN = 1.5;
/** Cream thinner than the first is thin, richer than the second hardly pours, shares of fat. */
const FAT_CUTS = [0.2, 0.36] as const;
/** Fat as somebody typed it, and as its kind usually has it, one σ. */
const FAT_SIGMA = { known: 0.02, usual: 0.06 } as const;

const shown = (share: number): string => `${Math.round(share * 100)} %`;

/** What a log says of cream, churn and butter. */
export function churningClues(at: MakeAt): LogClue[] {
  const { make } = at;
  const { milk } = make.plan;
  const log = churningLog(at);
  const clues: LogClue[] = [];
  if (log) {
    const { churning, startC } = log;
    const [low, high] = windowOf(churning);
    if (startC !== null)
      clues.push({
        clue: 'churned-at',
        fits: [...between(startC, HEAT_SIGMA_C, [low - OFF_K, high + OFF_K]), 0],
        said: `Cream at {${startC}} when churning began. {${low}}–{${high}} is best.`,
      });
    clues.push(
      {
        clue: 'fill',
        fits: between(churning.fillFraction, FILL_SIGMA, [0.5, 0.67]),
        said: `Churn ${shown(churning.fillFraction)} full.`,
      },
      {
        clue: 'kept-cold',
        fits: churning.agedCold ? [0.92, 0.08] : [0.2, 0.8],
        said: churning.agedCold ? 'Cream came from the fridge.' : 'Cream was not cold before.',
      },
    );
    if (log.brokeMin !== null)
      clues.push({
        clue: 'broke-in',
        fits: between(log.brokeMin, BREAK_SIGMA_MIN, [10, 30]),
        said: `Broke after ${Math.round(log.brokeMin)} min.`,
      });
    if (churning.own)
      clues.push({
        clue: 'churn-before',
        fits: [0.9, 0.1, 0],
        said: 'This churn is known from earlier batches.',
      });
    else if (CHURN_FACTS[churning.churn].motor && churning.setting && churning.setting.at === 1)
      clues.push({ clue: 'churn-before', fits: [0, 0, 1], said: 'Churn on its lowest setting.' });
    const { fatFraction } = batchOf(make.plan).composition;
    const known = milk.fatFraction !== null || milk.composition !== undefined;
    clues.push({
      clue: 'cream-fat',
      fits: between(fatFraction, known ? FAT_SIGMA.known : FAT_SIGMA.usual, FAT_CUTS),
      said: `${shown(fatFraction)} fat${known ? ' as entered' : ', as usual for this cream'}.`,
    });
    if (told(make, CHURN_TOLD).stages.some(({ stage }) => stage === 'lump'))
      clues.push({ clue: 'stopped-at', fits: [0, 0, 1], said: 'Churned to one lump.' });
  }
  if (milk.feed)
    clues.push({
      clue: 'feed',
      fits: milk.feed === 'grass' ? [1, 0, 0] : [0, 1, 0],
      said: milk.feed === 'grass' ? 'The animals eat grass.' : 'The animals eat hay.',
    });
  if (milk.treatment === 'ultra-heated')
    clues.push({ clue: 'carton', fits: [0, 1], said: 'Ultra-heated cream.' });
  else if (milk.lots || milk.treatment === 'raw')
    clues.push({ clue: 'carton', fits: [1, 0], said: 'Own cream, not ultra-heated.' });
  const washing = make.steps.find(({ step }) => step.kind === 'wash');
  if (washing?.status === 'done' || washing?.status === 'skipped') {
    const { rinses } = told(make, WASH_TOLD);
    const clear = rinses.some((rinse) => rinse.clear);
    clues.push({
      clue: 'washed',
      fits:
        washing.status === 'skipped'
          ? [0, 0, 1]
          : clear
            ? [1, 0, 0]
            : rinses.length > 2
              ? [0.6, 0.4, 0]
              : [0, 1, 0],
      said:
        washing.status === 'skipped'
          ? 'Not washed.'
          : rinses.length === 0
            ? 'Marked as washed, with no wash entered.'
            : `Washed ${rinses.length > 1 ? `${rinses.length} times` : 'once'}${clear ? ', the water ran clear' : ''}.`,
    });
  }
  const working = make.steps.find(({ step }) => step.kind === 'work');
  if (working?.status === 'done' && told(make, SALT_TOLD) === null)
    clues.push({ clue: 'salt', fits: [1, 0, 0], said: 'No salt was entered.' });
  return clues;
}
