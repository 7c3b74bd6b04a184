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
import { LittleCurve } from '../../parts/LittleCurve.tsx';
import {
  DiscardForm,
  FeedForm,
  MergeForm,
  NameForm,
  SignForm,
  SplitForm,
  WeighForm,
} from './CultureForms.tsx';
import { cultureWords, factsOf } from '../../parts/culture-words.ts';

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
          <span className="number big-share">about {Math.round(vigour.living * 100)} %</span> as many alive as
          in a fresh one <span className="quiet">(by age, kind and cold; an estimate)</span>
        </p>
      )}
      {vigour.lnPace !== null && vigour.paceSigma !== null ? (
        <p>
          {Math.abs(percent(vigour.lnPace)) < 1
            ? 'As fast as the book'
            : `${Math.abs(percent(vigour.lnPace))} % ${vigour.lnPace > 0 ? 'faster' : 'slower'} than the book`}
          , measured from {vigour.makes} {vigour.makes === 1 ? 'make' : 'makes'} of its line, ±{' '}
          {percent(vigour.paceSigma)} %.
        </p>
      ) : (
        <p className="quiet">Its pace is not measured yet: look at its makes, and it will be.</p>
      )}
      {pace.length >= 2 && factor && (
        <LittleCurve
          label={`Pace by turn: ${pace.map((p) => `turn ${p.turn} ${percent(p.observed)} %`).join(', ')}`}
          lines={[
            {
              name: 'makes',
              points: pace.map((p, i) => [i + 1, percent(p.observed)]),
              colour: 'brush',
              dashed: true,
            },
            { name: 'learned', points: pace.map((p, i) => [i + 1, percent(p.mean)]), colour: 'cobalt' },
          ]}
          xUnit="makes"
          yUnit="%"
          across={{ at: 0, word: 'the book' }}
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
    ['feed', 'Feed', !culture.packet && !frozen],
    ['split', 'Split', !culture.packet],
    [
      'merge',
      'Merge',
      !culture.packet && all.some((c) => c.id !== culture.id && c.kind === culture.kind && isLive(c)),
    ],
    ['weigh', 'Weigh', !culture.packet],
    ['sign', 'A bad sign', true],
    ['discard', 'Discard', true],
    ['rename', 'Rename', true],
  ];
  return (
    <aside className="lot-panel" aria-label={culture.name}>
      <div>
        <div className="quiet">{cultureWords(culture, nowMs)}</div>
        <h2>{culture.name}</h2>
        <p>{factsOf(culture, units).join(', ')}</p>
        {culture.gone && (
          <p className="danger">
            ✗ Gone since {units.day(culture.gone.atMs)}: {culture.gone.reason}
            {culture.gone.note && `, ${culture.gone.note}`}
          </p>
        )}
      </div>
      {bad && !culture.gone && (
        <p className="caution stop" role="alert">
          {SIGN_FACTS[bad.sign].label}: {SIGN_FACTS[bad.sign].act} Do not taste it; clean everything it
          touched; go on from a back-up or a fresh one.
        </p>
      )}
      {culture.rawMilk && (
        <p className="caution note">
          Kept from raw milk: it carries that milk’s germs on into the next make.
        </p>
      )}
      {doing === 'nothing' && <VigourPart culture={culture} all={all} nowMs={nowMs} />}
      {weak && (
        <p className="caution note">
          Few are alive: a larger dose makes up for it, or a fresh one.{' '}
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
                  Begin a make with it
                </Button>
              )}
              {culture.packet && culture.heirloom && !bad && (
                <Button component={Link} to={`/cultures/wake?culture=${culture.id}`} variant="default">
                  Wake it over days
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
                  Back-up into the freezer
                </Button>
              )}
              {frozen ? (
                <Button onClick={() => change({ kind: 'revive', place: 'cold' })}>
                  Take it out and revive
                </Button>
              ) : (
                <Button
                  variant="default"
                  onClick={() =>
                    change({ kind: 'put', place: placeOf(culture) === 'cold' ? 'room' : 'cold' })
                  }
                >
                  {placeOf(culture) === 'cold' ? 'To room heat' : 'Into the cold'}
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
          <Link to={`/daybook/${culture.bornOf}`}>The make that kept it</Link>
        </p>
      )}
    </aside>
  );
}
