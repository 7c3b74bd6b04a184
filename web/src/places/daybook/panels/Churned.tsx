import {
  BUTTER_PLACES,
  churnedOf,
  churnSpread,
  salted,
  type ButterPlace,
  type FatBalance,
  type MakeState,
  MINUTE_MS,
  CHURN_TOLD,
  SALT_TOLD,
  WASH_TOLD,
  WORK_TOLD,
  butterKeepsAt,
  makeAt,
  told,
} from '@morning-crock/core';
import type { Units } from '../../../data/units-of.ts';
import { ChurnCord } from '../../../parts/drawings/ChurnCord.tsx';
import { daysWords } from '../../../parts/words/days-words.ts';
import { piecesWords } from '../../../parts/words/pieces-words.ts';
import './churned.css';

const PLACE_WORDS: Readonly<Record<ButterPlace, string>> = {
  cold: 'sealed, in the fridge',
  freezer: 'frozen',
  counter: 'on the counter',
  'under-water': 'under water',
};

/** What a churning gave, against what it could have. */
export function fatFacts(fat: FatBalance, state: MakeState, units: Units): (readonly [string, string])[] {
  const saltKg = told(state, SALT_TOLD);
  const { moistureFraction, flavours, pieces } = told(state, WORK_TOLD);
  const { rinses } = told(state, WASH_TOLD);
  const salt =
    saltKg === null || fat.realKg === null ? null : salted(fat.realKg, fat.moistureFraction, saltKg);
  return [
    ['At most', units.mass(fat.possibleKg)],
    ['Estimated', `about ${units.mass(fat.likelyKg)}`],
    ['Buttermilk', fat.buttermilkKg === null ? 'not weighed' : units.mass(fat.buttermilkKg)],
    ['Overrun', fat.overrun === null ? '–' : `${(fat.overrun * 100).toFixed(0)} %`],
    [
      'Salt',
      salt
        ? `${(salt.saltFraction * 100).toFixed(1)} % (brine about ${(salt.brineFraction * 100).toFixed(0)} %)`
        : 'none',
    ],
    ...(moistureFraction === null
      ? []
      : [['Water (pan test)', `${(moistureFraction * 100).toFixed(1)} %`] as const]),
    ['Washed', rinses.length === 0 ? 'not washed' : `${rinses.length} ×`],
    ...(told(state, CHURN_TOLD).poured.length === 0
      ? []
      : [['Water added in the churn', `${units.mass(fat.waterKg)}, diluted`] as const]),
    ...(flavours.length === 0
      ? []
      : [
          [
            'Flavourings',
            told(state, WORK_TOLD)
              .flavours.map((f) => (f.with === 'dry' ? 'spice' : f.with))
              .join(', '),
          ] as const,
        ]),
    ...(pieces.length === 0 ? [] : [['Pieces', piecesWords(pieces, units)] as const]),
  ];
}

/** How the churning went: its stages on their cord, its minutes against what was forecast. */
export function Churned({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const step = state.steps.find((s) => s.step.kind === 'churn');
  if (step?.step.instance.kind !== 'churn' || step.startedAtMs === null || step.endedAtMs === null)
    return <p className="quiet">This batch was not churned.</p>;
  const own = churnedOf(makeAt(state, state.finished?.atMs ?? state.startedAtMs));
  if (!own) return null;
  const { minutes, forecastMin: forecast, startC, loads } = own;
  const { startedAtMs: startMs } = step;
  // Of several loads the last one's stages are told.
  const lastMs = told(state, CHURN_TOLD).loadsAtMs.at(-1) ?? startMs;
  const seen = told(state, CHURN_TOLD)
    .stages.filter(({ atMs }) => atMs > lastMs)
    .map(({ stage, atMs }) => ({ stage, minutes: (atMs - lastMs) / MINUTE_MS }));
  const spread = churnSpread(step.step.instance);
  return (
    <div className="churned">
      <ChurnCord
        nowShare={1}
        expected={forecast === null ? [1, 1] : [forecast / spread / minutes, (forecast * spread) / minutes]}
        seen={seen.map((s) => s.stage)}
      />
      <div>
        <div className="number churned-big">
          {Math.round(minutes)} <small>min</small>
        </div>
        <p>
          to break, in {step.step.instance.name}
          {loads > 1 && ` (average of ${loads} loads)`}
        </p>
        {forecast !== null && (
          <p>
            Forecast: about {Math.round(forecast)} min{' '}
            <span className="quiet">
              ({Math.round(forecast / spread)}–{Math.round(forecast * spread)})
            </span>
          </p>
        )}
        {startC !== null && <p>Starting temperature {units.temperature(startC)} (measured).</p>}
      </div>
    </div>
  );
}

/** How long it keeps, by where, with the reason. */
export function Keeps({ state }: { readonly state: MakeState }) {
  return (
    <section className="keeps below-l" aria-label="How long it keeps">
      <h2 className="below-s">Keeps for about</h2>
      <dl>
        {BUTTER_PLACES.map((place) => {
          const keeps = butterKeepsAt(makeAt(state, state.finished?.atMs ?? state.startedAtMs), place);
          return (
            keeps && (
              <div key={place}>
                <dt>{PLACE_WORDS[place]}</dt>
                <dd>
                  <strong>{daysWords(keeps.days)}</strong> <span className="quiet">{keeps.reason}</span>
                </dd>
              </div>
            )
          );
        })}
      </dl>
      <p className="quiet">An estimate, not a promise. Smell the butter first.</p>
    </section>
  );
}
