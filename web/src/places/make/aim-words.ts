import {
  churnLoads,
  formatMinutes,
  interpolateLinear,
  overdueSince,
  STARTER_FACTS,
  toAdd,
  MINUTE_MS,
  makeAt,
  type MakeState,
  capital,
  lower,
} from '@morning-crock/core';
import type { LiveMake } from '../../data/use-make.ts';
import type { Units } from '../../data/units-of.ts';
import { readyWords } from '../../parts/words/seen-words.ts';

/** What a step aims at, with nothing foreseen. */
export function plainAim({ current }: MakeState, units: Units): string {
  const aim = current?.step.aim;
  switch (aim?.to) {
    case 'heat':
      return `To ${units.temperature(aim.celsius)}`;
    case 'time':
      return `For ${formatMinutes(aim.minutes)}`;
    case 'words':
      return aim.words;
    default:
      return '';
  }
}

/** What the present step aims at, in a few words. */
export function aimOf(live: LiveMake, units: Units, nowMs: number): string {
  const { state, forecast } = live;
  const step = state.current?.step;
  const time = forecast.point.steps.find((s) => s.id === step?.id);
  const left = time ? (time.endMs - nowMs) / MINUTE_MS : 0;
  const sinceMs = left > 1 ? null : overdueSince(state, nowMs, forecast.point);
  const soon = left > 1 ? `in about ${formatMinutes(left)}` : 'about now';
  const when = sinceMs === null ? soon : `since about ${units.time(sinceMs, nowMs)}`;
  switch (step?.aim?.to) {
    case 'heat':
      return `To ${units.temperature(step.aim.celsius)}, ${when}`;
    case 'time':
      return `For ${formatMinutes(step.aim.minutes)}, done ${when}`;
    case 'dose': {
      const { massKg, kind } = state.plan.starter;
      const { label } = STARTER_FACTS[kind];
      if (massKg === null) return label;
      return `${units.mass(massKg)} of ${lower(label)}`;
    }
    case 'amount':
      return `${units.mass(step.aim.massKg)} of milk`;
    case 'break': {
      const load = churnLoads(makeAt(state, nowMs))?.now;
      if (!load) return '';
      const { no, broke } = load.run;
      return broke ? `Load ${no} has broken` : `Breaks ${units.span(load.lowMs, load.highMs, nowMs)}`;
    }
    case 'ready': {
      const ready = readyWords(state, forecast, units, nowMs);
      return capital(ready);
    }
    case 'added': {
      const { point } = forecast;
      const nowC =
        state.temperatures.at(-1)?.celsius ??
        interpolateLinear(
          point.temperature.map(([ms]) => ms),
          point.temperature.map(([, celsius]) => celsius),
          nowMs,
        );
      const adds = toAdd(state, point.denatured, nowC).map(({ what, massKg, by, celsius, toC }) => {
        const much = by === 'volume' ? units.volume(massKg) : units.mass(massKg);
        const hot = celsius === null ? '' : ` at ${units.temperature(celsius)}`;
        return `${much} of ${what}${hot}${toC === null ? '' : `, to bring it to ${units.temperature(toC)}`}`;
      });
      return [...adds, step.aim.words].join(' · ');
    }
    case 'words':
      return step.aim.words;
    default:
      return '';
  }
}
