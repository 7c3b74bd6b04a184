import {
  batchOf,
  fatBalance,
  likelyKg,
  makeAt,
  makeFlow,
  markBand,
  MINUTE_MS,
  placeUnchecked,
  productOf,
  shownAcidAtMs,
  souringOf,
  soursToTheEnd,
  type MakeState,
  capital,
} from '@morning-crock/core';
import type { LiveMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';
import { firmnessWords, setWords } from '../../parts/words/seen-words.ts';

/** Whether what came out is an estimate. */
const weighedWords = ({ weighedKg, weighedByLevel }: MakeState): string =>
  weighedKg === null ? ' (estimated)' : weighedByLevel ? ', by level (about)' : ', weighed';

/** What is known or foreseen of a batch under way, in a row of figures. */
export function Facts({
  live: { state, forecast },
  nowMs,
}: {
  readonly live: LiveMake;
  readonly nowMs: number;
}) {
  const units = useUnits();
  const souring = souringOf(state);
  const set = setWords(state, forecast, units, nowMs);
  const balance = fatBalance(makeAt(state, Math.floor(nowMs / MINUTE_MS) * MINUTE_MS));
  const gives = likelyKg(state);
  const { goods } = productOf(state.plan);
  const shownAcidMs = shownAcidAtMs(state);
  const safe = markBand(forecast, 'safe');
  return (
    <>
      {souring && !soursToTheEnd(state) && (
        <div className="facts below-s">
          <div className="fact">
            <div className="label">
              {shownAcidMs === null ? 'Reaches pH 5.3 (estimated)' : 'Souring confirmed'}
            </div>
            <div className="value number">
              {shownAcidMs === null ? units.span(safe.p10, safe.p90, nowMs) : units.time(shownAcidMs, nowMs)}
            </div>
          </div>
          <div className="fact">
            <div className="label">
              {capital(goods.out)}
              {weighedWords(state)}
            </div>
            <div className="value number">
              {units.mass(state.weighedKg ?? makeFlow(state, forecast.point.denatured).out.massKg)}
            </div>
          </div>
        </div>
      )}
      {soursToTheEnd(state) && souring && (
        <div className="facts below-s">
          <div className="fact">
            <div className="label">{set.label}</div>
            <div className="value number">{set.value}</div>
          </div>
          <div className="fact">
            <div className="label">{souring.words.body}</div>
            <div className="value">{firmnessWords(state, forecast)}</div>
          </div>
          <div className="fact">
            <div className="label">
              {state.plan.place.name}
              {placeUnchecked(state.plan) && state.temperatures.length === 0 && ', not checked'}
            </div>
            <div className="value number">
              {units.temperature(forecast.ambientC)}{' '}
              <span className="quiet">
                ± {(forecast.ambientSigmaC * (units.temperatureUnit === 'F' ? 1.8 : 1)).toFixed(1)} °
                {units.temperatureUnit}
              </span>
            </div>
          </div>
        </div>
      )}
      {!balance && gives !== null && (
        <div className="facts below-s">
          <div className="fact">
            <div className="label">
              {capital(goods.out)}
              {weighedWords(state)}
            </div>
            <div className="value number">{units.mass(state.weighedKg ?? gives)}</div>
          </div>
          <div className="fact">
            <div className="label">{capital(goods.into)} in</div>
            <div className="value number">{units.mass(batchOf(state.plan).massKg)}</div>
          </div>
        </div>
      )}
      {balance && (
        <div className="facts below-s">
          <div className="fact">
            <div className="label">{balance.realKg === null ? 'Butter (estimated)' : 'Butter'}</div>
            <div className="value number">
              {balance.realKg === null
                ? units.mass(balance.likelyKg)
                : `${units.mass(balance.realKg)}, weighed`}
            </div>
          </div>
          <div className="fact">
            <div className="label">At most</div>
            <div className="value number">{units.mass(balance.possibleKg)}</div>
          </div>
          <div className="fact">
            <div className="label">Buttermilk</div>
            <div className="value number">
              {balance.buttermilkKg === null
                ? `about ${units.mass(balance.creamKg - balance.likelyKg)}`
                : `${units.mass(balance.buttermilkKg)}, weighed`}
            </div>
          </div>
        </div>
      )}
    </>
  );
}
