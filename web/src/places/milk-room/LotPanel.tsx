import {
  isCream,
  keepOf,
  litresOfMass,
  MILK_FACTS,
  settles,
  skimOffer,
  withFat,
  HOUR_MS,
} from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { LadleSlider, LADLE } from '../../parts/fields/LadleSlider.tsx';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { GiveForm, MeasureForm, MoveForm, RecountForm, StarterForm } from './LotForms.tsx';
import { PoolForm } from './PoolForm.tsx';
import { PotPart } from './PotPart.tsx';
import { SkimForm } from './SkimForm.tsx';
import { ThawPlan } from './ThawPlan.tsx';
import {
  costWords,
  keepWords,
  lotAmount,
  massRange,
  percent,
  PLACE_WORD,
  ROLE_WORD,
  someOf,
} from '../../parts/words/milk-words.ts';
import { sourWords } from '../../parts/words/sour-words.ts';
import { type MilkRoomNow } from '../../data/use-milk.ts';

const WAIT_H = 6;

type Doing = 'nothing' | 'starter' | 'skim' | 'give' | 'recount' | 'move' | 'measure' | 'pool';

/** What skimming gives now and after some hours, side by side. */
function SkimTable(props: {
  readonly lot: Lot;
  readonly room: MilkRoomNow;
  readonly depth: number;
  readonly nowMs: number;
}) {
  const { lot, room, depth, nowMs } = props;
  const units = useUnits();
  const learned = room.learned(lot.source);
  const offers = [0, WAIT_H].map((h) => skimOffer(lot, nowMs + h * HOUR_MS, { depth, learned }));
  const rows = [
    ['cream', offers.map((o) => massRange(o.creamKg, o.spread, units))],
    ['fat in cream', offers.map((o) => `about ${percent(o.creamFatFraction, 0)}`)],
    [
      'skimmed milk left',
      offers.map(
        (o) => `about ${units.aboutVolume(litresOfMass(o.restKg, withFat(lot.of, o.restFatFraction)))}`,
      ),
    ],
    ['fat in milk', offers.map((o) => `about ${percent(o.restFatFraction)}`)],
  ] as const;
  return (
    <table className="skim-table">
      <thead>
        <tr>
          <td />
          <th scope="col">Skim now</th>
          <th scope="col">Skim in {WAIT_H} h</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([label, cells], i) => (
          <tr key={`${label}${i}`}>
            <th scope="row">{label}</th>
            {cells.map((cell, k) => (
              <td key={k} className={i === 0 ? 'first number' : 'number'}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Settling(props: {
  readonly lot: Lot;
  readonly room: MilkRoomNow;
  readonly nowMs: number;
  readonly skimming: boolean;
  readonly onSkim: () => void;
  readonly onDone: (restId: string | null) => void;
}) {
  const { lot, room, nowMs, skimming, onSkim, onDone } = props;
  const [search] = useSearchParams();
  const asked = Number(search.get('depth'));
  const [depth, setDepth] = useState<number>(asked >= LADLE.min && asked <= LADLE.max ? asked : LADLE.layer);
  const learned = room.learned(lot.source);
  const offer = skimOffer(lot, nowMs, { depth: depth / 100, learned });
  const keep = keepOf(lot, nowMs);
  return (
    <>
      <SkimTable lot={lot} room={room} depth={depth / 100} nowMs={nowMs} />
      <p className="quiet">
        Undisturbed for about {offer.hours.toFixed(0)} h.{' '}
        {learned
          ? `Cream estimated ${Math.round(Math.abs(Math.exp(learned.mean) - 1) * 100)} % ${learned.mean >= 0 ? 'richer' : 'thinner'} than usual, from your weighed churnings.`
          : lot.creamFactor !== null
            ? 'Estimated from the cream line you measured.'
            : 'Estimated from typical milk. Measure the cream line or weigh a churning for your own figure.'}
        {keep.fromMs < nowMs + WAIT_H * HOUR_MS && ' This milk may not keep that long.'}{' '}
        <Link to={`/sums/skim?lot=${lot.id}`}>Try other times</Link>
      </p>
      <LadleSlider depth={depth} onDepth={setDepth} />
      {skimming ? (
        <SkimForm
          lot={lot}
          offer={offer}
          pots={room.lots.filter((l) => l.role === 'pot' && l.place === 'cold')}
          onDone={onDone}
        />
      ) : (
        <Button h={72} onClick={onSkim} disabled={offer.creamKg < 0.005}>
          {offer.creamKg < 0.005 ? 'No cream yet' : 'Skim cream'}
        </Button>
      )}
    </>
  );
}

const CAN_POUR = new Set(['milk', 'skimmed']);

/** One lot: what it is, what it can become, and everything that may happen to it. */
export function LotPanel(props: {
  readonly lot: Lot;
  readonly room: MilkRoomNow;
  readonly nowMs: number;
  readonly onGo: (lotId: string | null) => void;
}) {
  const { lot, room, nowMs, onGo } = props;
  const units = useUnits();
  const [doing, setDoing] = useState<Doing>('nothing');
  const keep = keepWords(lot, nowMs, units);
  const cost = costWords(lot, units);
  const details = keepOf(lot, nowMs);
  const done = (): void => setDoing('nothing');
  const settling = settles(lot);
  const facts = [
    lot.source,
    MILK_FACTS[lot.kind].label.toLowerCase(),
    lot.treatment,
    sourWords(lot),
    lot.homogenised ? 'homogenised' : '',
    lot.feed ? (lot.feed === 'mixed' ? 'grass and hay' : lot.feed) : '',
    `${lot.fatKnown ? '' : 'about '}${percent(lot.of.fatFraction)} fat`,
  ].filter(Boolean);
  const buttons: readonly (readonly [Doing, string, boolean])[] = [
    ['measure', 'Measure cream line', settling],
    ['pool', 'Combine jars', CAN_POUR.has(lot.role) && lot.place !== 'freezer'],
    ['move', 'Move', lot.place !== 'freezer'],
    ['starter', 'Keep as a starter', lot.role === 'buttermilk' && lot.soured && lot.place === 'cold'],
    ['give', 'Take out', true],
    ['recount', 'Recount', true],
  ];
  return (
    <aside className="lot-panel" aria-label={lot.name}>
      <div>
        <div className="quiet">
          {lot.role === 'milk' ? '' : `${ROLE_WORD[lot.role]}, `}
          {PLACE_WORD[lot.place]}
          {lot.container && `, ${lot.container}`}
        </div>
        <h2>{lot.name}</h2>
        <p>
          <span className="number">{lotAmount(lot, units)}</span>, {facts.join(', ')}
          {cost && `, ${cost}`}
        </p>
        <p className={keep.late ? 'danger' : 'quiet'}>
          {keep.text}
          {!keep.text.includes(details.reason) && ` (${details.reason})`}
        </p>
        {lot.spokenForKg > 0 && (
          <p className="quiet">{someOf(lot, lot.spokenForKg, units)} of it is planned for batches.</p>
        )}
      </div>
      {lot.recount && (
        <p className="caution" role="status">
          More was taken out than was on record. Recount this jar.
        </p>
      )}
      {details.stoodWarm && (
        <p className="caution">
          Above {units.temperature(5)} for about {details.warmH.toFixed(0)} h. Use this first, and heat it.
        </p>
      )}
      {lot.treatment === 'raw' && !lot.soured && (
        <p className="caution note">
          Raw milk and cream can carry germs, whatever the farm. Not for pregnant people, small children, old
          people or anyone ill. Heat it first, and follow your local rules.
        </p>
      )}
      {settling && (doing === 'nothing' || doing === 'skim') && (
        <Settling
          lot={lot}
          room={room}
          nowMs={nowMs}
          skimming={doing === 'skim'}
          onSkim={() => setDoing('skim')}
          onDone={(restId) => {
            done();
            onGo(restId);
          }}
        />
      )}
      {lot.readyAtMs !== null && lot.readyAtMs > nowMs && (
        <p>
          <strong>Thawing. Liquid about {units.time(lot.readyAtMs, nowMs)}.</strong>
        </p>
      )}
      {lot.mixedSourSweet && (
        <p className="caution note">
          Sweet and soured are mixed. The mix keeps only as long as sweet {isCream(lot) ? 'cream' : 'milk'}{' '}
          does.
        </p>
      )}
      {isCream(lot) && doing === 'nothing' && <PotPart lot={lot} room={room} onGo={onGo} />}
      {lot.place === 'freezer' && doing === 'nothing' && <ThawPlan lot={lot} nowMs={nowMs} onThawed={onGo} />}
      {doing === 'starter' && <StarterForm lot={lot} onDone={done} />}
      {doing === 'give' && <GiveForm lot={lot} onDone={done} />}
      {doing === 'recount' && <RecountForm lot={lot} onDone={done} />}
      {doing === 'move' && <MoveForm lot={lot} onDone={done} />}
      {doing === 'pool' && (
        <PoolForm
          lot={lot}
          lots={room.lots}
          onDone={(intoId) => {
            done();
            onGo(intoId);
          }}
        />
      )}
      {doing === 'measure' && <MeasureForm lot={lot} onDone={done} />}
      <div className="lot-actions">
        {doing === 'nothing' ? (
          <>
            {CAN_POUR.has(lot.role) && lot.place !== 'freezer' && (
              <Button component={Link} to={`/new?from=${lot.id}`} variant={settling ? 'default' : 'filled'}>
                Use in a batch
              </Button>
            )}
            {buttons
              .filter(([, , shown]) => shown)
              .map(([what, label]) => (
                <Button key={what} variant="default" onClick={() => setDoing(what)}>
                  {label}
                </Button>
              ))}
            {lot.place !== 'freezer' && !lot.thawed && (
              <Button variant="default" onClick={() => void record(lot.id, 'milk-moved', { kind: 'freeze' })}>
                Freeze
              </Button>
            )}
            <Button component={Link} to={`/milk/ledger?lot=${lot.id}`} variant="subtle">
              Open ledger
            </Button>
          </>
        ) : (
          <Button variant="default" onClick={done}>
            Back
          </Button>
        )}
      </div>
    </aside>
  );
}
