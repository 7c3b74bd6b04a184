import { CAUTIONS, type Measured, capital } from '@morning-crock/core';
import type { MakeSummary, Method } from '@morning-crock/core/contract';
import { Link } from 'react-router';
import { useMilkPrice } from '../../data/use-milk-price.ts';
import { useUnits } from '../../data/use-units.ts';
import { durationWords } from './duration-words.ts';

/** What a method comes to here: one row a thing, so that two stand beside each other. */
export function factRows(
  measured: Measured,
  units: ReturnType<typeof useUnits>,
  /** Of the milk or cream; `null` when no lot has a price. */
  pricePerKg: number | null,
): readonly (readonly [string, string])[] {
  return [
    ['Total time', `about ${durationWords(measured.hours * 60)}`],
    ['Hands-on', `about ${durationWords(measured.handsMin)}`],
    ['Yield', `about ${units.mass(measured.outKg)} from ${units.volume(measured.litres)}`],
    ...(measured.wheyKg > 0.05 ? [['Whey', `about ${units.mass(measured.wheyKg)}`] as const] : []),
    ...(measured.reachWords === null ? [] : [['Sourness', measured.reachWords] as const]),
    ...(!measured.never && measured.sourness !== null && measured.ph !== null
      ? [['Sourness', `${measured.sourness}, about pH ${measured.ph.toFixed(1)}`] as const]
      : []),
    ...(measured.sourness === null && measured.ph !== null
      ? [['Acidity the next day', `about pH ${measured.ph.toFixed(1)}`] as const]
      : []),
    ...(measured.bodyWord && !measured.never
      ? [['Thickness', `probably ${measured.bodyWord}`] as const]
      : []),
    ...(measured.starter ? [['Starter', measured.starter] as const] : []),
    ...(pricePerKg === null
      ? []
      : [
          [
            'Milk cost',
            `about ${units.cost(pricePerKg * measured.inKg)}, ${units.cost((pricePerKg * measured.inKg) / measured.outKg)} per kg of product`,
          ] as const,
        ]),
  ];
}

/** What this kitchen's own makes by a method came to. */
function OwnMakes({ method, makes }: { readonly method: Method; readonly makes: readonly MakeSummary[] }) {
  const units = useUnits();
  const own = makes.filter((make) => make.methodId === method.id && !make.waking);
  if (own.length === 0) return <p className="quiet">No batches with this method yet.</p>;
  const kept = own.filter((make) => make.status === 'kept');
  const thrown = own.filter((make) => make.status === 'discarded').length;
  const tasted = kept.flatMap((make) => (make.sourness === null ? [] : [make.sourness]));
  const most = mostOften(tasted);
  const off = kept.flatMap((make) =>
    make.seenSetH !== null && make.forecastSetH[1] !== null ? [make.seenSetH - make.forecastSetH[1]] : [],
  );
  const meanOff = off.length === 0 ? null : off.reduce((sum, h) => sum + h, 0) / off.length;
  const yields = kept.flatMap((make) => (make.yieldKg === null ? [] : [make.yieldKg / make.litres]));
  const meanYield = yields.length === 0 ? null : yields.reduce((sum, y) => sum + y, 0) / yields.length;
  const latest = own[0]!;
  return (
    <p>
      {own.length} {own.length === 1 ? 'batch' : 'batches'}
      {thrown > 0 && `, ${thrown} discarded`}
      {most && `; mostly tasted ${most}`}
      {meanYield !== null && `; ${units.mass(meanYield)} per litre`}
      {meanOff !== null &&
        `; set ${Math.abs(meanOff) < 0.25 ? 'on time' : `${durationWords(Math.abs(meanOff) * 60)} ${meanOff > 0 ? 'later' : 'earlier'} than forecast`}`}
      . <Link to={`/daybook/${latest.id}`}>Open latest batch</Link>
    </p>
  );
}

function mostOften<T extends string>(words: readonly T[]): T | null {
  const counts = new Map<T, number>();
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/** All that is told of a method besides its steps. */
export function MethodFacts({
  method,
  measured,
  makes,
}: {
  readonly method: Method;
  readonly measured: Measured;
  readonly makes: readonly MakeSummary[];
}) {
  const units = useUnits();
  const price = useMilkPrice()(method.product);
  return (
    <div className="column">
      <dl className="method-facts">
        {factRows(measured, units, price).map(([label, value]) => (
          <div key={label}>
            <dt className="quiet">{label}</dt>
            <dd className="number">{value}</dd>
          </div>
        ))}
      </dl>
      <div>
        <h2>You need</h2>
        <p>{capital(measured.things.join(', '))}.</p>
      </div>
      <div>
        <h2>Your batches so far</h2>
        <OwnMakes method={method} makes={makes} />
      </div>
      {measured.advice
        .filter(({ severity }) => severity !== 'note')
        .map(({ text, severity }) => (
          <p key={text} className={`caution ${severity === 'stop' ? 'stop' : ''}`}>
            {text}
          </p>
        ))}
      <details>
        <summary className="unfolds">Cautions ({measured.cautions.length})</summary>
        {measured.cautions.map((id) => (
          <p key={id} className="caution above-s">
            {CAUTIONS[id]}
          </p>
        ))}
      </details>
      {method.notes && <p className="reading">{method.notes}</p>}
      <p className="quiet">Estimates for this kitchen today.</p>
    </div>
  );
}
