import {
  agedNow,
  isLive,
  lineFactor,
  paceOverTurns,
  placeOf,
  SIGN_FACTS,
  vigourOf,
} from '@morning-crock/core';
import type { Culture, Factor } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { ulid } from 'ulid';
import { useFactorsQuery } from '../../data/api.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { CultureEntries } from './CultureEntries.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import {
  DiscardForm,
  FeedForm,
  MergeForm,
  NameForm,
  SignForm,
  SplitForm,
  WeighForm,
} from './CultureForms.tsx';
import { cultureWords, factsOf } from '../../parts/words/culture-words.ts';

const NOTHING: readonly Factor[] = [];
type Doing = 'nothing' | 'split' | 'feed' | 'weigh' | 'sign' | 'discard' | 'merge' | 'rename';
const FEW_ALIVE = 0.3;

/** How strong it should be, and what its makes have said of its pace, turn by turn. */
function VigourPart({
  culture,
  all,
  nowMs,
}: {
  readonly culture: Culture;
  readonly all: readonly Culture[];
  readonly nowMs: number;
}) {
  const { data: factors = NOTHING } = useFactorsQuery();
  const vigour = vigourOf(culture, factors, nowMs);
  const pace = useMemo(
    () => paceOverTurns(culture.lineId, new Map(all.map((c) => [c.id, c])), factors),
    [culture.lineId, all, factors],
  );
  const percent = (ln: number): number => Math.round(Math.expm1(ln) * 100);
  const factor = lineFactor(culture, factors);
  return (
    <>
      {isLive(culture) && (
        <p>
          <span className="number big-share">about {Math.round(vigour.living * 100)} %</span> as strong as
          when fresh <span className="quiet">(estimated from age, type and storage)</span>
        </p>
      )}
      {vigour.lnPace !== null && vigour.paceSigma !== null ? (
        <p>
          {Math.abs(percent(vigour.lnPace)) < 1
            ? 'Sets as fast as usual'
            : `Sets ${Math.abs(percent(vigour.lnPace))} % ${vigour.lnPace > 0 ? 'faster' : 'slower'} than usual`}{' '}
          ({vigour.makes} {vigour.makes === 1 ? 'batch' : 'batches'}, ± {percent(vigour.paceSigma)} %).
        </p>
      ) : (
        <p className="quiet">
          Setting speed not measured yet. Mark this culture’s batches as set to measure it.
        </p>
      )}
      {pace.length >= 2 && factor && (
        <LittleCurve
          label={`Setting speed by generation: ${pace.map((p) => `generation ${p.turn} ${percent(p.observed)} %`).join(', ')}`}
          lines={[
            {
              name: 'batches',
              points: pace.map((p, i) => [i + 1, percent(p.observed)]),
              colour: 'brush',
              dashed: true,
            },
            { name: 'estimated', points: pace.map((p, i) => [i + 1, percent(p.mean)]), colour: 'cobalt' },
          ]}
          xUnit="batches"
          yUnit="%"
          across={{ at: 0, word: 'usual' }}
        />
      )}
    </>
  );
}

