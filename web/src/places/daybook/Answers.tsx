import '../../parts/tables.css';
import {
  FAT_LOST_BY,
  fatLostBy,
  formatMinutes,
  fromLitres,
  handsByProduct,
  honestAnswer,
  PRODUCTS,
  SOURNESS,
  SYSTEM_UNITS,
  tally,
  tallyByMonth,
  thrownAway,
  turnsAnswer,
  UNIT_LABEL,
  yieldBySeason,
  type FatLostBy,
  type MonthTally,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { useLarder } from '../../data/use-larder.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { answerOption, type AnswerPicture } from '../../charts/answer-option.ts';
import type { ChartBuilder } from '../../charts/Chart.tsx';
import { LazyChart } from '../../charts/LazyChart.tsx';
import { Choices } from '../../parts/Choices.tsx';
import { priceWeight } from '../../parts/price-words.ts';
import { inTable, saveTable, type Cell } from '../../parts/table-file.ts';
import {
  fatWords,
  honestWords,
  inOutWords,
  monthName,
  monthWords,
  paceWords,
  seasonWords,
  shortMonth,
  sournessWords,
  thrownWords,
} from './answer-words.ts';
import { DaybookHead } from './DaybookHead.tsx';
import { useDaybook } from './use-daybook.ts';

const BY_WORD: Readonly<Record<FatLostBy, string>> = { season: 'month', feed: 'feed', churn: 'churn' };
const NO_WHY = 'nobody said why';
/** So many reasons are drawn; the table file has all. */
const MOST_REASONS = 8;

/** A question, its answer in a sentence, and the picture it is read off. */
function Answer(props: {
  readonly question: string;
  readonly sentence: string;
  /** `null` where there is nothing to draw. */
  readonly picture: AnswerPicture | null;
  readonly table: {
    readonly name: string;
    readonly columns: readonly string[];
    readonly rows: readonly (readonly Cell[])[];
  };
  readonly children?: ReactNode;
}) {
  const { question, sentence, picture, table, children } = props;
  const build = useCallback<ChartBuilder>(
    (theme, narrow) => (picture ? answerOption(picture, theme, narrow) : {}),
    [picture],
  );
  return (
    <section className="answer" aria-label={question}>
      <div>
        <h2>{question}</h2>
        <p className="answer-sentence">{sentence}</p>
        {children}
        {table.rows.length > 0 && (
          <Button variant="subtle" px={0} onClick={() => saveTable(table.name, table.columns, table.rows)}>
            As a table file
          </Button>
        )}
      </div>
      {picture && (
        <div className="answer-picture">
          <LazyChart build={build} label={`${question} ${sentence}`} />
        </div>
      )}
    </section>
  );
}

/** Questions a maker would ask of the makes that are looked at, each answered in a sentence and drawn. */
export function Answers() {
  const daybook = useDaybook();
  const units = useUnits();
  const { site } = useKitchen();
  const { lines, goods } = useLarder();
  const [by, setBy] = useState<FatLostBy>('season');
  const { done: makes, filter } = daybook;
  const turns = useMemo(() => turnsAnswer(makes), [makes]);
  const honest = useMemo(() => honestAnswer(makes), [makes]);
  const months = useMemo(() => tallyByMonth(makes, site.zone).reverse(), [makes, site.zone]);
  const hands = useMemo(() => handsByProduct(makes), [makes]);
  const thrown = useMemo(() => thrownAway(makes, lines, goods), [makes, lines, goods]);
  const lost = useMemo(() => fatLostBy(makes, by), [makes, by]);
  // Of cheese comes less than of yogurt: one product at a time.
  const often = hands.reduce<(typeof hands)[number] | null>(
    (most, of) => (most === null || of.makes > most.makes ? of : most),
    null,
  );
  const seasons = useMemo(
    () => yieldBySeason(makes.filter(({ product }) => product === often?.product)),
    [makes, often?.product],
  );
  const whole = useMemo(() => tally(makes), [makes]);
  const unit = SYSTEM_UNITS[units.system].milk[0]!;
  const [weight, perWeight] = priceWeight(units);
  const pace = useMemo<AnswerPicture | null>(
    () =>
      turns.hours.length < 2
        ? null
        : {
            kind: 'dots',
            dots: turns.hours.map(({ x, y }) => [x, y]),
            x: { name: 'turn of its culture' },
            y: { name: 'hours to set' },
          },
    [turns],
  );
  const sour = useMemo<AnswerPicture | null>(
    () =>
      turns.tasted.length < 2
        ? null
        : {
            kind: 'dots',
            dots: turns.tasted.map(({ x, y }) => [x, y]),
            x: { name: 'turn of its culture' },
            y: { name: 'tasted', word: (v) => SOURNESS[v] ?? '', step: 1 },
          },
    [turns],
  );
  const honestPicture = useMemo<AnswerPicture | null>(
    () =>
      honest.dots.length < 2
        ? null
        : {
            kind: 'dots',
            even: true,
            dots: honest.dots.map(({ x, y }) => [x, y]),
            x: { name: 'hours to set, forecast' },
            y: { name: 'seen' },
          },
    [honest],
  );
  const seasonPicture = useMemo<AnswerPicture | null>(
    () =>
      seasons.length < 2
        ? null
        : {
            kind: 'bars',
            bars: seasons.map(({ group, middle }) => ({ label: shortMonth(group), value: middle * 100 })),
            y: { name: '% of what went in' },
          },
    [seasons],
  );
  const fatPicture = useMemo<AnswerPicture | null>(
    () =>
      lost.length === 0
        ? null
        : {
            kind: 'bars',
            lying: by === 'churn',
            bars: lost.map(({ group, middle }) => ({
              label: typeof group === 'number' ? shortMonth(group) : group,
              value: Math.round(middle * 1000) / 10,
            })),
            y: { name: '% of the fat, lost' },
          },
    [lost, by],
  );
  const drawn = useMemo(() => withGaps(months), [months]);
  const inOut = useMemo<AnswerPicture | null>(
    () =>
      drawn.length < 2
        ? null
        : {
            kind: 'lines',
            labels: drawn.map(
              ({ month }) => `${shortMonth(Number(month.slice(5)) - 1)} ${month.slice(2, 4)}`,
            ),
            lines: [
              {
                name: `${UNIT_LABEL[unit]} in`,
                values: drawn.map(({ litres }) => Math.round(fromLitres(litres, unit) * 10) / 10),
              },
              {
                name: `${weight} out`,
                values: drawn.map(({ kgOut }) => Math.round((kgOut / perWeight) * 10) / 10),
              },
            ],
            y: { name: 'a month' },
          },
    [drawn, unit, weight, perWeight],
  );
  const thrownPicture = useMemo<AnswerPicture | null>(
    () =>
      thrown.length === 0
        ? null
        : {
            kind: 'bars',
            lying: true,
            bars: thrown.slice(0, MOST_REASONS).map(({ why, massKg }) => ({
              label: why || NO_WHY,
              value: Math.round((massKg / perWeight) * 100) / 100,
            })),
            y: { name: weight },
          },
    [thrown, weight, perWeight],
  );
  const handsPicture = useMemo<AnswerPicture | null>(
    () =>
      hands.length < 2
        ? null
        : {
            kind: 'bars',
            lying: true,
            bars: hands.map(({ product, handsMin }) => ({
              label: PRODUCTS[product].label,
              value: Math.round(handsMin / 6) / 10,
            })),
            y: { name: 'hours of hands' },
          },
    [hands],
  );
  const names = useMemo(() => new Map(makes.map(({ id, name }) => [id, name])), [makes]);
  const nameOf = (id: string): string => names.get(id) ?? '';
  return (
    <div>
      <DaybookHead daybook={daybook} />
      {daybook.known && makes.length === 0 && <p>No makes to answer from.</p>}
      {makes.length > 0 && (
        <div className="answers">
          <Answer
            question="Does it get slower over the turns?"
            sentence={paceWords(turns.pace)}
            picture={pace}
            table={{
              name: 'hours-by-turn',
              columns: ['make', 'turn', 'hours_to_set'],
              rows: turns.hours.map(({ makeId, x, y }) => [nameOf(makeId), x, inTable(y)]),
            }}
          />
          <Answer
            question="Does it get sourer?"
            sentence={sournessWords(turns)}
            picture={sour}
            table={{
              name: 'sourness-by-turn',
              columns: ['make', 'turn', 'tasted'],
              rows: turns.tasted.map(({ makeId, x, y }) => [nameOf(makeId), x, SOURNESS[y] ?? '']),
            }}
          />
          <Answer
            question="Is the forecast honest?"
            sentence={honestWords(honest)}
            picture={honestPicture}
            table={{
              name: 'forecast-and-seen',
              columns: ['make', 'hours_forecast', 'hours_seen'],
              rows: honest.dots.map(({ makeId, x, y }) => [nameOf(makeId), inTable(x), inTable(y)]),
            }}
          />
          <Answer
            question="How much comes out, and when?"
            sentence={often ? seasonWords(seasons, PRODUCTS[often.product].label) : ''}
            picture={seasonPicture}
            table={{
              name: 'yield-by-month',
              columns: ['month', 'share_of_what_went_in', 'makes'],
              rows: seasons.map(({ group, middle, makes: n }) => [monthName(group), inTable(middle), n]),
            }}
          />
          <Answer
            question="Where does the fat go?"
            sentence={fatWords(lost)}
            picture={fatPicture}
            table={{
              name: `fat-lost-by-${by}`,
              columns: [BY_WORD[by], 'share_of_the_fat_lost', 'churnings'],
              rows: lost.map(({ group, middle, makes: n }) => [
                typeof group === 'number' ? monthName(group) : group,
                inTable(middle),
                n,
              ]),
            }}
          >
            <Choices
              legend="By"
              value={by}
              options={FAT_LOST_BY.map((value) => ({ value, label: BY_WORD[value] }))}
              onChange={setBy}
            />
          </Answer>
          <Answer
            question="What goes in, what comes out?"
            sentence={inOutWords(whole, months.length, units)}
            picture={inOut}
            table={{
              name: 'in-and-out-by-month',
              columns: ['month', 'makes', 'litres_in', 'kg_out'],
              rows: months.map((m) => [m.month, m.makes, inTable(m.litres), inTable(m.kgOut)]),
            }}
          />
          <Answer
            question="What was thrown away, and why?"
            sentence={thrownWords(thrown, whole.litres, units)}
            picture={thrownPicture}
            table={{
              name: 'thrown-away',
              columns: ['why', 'mass_kg', 'times'],
              rows: thrown.map(({ why, massKg, times }) => [why || NO_WHY, inTable(massKg), times]),
            }}
          />
          <Answer
            question="Where do the hands go?"
            sentence={
              hands.length === 0
                ? 'Nothing was made yet.'
                : `About ${formatMinutes(whole.handsMin)} in all, as the steps usually want them; ${hands
                    .slice(0, 3)
                    .flatMap(({ product, minPerKg }) =>
                      minPerKg === null
                        ? []
                        : [
                            `${PRODUCTS[product].label.toLowerCase()} ${formatMinutes(minPerKg * perWeight)} a ${weight}`,
                          ],
                    )
                    .join(', ')}.`
            }
            picture={handsPicture}
            table={{
              name: 'hands-by-product',
              columns: ['product', 'makes', 'minutes', 'minutes_a_kg'],
              rows: hands.map((h) => [
                PRODUCTS[h.product].label,
                h.makes,
                inTable(h.handsMin),
                inTable(h.minPerKg),
              ]),
            }}
          />
        </div>
      )}
      {filter.lineId === null && turns.hours.length > 0 && (
        <p className="quiet above-m">
          Turns are counted in each culture’s own line: choose one above to look at it alone. Answers are
          about the makes that are looked at, {makes.length} of {daybook.all.length}.
        </p>
      )}
      <p className="quiet above-m">{monthsNote(months)}</p>
    </div>
  );
}

/** Months in which nothing was made are drawn as what they are. @param months in order of time */
function withGaps(
  months: readonly Pick<MonthTally, 'month' | 'litres' | 'kgOut'>[],
): Pick<MonthTally, 'month' | 'litres' | 'kgOut'>[] {
  return months.flatMap((month, i) => {
    const next = months[i + 1]?.month;
    const empty = [];
    for (let m = monthAfter(month.month); next !== undefined && m < next; m = monthAfter(m))
      empty.push({ month: m, litres: 0, kgOut: 0 });
    return [month, ...empty];
  });
}
const monthAfter = (month: string): string => {
  const [year = 0, m = 1] = month.split('-').map(Number);
  return m === 12 ? `${year + 1}-01` : `${year}-${String(m + 1).padStart(2, '0')}`;
};

/** From when to when it is told. */
function monthsNote(months: readonly { readonly month: string }[]): string {
  const [first, last] = [months[0], months.at(-1)];
  return first && last ? `From ${monthWords(first.month)} to ${monthWords(last.month)}.` : '';
}
