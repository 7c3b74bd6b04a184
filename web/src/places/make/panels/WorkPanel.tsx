import {
  fatBalance,
  salted,
  saltWantedKg,
  CHURN_TOLD,
  SALT_TOLD,
  butterKeepsAt,
  makeAt,
  told,
} from '@morning-crock/core';
import { daysWords } from '../../../parts/words/days-words.ts';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** The butter on its board: what was possible, what is likely, what came. */
export function WorkPanel({ live, nowMs }: PanelProps) {
  const units = useUnits();
  const { state } = live;
  const balance = fatBalance(makeAt(state, nowMs));
  const work = state.steps.find((s) => s.step.instance.kind === 'work')?.step.instance;
  if (!balance || work?.kind !== 'work') return null;
  const { possibleKg, likelyKg, realKg } = balance;
  const butterKg = realKg ?? likelyKg;
  const wantedKg = saltWantedKg(makeAt(state, nowMs));
  const saltKg = told(state, SALT_TOLD);
  const { iced } = told(state, CHURN_TOLD);
  const salt = saltKg === null ? null : salted(butterKg, balance.moistureFraction, saltKg);
  const keeps = butterKeepsAt(makeAt(state, state.finished?.atMs ?? state.startedAtMs), 'cold');
  const width = (kg: number): number => 300 * Math.min(1, kg / possibleKg);
  return (
    <section className="temper-panel" aria-label="Butter: at most, estimated and weighed">
      <svg viewBox="0 0 380 300" aria-hidden="true" className="wash-drawing">
        <path
          d="M10 232 H370 L352 262 H28 Z"
          fill="var(--clay)"
          opacity="0.35"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
        <rect
          x="40"
          y="148"
          width="300"
          height="84"
          rx="10"
          fill="none"
          stroke="var(--line)"
          strokeWidth="2"
          strokeDasharray="6 6"
        />
        <rect
          x="40"
          y="148"
          width={width(realKg ?? likelyKg)}
          height="84"
          rx="10"
          fill="var(--butter)"
          opacity={realKg === null ? 0.45 : 1}
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
        <path
          d="M56 170 l12 14 l-12 14 M84 170 l12 14 l-12 14"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
          opacity="0.5"
        />
      </svg>
      <dl className="yields">
        <div>
          <dt className="quiet">at most, with no fat lost</dt>
          <dd className="number">{units.mass(possibleKg)}</dd>
        </div>
        <div>
          <dt className="quiet">estimated</dt>
          <dd className="number">{units.mass(likelyKg)}</dd>
        </div>
        <div>
          <dt>{realKg === null ? 'not weighed yet' : 'weighed'}</dt>
          <dd className="number temper-big">{realKg === null ? '–' : units.mass(realKg)}</dd>
        </div>
        {wantedKg !== null && (
          <div>
            <dt className="quiet">salt for {(work.saltFraction * 100).toFixed(1)} %</dt>
            <dd className="number">
              {realKg === null ? 'about ' : ''}
              {units.mass(wantedKg)}
            </dd>
          </div>
        )}
        {iced && iced.toMs > nowMs && (
          <div>
            <dt>in iced water until</dt>
            <dd className="number">{units.time(iced.toMs, nowMs)}</dd>
          </div>
        )}
        {keeps && (
          <div>
            <dt className="quiet">keeps in the fridge, about</dt>
            <dd className="number">{daysWords(keeps.days)}</dd>
            <dd className="why">{keeps.reason}</dd>
          </div>
        )}
        {salt && (
          <div>
            <dt className="quiet">salted</dt>
            <dd className="number">
              {(salt.saltFraction * 100).toFixed(1)} %, about {(salt.brineFraction * 100).toFixed(0)} % salt
              in its water
            </dd>
          </div>
        )}
      </dl>
    </section>
  );
}