/** One culture: what it is, how strong, and everything that may happen to it. */
export function CulturePanel(props: {
  readonly culture: Culture;
  readonly all: readonly Culture[];
  readonly nowMs: number;
}) {
  const { culture, all, nowMs } = props;
  const units = useUnits();
  const [doing, setDoing] = useState<Doing>('nothing');
  const done = (): void => setDoing('nothing');
  const live = isLive(culture);
  const frozen = placeOf(culture) === 'freezer';
  const bad = culture.signs.at(-1);
  const weak = live && !culture.packet && vigourOf(culture, [], nowMs).living < FEW_ALIVE;
  const age = agedNow(culture, nowMs);
  const change = (data: Parameters<typeof record<'culture-changed'>>[2]): void =>
    void record(culture.id, 'culture-changed', data);
  const buttons: readonly (readonly [Doing, string, boolean])[] = [
    ['feed', 'Feed culture', !culture.packet && !frozen],
    ['split', 'Split culture', !culture.packet],
    [
      'merge',
      'Merge cultures',
      !culture.packet && all.some((c) => c.id !== culture.id && c.kind === culture.kind && isLive(c)),
    ],
    ['weigh', 'Weigh culture', !culture.packet],
    ['sign', 'Report bad sign', true],
    ['discard', 'Discard culture', true],
    ['rename', 'Rename culture', true],
  ];
  return (
    <aside className="lot-panel" aria-label={culture.name}>
      <div>
        <div className="quiet">{cultureWords(culture, nowMs)}</div>
        <h2>{culture.name}</h2>
        <p>{factsOf(culture, units).join(', ')}</p>
        {culture.gone && (
          <p className="danger">
            ✗ Discarded {units.day(culture.gone.atMs)}: {culture.gone.reason}
            {culture.gone.note && `, ${culture.gone.note}`}
          </p>
        )}
      </div>
      {bad && !culture.gone && (
        <p className="caution stop" role="alert">
          {SIGN_FACTS[bad.sign].label}: {SIGN_FACTS[bad.sign].act} Do not taste it. Clean everything it
          touched. Continue from a back-up or a fresh culture.
        </p>
      )}
      {culture.rawMilk && (
        <p className="caution note">
          Kept from raw milk. Germs from that milk carry over into the next batch.
        </p>
      )}
      {doing === 'nothing' && <VigourPart culture={culture} all={all} nowMs={nowMs} />}
      {weak && (
        <p className="caution note">
          This culture is weak. Use a larger dose or a fresh culture.{' '}
          <Link
            to={`/sums/vigour?kind=${culture.kind}&age=${age.ageD.toFixed(1)}&off=${age.log10Off.toFixed(2)}`}
          >
            How much?
          </Link>
        </p>
      )}
      {doing === 'split' && <SplitForm culture={culture} onDone={done} />}
      {doing === 'feed' && <FeedForm culture={culture} onDone={done} />}
      {doing === 'weigh' && <WeighForm culture={culture} onDone={done} />}
      {doing === 'sign' && <SignForm culture={culture} onDone={done} />}
      {doing === 'discard' && <DiscardForm culture={culture} onDone={done} />}
      {doing === 'merge' && <MergeForm culture={culture} all={all} onDone={done} />}
      {doing === 'rename' && <NameForm culture={culture} onDone={done} />}
      <div className="lot-actions">
        {doing !== 'nothing' ? (
          <Button variant="default" onClick={done}>
            Back
          </Button>
        ) : (
          live && (
            <>
              {!bad && !frozen && (
                <Button
                  className="whole-row"

                  component={Link}
                  to={`/new?culture=${culture.id}`}
                  h={56}
                >
                  Start batch
                </Button>
              )}
              {culture.packet && culture.heirloom && !bad && (
                <Button component={Link} to={`/cultures/wake?culture=${culture.id}`} variant="default">
                  Wake dried culture
                </Button>
              )}
              {!frozen && !culture.packet && (
                <Button
                  variant="default"
                  onClick={() =>
                    change({
                      kind: 'split',
                      into: { cultureId: ulid(), name: `${culture.name}, back-up`, place: 'freezer' },
                      massKg: culture.massKg === null ? null : Math.min(0.03, culture.massKg / 2),
                      backUp: true,
                    })
                  }
                >
                  Freeze a back-up
                </Button>
              )}
              {frozen ? (
                <Button onClick={() => change({ kind: 'revive', place: 'cold' })}>Thaw and revive</Button>
              ) : (
                <Button
                  variant="default"
                  onClick={() =>
                    change({ kind: 'put', place: placeOf(culture) === 'cold' ? 'room' : 'cold' })
                  }
                >
                  {placeOf(culture) === 'cold' ? 'Move to room temperature' : 'Move to fridge'}
                </Button>
              )}
              {buttons
                .filter(([, , shown]) => shown)
                .map(([what, label]) => (
                  <Button key={what} variant="default" onClick={() => setDoing(what)}>
                    {label}
                  </Button>
                ))}
            </>
          )
        )}
      </div>
      {doing === 'nothing' && <CultureEntries culture={culture} />}
      {culture.bornOf && (
        <p className="quiet">
          <Link to={`/daybook/${culture.bornOf}`}>Batch this culture came from</Link>
        </p>
      )}
    </aside>
  );
}
