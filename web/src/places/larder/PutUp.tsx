import {
  foldMake,
  GOOD_FACTS,
  goodOfMake,
  goodsIntoMakes,
  cameOut,
  mostPutUpKg,
  PLACE_WORD,
  PUT_UP_KINDS,
  UNNAMED_KIND,
  usualKeeping,
  DAY_MS,
  WORK_TOLD,
  told,
} from '@morning-crock/core';
import { LARDER_PLACES, type GoodFacts, type GoodKind, type LarderPlace } from '@morning-crock/core/contract';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { useMakeQuery, useMakesQuery } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import type { LarderNow } from '../../data/use-larder.ts';
import { useUnits } from '../../data/use-units.ts';
import { AmountField, PLAIN_MILK, useAsTyped, type TypedAmount } from '../../parts/fields/AmountField.tsx';
import { Choices } from '../../parts/fields/Choices.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { codeOf } from '../../parts/words/stock-words.ts';
import { NumberField } from '../../parts/fields/NumberField.tsx';

const MOST_SIZES = 20;
const MOST_PIECES = 500;
/** Less than this is not worth saying that it is left, kg. */
const WORTH_KG = 0.01;
/** What was made longer ago is not waiting to be put up. */
const WAITING_MS = 60 * DAY_MS;
const SOMETHING_ELSE = 'else';

interface Row {
  readonly key: string;
  readonly count: number;
  readonly amount: TypedAmount | null;
}

const countFault = (count: number): string | null =>
  Number.isInteger(count) && count >= 1 && count <= MOST_PIECES ? null : `Between 1 and ${MOST_PIECES}.`;

/** How much that is together, and whether there is so much of it. */
function totalWords(
  total: {
    readonly kg: number;
    readonly leftKg: number | null;
    readonly over: boolean;
    readonly before: boolean;
  },
  mass: (kg: number) => string,
): string {
  const { kg, leftKg, over, before } = total;
  const sum = `${mass(kg)} in total`;
  if (leftKg === null)
    return over ? `${sum}: more than this batch can have given. Weigh it first, or count again.` : sum;
  if (over)
    return `${sum}. That is more than the ${mass(leftKg)} ${before ? 'not yet in the larder' : 'from this batch'}. Weigh or count again.`;
  const of = `${sum} of ${mass(leftKg)} weighed`;
  return leftKg - kg > WORTH_KG ? `${of}; ${mass(leftKg - kg)} left to add` : of;
}

/** What is put up: how many of which size, where they stand. */
function PutUpForm(props: {
  readonly goodId: string;
  readonly first: GoodFacts;
  /** What the make gave and is not put up yet, kg; `null` when nobody weighed it. */
  readonly leftKg: number | null;
  readonly pieces: readonly { readonly count: number; readonly massKg: number }[];
  /** Where nobody weighed: the most that it can have given and is not put up yet. */
  readonly mostKg?: number | undefined;
  /** Some of it was put up before. */
  readonly before?: boolean;
}) {
  const { goodId, first, leftKg, mostKg = Number.POSITIVE_INFINITY, before = false } = props;
  const units = useUnits();
  const asTyped = useAsTyped('weight');
  const navigate = useNavigate();
  const [name, setName] = useState(first.name);
  const [what, setWhat] = useState<GoodKind>(first.what);
  const [place, setPlace] = useState<LarderPlace>('cold');
  const [rows, setRows] = useState<readonly Row[]>(() =>
    (props.pieces.length > 0 ? props.pieces : [{ count: 1, massKg: leftKg ?? 0.5 }]).map(
      ({ count, massKg }): Row => ({ key: ulid(), count, amount: asTyped(massKg, PLAIN_MILK) }),
    ),
  );
  const ofMake = first.makeId !== null;
  const change = (key: string, to: Partial<Row>): void =>
    setRows((before) => before.map((row) => (row.key === key ? { ...row, ...to } : row)));
  const kg = rows.reduce((sum, { count, amount }) => sum + (amount?.massKg ?? 0) * count, 0);
  const over = leftKg === null ? kg > mostKg : kg > mostPutUpKg(leftKg);
  const keeps = ofMake ? first.keeps : usualKeeping(what);
  const here = keeps.find((k) => k.place === place);
  const days = (n: number): string => (n < 3 ? n.toFixed(1).replace('.0', '') : n.toFixed(0));
  return (
    <EntryForm
      label="Add to larder"
      className="lot-form put-up"
      onEntry={() => {
        if (over || rows.some(({ count, amount }) => countFault(count) !== null || !amount)) return;
        void record(goodId, 'larder-moved', {
          kind: 'put-up',
          good: { ...first, name: name.trim(), what, keeps },
          place,
          pieces: rows.map(({ count, amount }) => ({
            count,
            eachKg: amount!.massKg,
            typed: amount!.typed,
          })),
        }).then(() => navigate(`/larder/${goodId}`));
      }}
    >
      <TextInput
        label="Name"
        value={name}
        maxLength={80}
        error={name.trim() === '' ? 'Enter a name.' : null}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      {!ofMake && (
        <NativeSelect
          label="Product"
          value={what}
          data={PUT_UP_KINDS.map((kind) => ({
            value: kind,
            label: GOOD_FACTS[kind].label,
          }))}
          onChange={(e) =>
            setWhat(PUT_UP_KINDS.find((kind) => kind === e.currentTarget.value) ?? UNNAMED_KIND)
          }
        />
      )}
      {rows.map(({ key, count, amount }, i) => (
        <div className="row" key={key}>
          <NumberField
            label={`Number${i > 0 ? `, size ${i + 1}` : ''}`}
            unit="pieces"
            width={180}
            value={count}
            fault={countFault(count)}
            onValue={(value) => change(key, { count: value })}
          />
          <AmountField
            label={`Each${i > 0 ? `, size ${i + 1}` : ''}`}
            of={PLAIN_MILK}
            by="weight"
            amount={amount}
            onAmount={(next) => change(key, { amount: next })}
          />
          {rows.length > 1 && (
            <Button
              variant="subtle"
              aria-label={`Remove size ${i + 1}`}
              onClick={() => setRows((before) => before.filter((row) => row.key !== key))}
            >
              ×
            </Button>
          )}
        </div>
      ))}
      {rows.length < MOST_SIZES && (
        <Button
          variant="subtle"
          onClick={() =>
            setRows((before) => [...before, { key: ulid(), count: 1, amount: before.at(-1)?.amount ?? null }])
          }
        >
          Add size
        </Button>
      )}
      <p className={over ? 'field-error' : 'quiet'} role={over ? 'alert' : undefined} aria-invalid={over}>
        {totalWords({ kg, leftKg, over, before }, (kg) => units.mass(kg))}
      </p>
      <Choices
        legend="Stored"
        value={place}
        options={LARDER_PLACES.filter((p) => keeps.some((k) => k.place === p)).map((value) => ({
          value,
          label: PLACE_WORD[value],
        }))}
        onChange={setPlace}
      />
      {here && (
        <p className="quiet">
          Keeps about {days(here.days[0])}–{days(here.days[1])} days there ({here.reason}). This is an
          estimate. Look and smell as well.
        </p>
      )}
      <Button type="submit" h={72}>
        Add to larder
      </Button>
    </EntryForm>
  );
}

