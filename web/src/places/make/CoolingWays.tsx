import {
  coldBath,
  coolsCovered,
  formatMinutes,
  batchOf,
  iceNeededKg,
  pointForecast,
  replannedState,
  type MakeState,
  MINUTE_MS,
} from '@morning-crock/core';
import type { CoolingPlan } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import './ways.css';

const WORDS = { counter: 'uncovered', bath: 'in cold water', 'iced-bath': 'in iced water' } as const;
const wordsOf = ({ kind, lidOn }: CoolingPlan): string =>
  kind === 'counter' && lidOn ? 'with the lid on' : WORDS[kind];

/** The ways to cool it from here on, each with its minutes and what to have ready; shown while it is hot. */
export function CoolingWays({ state, nowMs }: { readonly state: MakeState; readonly nowMs: number }) {
  const units = useUnits();
  const cools = state.steps.findIndex((s) => s.step.facts.moves === 'down');
  const now = state.steps.findIndex((s) => s.status === 'current');
  // While it is hot already: before that nobody thinks of it.
  const open =
    cools >= 0 && now >= 0 && now <= cools && state.current?.step.facts.moves !== 'up' && now >= cools - 1;
  const ways = useMemo(() => {
    if (!open) return [];
    const batch = batchOf(state.plan);
    const bath = coldBath(batch.litres);
    const water = bath.waterLitres / 2;
    const needed = iceNeededKg({
      composition: batch.composition,
      litres: batch.litres,
      startC: state.temperatures.at(-1)?.celsius ?? 85,
      targetC: state.plan.inoculateC,
      airC: state.plan.roomC,
      waterLitres: water,
      waterC: bath.waterC,
    });
    const iced: CoolingPlan = {
      ...bath,
      kind: 'iced-bath',
      waterLitres: water,
      iceKg: Math.max(0.5, Math.ceil(needed * 10) / 10),
    };
    const plans: readonly CoolingPlan[] = [
      { ...bath, kind: 'counter', lidOn: false },
      { ...bath, kind: 'counter', lidOn: true },
      bath,
      iced,
    ];
    return plans.map((cooling) => {
      const own = replannedState(state, { cooling, why: '' }, nowMs);
      const step = pointForecast(own, nowMs).steps.find((s) => s.id === state.steps[cools]?.step.id);
      const from = Math.max(nowMs, step?.startMs ?? nowMs);
      return { cooling, minutes: step && !step.endless ? (step.endMs - from) / MINUTE_MS : null };
    });
  }, [open, cools, state, nowMs]);
  if (ways.length === 0) return null;
  const kind = state.plan.cooling?.kind ?? 'counter';
  const chosen = kind === 'counter' && coolsCovered(state.plan) ? 'with the lid on' : WORDS[kind];
  return (
    <section className="ways" aria-label="Ways to cool">
      {ways.map(({ cooling, minutes }) => {
        const ready =
          cooling.kind === 'counter'
            ? ''
            : `${units.volume(cooling.waterLitres)} of water${cooling.kind === 'iced-bath' ? `, ${units.mass(cooling.iceKg)} of ice` : ''}`;
        return (
          <Button
            key={wordsOf(cooling)}
            variant={wordsOf(cooling) === chosen ? 'filled' : 'default'}
            aria-pressed={wordsOf(cooling) === chosen}
            h="auto"
            py={8}
            onClick={() => void record(state.id, 'replanned', { cooling, why: wordsOf(cooling) })}
          >
            <span className="way">
              <span>{wordsOf(cooling)}</span>
              <span className="number">
                {minutes === null
                  ? 'never that cold'
                  : minutes < 1
                    ? 'under 1 min'
                    : `about ${formatMinutes(minutes)}`}
              </span>
              <small>{ready || 'nothing to do'}</small>
            </span>
          </Button>
        );
      })}
      <Link to={`/sums/ice-bath?for=${state.id}`}>Open Ice bath</Link>
    </section>
  );
}
