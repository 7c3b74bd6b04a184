import { factorWords } from '@morning-crock/core';
import type { Factor } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useFactorsQuery } from '../../data/api.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import './learned.css';

const KIND_WORDS: Readonly<Record<Factor['kind'], string>> = {
  rate: 'setting speed',
  'place-heat': 'temperature',
  'place-tau': 'time constant',
  churn: 'churning time',
  cloth: 'draining time',
  hands: 'time it takes you',
  cooling: '',
  burner: '',
};
const W = 190;
const H = 52;

/** Each make's say as a dot, the belief after it as a line with its σ. */
function History({ factor }: { readonly factor: Factor }) {
  const { history } = factor;
  const reach = Math.max(
    0.05,
    ...history.map((h) => Math.min(Math.abs(h.observed), Math.abs(h.mean) * 3 + h.meanSigma * 2)),
    ...history.map((h) => Math.abs(h.mean) + h.meanSigma),
  );
  const x = (i: number): number => 8 + (history.length === 1 ? 0.5 : i / (history.length - 1)) * (W - 16);
  const y = (v: number): number => H / 2 - (Math.max(-reach, Math.min(reach, v)) / reach) * (H / 2 - 5);
  const upper = history.map((h, i) => `${x(i)} ${y(h.mean + h.meanSigma)}`);
  const lower = history.map((h, i) => `${x(i)} ${y(h.mean - h.meanSigma)}`).reverse();
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width={W}
      height={H}
      role="img"
      aria-label={`How this was learned over ${history.length} batches`}
    >
      <line x1="0" x2={W} y1={H / 2} y2={H / 2} stroke="var(--line)" strokeDasharray="3 4" />
      <path d={`M${[...upper, ...lower].join('L')}Z`} fill="var(--brush)" opacity="0.25" />
      <path
        d={`M${history.map((h, i) => `${x(i)} ${y(h.mean)}`).join('L')}`}
        fill="none"
        stroke="var(--cobalt)"
        strokeWidth="2.5"
      />
      {history.map((h, i) => (
        <circle
          key={h.makeId}
          cx={x(i)}
          cy={y(h.observed)}
          r="3.5"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      ))}
    </svg>
  );
}

/** What the kitchen's own makes have taught, each thing in words with how it came about; what is typed stays typed. */
export function Learned({ kitchenId }: { readonly kitchenId: string }) {
  const units = useUnits();
  const { data = [] } = useFactorsQuery();
  return (
    <section className="section wide" aria-labelledby="learned">
      <h2 id="learned">Learned from your batches</h2>
      {data.length === 0 ? (
        <p className="quiet">
          Nothing yet. Every finished batch with readings teaches a little about the culture, warm place, pot
          and burner.
        </p>
      ) : (
        <ul className="learned">
          {data.map((factor) => (
            <li key={`${factor.kind} ${factor.thing}`}>
              <span>
                <strong>{factor.name}</strong> <span className="quiet">{KIND_WORDS[factor.kind]}</span>
                <br />
                {factorWords(factor, units.temperatureUnit)}
              </span>
              <History factor={factor} />
              <Button
                variant="default"
                aria-label={`Forget ${factor.name}${KIND_WORDS[factor.kind] && `, ${KIND_WORDS[factor.kind]}`}`}
                onClick={() =>
                  void record(kitchenId, 'learning-reset', { kind: factor.kind, thing: factor.thing })
                }
              >
                Forget
              </Button>
            </li>
          ))}
        </ul>
      )}
      <p className="quiet">
        The next forecast uses these figures. What you typed is not changed. “Forget” starts again from the
        next batch. Dots: single batches. Line and band: the estimate after each batch, ± 1 standard
        deviation.
      </p>
    </section>
  );
}
