import {
  CHURN_STAGES,
  gelPh,
  STAGE_SHARE,
  type ChurnStage,
  type Moment,
  type StepFacts,
} from '@morning-crock/core';
import { BagDrawing } from '../BagDrawing.tsx';
import { BowlDrawing } from '../BowlDrawing.tsx';
import { ChurnDrawing } from '../ChurnDrawing.tsx';
import { PanDrawing } from '../PanDrawing.tsx';
import { CutDrawing } from './CutDrawing.tsx';
import { JarLookDrawing } from './JarLookDrawing.tsx';
import { PotDrawing } from './PotDrawing.tsx';
import './look.css';

/** What of a moment can be seen. */
export type Seen = Pick<
  Moment,
  | 'work'
  | 'celsius'
  | 'boilC'
  | 'flame'
  | 'lidded'
  | 'skin'
  | 'scorched'
  | 'bath'
  | 'ph'
  | 'denatured'
  | 'churned'
  | 'overMin'
  | 'churning'
  | 'serum'
  | 'rinses'
  | 'dried'
  | 'toBoil'
  | 'climbed'
  | 'set'
> & {
  /** Lost of what was in the pot, and whey that ran off: shares. */
  readonly lost: number;
  readonly whey: number;
  readonly cream: boolean;
  /** What stands there, where nothing happens to it by itself. */
  readonly inThePot?: StepFacts['inThePot'];
};

/** Cream thickens between these, and parts from its whey below the last; likewise milk around its gel. */
const CREAM_PH = { from: 5, to: 4.6, parts: 4.35 } as const;
const MILK_PH = { below: 0.35, parts: 4.42 } as const;
const PARTS_OVER = 0.35;
/** Churned on for so long, the grains close into a lump, min. */
const LUMP_MIN = 2.5;

/** The stage of a churning by the share of its work. */
function stageOf(churned: number, overMin: number): ChurnStage | 'liquid' {
  if (churned >= 1) return overMin > LUMP_MIN ? 'lump' : 'broken';
  return (
    CHURN_STAGES.findLast((stage) => STAGE_SHARE[stage] <= churned && STAGE_SHARE[stage] < 1) ?? 'liquid'
  );
}

function Jar({ seen }: { readonly seen: Seen }) {
  const { ph, cream, denatured } = seen;
  const at = ph ?? 6.65;
  const gel = gelPh(denatured);
  const firm = cream
    ? (CREAM_PH.from - at) / (CREAM_PH.from - CREAM_PH.to)
    : (gel + 0.1 - at) / MILK_PH.below;
  const whey = ((cream ? CREAM_PH.parts : MILK_PH.parts) - at) / PARTS_OVER;
  return <JarLookDrawing look={{ firm, whey, cream }} />;
}

/** What hands work on, or what only stands. */
function Standing({ seen }: { readonly seen: Seen }) {
  switch (seen.inThePot) {
    case 'milk':
    case 'hot-milk':
    case 'warm-milk':
      return <PotDrawing look={{ ...seen, rises: false }} />;
    case 'grains':
    case 'butter':
      return <BowlDrawing cloud={0.05} washes={seen.rinses} planned={seen.rinses} />;
    case 'ghee':
    case 'hot-ghee':
      return <PanDrawing wet={1 - seen.dried} climb={seen.climbed} onFire={false} />;
    case 'churning':
      return <ChurnDrawing stage={stageOf(seen.churned, seen.overMin)} moving={false} />;
    default:
      return <Jar seen={seen} />;
  }
}

/** How a batch looks at a moment: pot, jar, churn, bowl, pan, cloth or curd, by what happens to it. */
export function Look({ seen }: { readonly seen: Seen }) {
  switch (seen.work) {
    case 'stove':
      return (
        <PotDrawing
          look={{
            ...seen,
            rises: seen.celsius >= seen.boilC - 0.2 && (seen.flame === 'medium' || seen.flame === 'full'),
          }}
        />
      );
    case 'churn':
      return <ChurnDrawing stage={stageOf(seen.churned, seen.overMin)} moving={seen.churning} />;
    case 'bowl':
      return <BowlDrawing cloud={Math.max(0.05, seen.serum)} washes={seen.rinses} planned={3} />;
    case 'pan':
      return (
        <PanDrawing
          wet={seen.toBoil < 1 ? 0.4 * seen.toBoil : 1 - seen.dried}
          climb={seen.climbed}
          onFire={seen.flame !== 'off'}
        />
      );
    case 'cloth':
      return <BagDrawing left={1 - seen.whey} markAt={0} whey={seen.whey} dripping />;
    case 'set':
      return <CutDrawing set={seen.set} />;
    default:
      return <Standing seen={seen} />;
  }
}