/** What a make gave, with what its record says of it filled in. */
function OfMake({ makeId, larder }: { readonly makeId: string; readonly larder: LarderNow }) {
  const { data: events } = useMakeQuery(makeId);
  const [goodId] = useState(() => ulid());
  if (!events) return <p className="quiet">Opening …</p>;
  const state = foldMake(makeId, events);
  if (!state)
    return (
      <p className="field-error" role="alert">
        This batch’s record cannot be read. Use “Add another product” instead.
      </p>
    );
  const before = larder.goods
    .filter((good) => good.makeId === makeId && good.what === state.plan.product)
    .reduce((sum, { putUpKg }) => sum + putUpKg, 0);
  const leftKg = state.weighedKg === null ? null : Math.max(0, state.weighedKg - before);
  const gave = cameOut(
    {
      ...state,
      skipped: new Set(state.steps.flatMap(({ status, step }) => (status === 'skipped' ? [step.id] : []))),
    },
    state.plan.product,
  );
  return (
    <PutUpForm
      goodId={goodId}
      first={goodOfMake(state, codeOf(goodId), now(), goodsIntoMakes(larder.goods, larder.lines).get(makeId))}
      leftKg={leftKg}
      mostKg={gave ? gave.mostKg - before : undefined}
      // As it was cut, unless some of that is put up already.
      pieces={before > 0 ? [] : told(state, WORK_TOLD).pieces}
      before={before > 0}
    />
  );
}

function SomethingElse() {
  const [goodId] = useState(() => ulid());
  return (
    <PutUpForm
      goodId={goodId}
      leftKg={null}
      pieces={[]}
      first={{
        name: '',
        what: UNNAMED_KIND,
        code: codeOf(goodId),
        makeId: null,
        madeAt: new Date(now()).toISOString(),
        sour: null,
        saltFraction: null,
        milk: null,
        keeps: usualKeeping(UNNAMED_KIND),
        costPerKg: null,
        note: '',
      }}
    />
  );
}

/** Makes whose product is not put up yet, and the putting up of one. */
export function PutUp({ larder, makeId }: { readonly larder: LarderNow; readonly makeId: string | null }) {
  const { data: makes = [] } = useMakesQuery();
  const units = useUnits();
  if (makeId === SOMETHING_ELSE) return <SomethingElse />;
  if (makeId !== null) return larder.known ? <OfMake key={makeId} makeId={makeId} larder={larder} /> : null;
  const nowMs = now();
  const put = new Set(larder.goods.map((good) => good.makeId));
  const waiting = makes.filter(
    ({ id, status, waking, doNotEat, product, finishedAt }) =>
      status === 'kept' &&
      !waking &&
      !doNotEat &&
      product !== null &&
      !put.has(id) &&
      nowMs - Date.parse(finishedAt ?? '') < WAITING_MS,
  );
  return (
    <div className="column">
      <ul className="bare use-first-list" aria-label="Not in the larder yet">
        {waiting.map(({ id, name, finishedAt, yieldKg }) => (
          <li key={id}>
            <Link to={`/larder/put-up/${id}`}>{name}</Link>
            <span>{yieldKg === null ? 'not weighed' : units.mass(yieldKg)}</span>
            <span className="quiet">
              {finishedAt === null ? '' : `finished ${units.day(Date.parse(finishedAt))}`}
            </span>
          </li>
        ))}
      </ul>
      {waiting.length === 0 && <p className="quiet">Everything you made recently is in the larder.</p>}
      <Button component={Link} to={`/larder/put-up/${SOMETHING_ELSE}`} variant="default" h={56}>
        Add another product
      </Button>
    </div>
  );
}
