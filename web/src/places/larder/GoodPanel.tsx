import { goodKeepBy, goodKg, GOOD_FACTS, MILK_ON_LABEL, PLACE_WORD, toThaw } from '@morning-crock/core';
import type { Good, GoodStock, LarderPlace } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { LarderNow } from '../../data/use-larder.ts';
import { useUnits } from '../../data/use-units.ts';
import { endWords } from '../../parts/words/milk-words.ts';
import { LabelSheet } from './LabelSheet.tsx';
import { goodCostWords } from '../../parts/words/price-words.ts';
import { codeWords, stockWords } from '../../parts/words/stock-words.ts';
import { LarderLines } from './LarderLines.tsx';
import { CarryForm, RecountForm, TakeForm } from './TakeForm.tsx';
import { ThawForForm } from './ThawForForm.tsx';
import { ThawLine } from './ThawLine.tsx';

type Doing = { readonly what: 'take' | 'recount' | 'carry' | 'thaw-for'; readonly to: LarderPlace | null };

function Stock(props: { readonly good: Good; readonly stock: GoodStock; readonly nowMs: number }) {
  const { good, stock, nowMs } = props;
  const units = useUnits();
  const [doing, setDoing] = useState<Doing | null>(null);
  const end = endWords(goodKeepBy(good, stock), nowMs, units, stock.place === 'freezer');
  const done = (): void => setDoing(null);
  const name = `${stockWords(good, stock, units)} ${PLACE_WORD[stock.place]}`;
  const frozen = stock.place === 'freezer';
  const buttons: readonly (readonly [label: string, Doing])[] = [
    ['Take out', { what: 'take', to: null }],
    ...(frozen
      ? ([
          ['Thaw', { what: 'carry', to: 'cold' }],
          ['Plan thawing', { what: 'thaw-for', to: null }],
        ] as const)
      : stock.thawed
        ? []
        : ([['Freeze', { what: 'carry', to: 'freezer' }]] as const)),
    ...(frozen ? [] : ([['Move', { what: 'carry', to: null }]] as const)),
    ['Recount', { what: 'recount', to: null }],
  ];
  return (
    <li>
      <div className="stock-row">
        <span className="stock-big">{stockWords(good, stock, units)}</span>
        <span>{PLACE_WORD[stock.place]}</span>
        <span className={end.late ? 'danger' : 'quiet'}>{end.text}</span>
      </div>
      <div className="row below-m">
        {buttons.map(([label, to], i) => (
          <Button
            key={label}
            variant={i === 0 ? 'filled' : 'default'}
            h={56}
            aria-label={`${label}: ${name}`}
            aria-expanded={doing?.what === to.what && doing.to === to.to}
            onClick={() => setDoing(doing?.what === to.what && doing.to === to.to ? null : to)}
          >
            {label}
          </Button>
        ))}
      </div>
      {toThaw([good]).map(
        (one) => one.stock === stock && <ThawLine key={one.readyMs} one={one} nowMs={nowMs} may="cancel" />,
      )}
      {doing?.what === 'thaw-for' && <ThawForForm good={good} stock={stock} onDone={done} />}
      {doing?.what === 'take' && <TakeForm good={good} stock={stock} onDone={done} />}
      {doing?.what === 'carry' && (
        <CarryForm key={doing.to ?? ''} good={good} stock={stock} to={doing.to} onDone={done} />
      )}
      {doing?.what === 'recount' && <RecountForm good={good} stock={stock} onDone={done} />}
    </li>
  );
}

/** One lot of goods: what is left of it and where, all that may happen to it, and its labels. */
export function GoodPanel(props: {
  readonly good: Good;
  readonly larder: LarderNow;
  readonly nowMs: number;
  readonly labels: boolean;
}) {
  const { good, larder, nowMs, labels } = props;
  const units = useUnits();
  const left = good.stocks.filter(({ massKg }) => massKg > 0);
  const facts = [
    GOOD_FACTS[good.what].label,
    good.sour === null ? '' : good.sour === 'sweet' ? 'from sweet cream' : 'from ripened cream',
    good.saltFraction === null ? '' : `${(good.saltFraction * 100).toFixed(1)} % salt`,
    good.milk === null
      ? ''
      : `${MILK_ON_LABEL[good.milk.kind].toLowerCase()}, ${good.milk.raw ? 'raw' : 'heated'}`,
    `made ${units.day(good.madeMs)}`,
    goodCostWords(good, units) ?? '',
  ].filter((word) => word !== '');
  const { uses } = GOOD_FACTS[good.what];
  if (labels) return <LabelSheet good={good} nowMs={nowMs} />;
  return (
    <section aria-label={good.name} className="larder-two">
      <div className="may-shrink">
        <h2>
          {good.name} <span className="quiet number">{codeWords(good.code)}</span>
        </h2>
        <p>{facts.join(' · ')}</p>
        {left.length === 0 ? (
          <p className="months-word">None left. {units.mass(good.putUpKg)} was added.</p>
        ) : (
          <ul className="bare" aria-label="In stock">
            {left.map((stock) => (
              <Stock key={`${stock.place} ${stock.size}`} good={good} stock={stock} nowMs={nowMs} />
            ))}
          </ul>
        )}
        {uses.length > 0 && left.length > 0 && <p className="quiet">Good for: {uses.join('; ')}.</p>}
        <div className="row wide above-m">
          <Button component={Link} to={`/larder/${good.id}/labels`} variant="default" h={56}>
            Print labels
          </Button>
          <Button component={Link} to={`/larder/recall/${good.id}`} variant="default" h={56}>
            Trace origin
          </Button>
          {good.makeId !== null && (
            <Button component={Link} to={`/daybook/${good.makeId}`} variant="default" h={56}>
              Open record
            </Button>
          )}
        </div>
      </div>
      <div className="may-shrink">
        <h2>History</h2>
        <LarderLines lines={larder.lines.filter(({ goodId }) => goodId === good.id)} goods={[good]} />
        <p className="quiet">
          {units.mass(good.putUpKg)} added, {units.mass(Math.max(0, goodKg(good)))} left.
        </p>
      </div>
    </section>
  );
}
