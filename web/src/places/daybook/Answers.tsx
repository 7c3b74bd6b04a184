import '../../parts/tables/tables.css';
import {
  daybookChoices,
  FAT_LOST_BY,
  fatLostBy,
  handsByProduct,
  honestAnswer,
  PRODUCTS,
  SOURNESS,
  tally,
  tallyByMonth,
  thrownAway,
  turnsAnswer,
  yieldBySeason,
  type FatLostBy,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { useCulturesQuery } from '../../data/api.ts';
import { useLarder } from '../../data/use-larder.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { answerOption, type AnswerPicture } from '../../charts/answer-option.ts';
import type { ChartBuilder } from '../../charts/Chart.tsx';
import { LazyChart } from '../../charts/LazyChart.tsx';
import { Choices } from '../../parts/fields/Choices.tsx';
import { inTable, saveTable, type Cell } from '../../parts/print/table-file.ts';
import {
  fatPicture,
  handsPicture,
  honestPicture,
  inOutPicture,
  NO_WHY,
  pacePicture,
  seasonPicture,
  sournessPicture,
  thrownPicture,
} from './answer-pictures.ts';
import {
  fatWords,
  handsWords,
  honestWords,
  inOutWords,
  monthName,
  monthWords,
  paceWords,
  seasonWords,
  sournessWords,
  thrownWords,
} from './answer-words.ts';
import { DaybookHead } from './DaybookHead.tsx';
import { Settled } from './Settled.tsx';
import { SinceFaults } from './SinceFaults.tsx';
import { useDaybook } from './use-daybook.ts';

const BY_WORD: Readonly<Record<FatLostBy, string>> = { season: 'month', feed: 'feed', churn: 'churn' };

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
            Download CSV
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
  const { data: cultures } = useCulturesQuery();
  // One culture sets in the warmth, another in the room: their turns are looked at line by line.
  const lineId = filter.lineId ?? daybookChoices(makes, site.zone).lines[0] ?? null;
  const turns = useMemo(
    () => turnsAnswer(lineId === null ? makes : makes.filter((make) => make.lineId === lineId)),
    [makes, lineId],
  );
  const culture = cultures?.cultures.find(({ id }) => id === lineId)?.name;
  const ofCulture = culture === undefined ? '' : ` Culture: ${culture}.`;
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
  const pictures = {
    pace: useMemo(() => pacePicture(turns), [turns]),
    sourness: useMemo(() => sournessPicture(turns), [turns]),
    honest: useMemo(() => honestPicture(honest), [honest]),
    season: useMemo(() => seasonPicture(seasons), [seasons]),
    fat: useMemo(() => fatPicture(lost, by), [lost, by]),
    inOut: useMemo(() => inOutPicture(months, units), [months, units]),
    thrown: useMemo(() => thrownPicture(thrown, units), [thrown, units]),
    hands: useMemo(() => handsPicture(hands), [hands]),
  };
  const names = useMemo(() => new Map(makes.map(({ id, name }) => [id, name])), [makes]);
  const nameOf = (id: string): string => names.get(id) ?? '';
  return (
    <div>
      <DaybookHead daybook={daybook} />
      {daybook.known && makes.length === 0 && <p>No finished batches to answer from yet.</p>}
      {makes.length > 0 && (
        <div className="answers">
          <SinceFaults makes={makes} />
          <Answer
            question="Does the culture slow down over the generations?"
            sentence={`${paceWords(turns.pace)}${ofCulture}`}
            picture={pictures.pace}
            table={{
              name: 'hours-by-turn',
              columns: ['make', 'turn', 'hours_to_set'],
              rows: turns.hours.map(({ makeId, x, y }) => [nameOf(makeId), x, inTable(y)]),
            }}
          />
          <Answer
            question="Do batches get sourer over the generations?"
            sentence={`${sournessWords(turns)}${ofCulture}`}
            picture={pictures.sourness}
            table={{
              name: 'sourness-by-turn',
              columns: ['make', 'turn', 'tasted'],
              rows: turns.tasted.map(({ makeId, x, y }) => [nameOf(makeId), x, SOURNESS[y] ?? '']),
            }}
          />
          <Answer
            question="How reliable is the forecast?"
            sentence={honestWords(honest)}
            picture={pictures.honest}
            table={{
              name: 'forecast-and-seen',
              columns: ['make', 'hours_forecast', 'hours_seen'],
              rows: honest.dots.map(({ makeId, x, y }) => [nameOf(makeId), inTable(x), inTable(y)]),
            }}
          />
          <Answer
            question="How does the yield change over the year?"
            sentence={often ? seasonWords(seasons, PRODUCTS[often.product].label) : ''}
            picture={pictures.season}
            table={{
              name: 'yield-by-month',
              columns: ['month', 'share_of_what_went_in', 'batches'],
              rows: seasons.map(({ group, middle, makes: n }) => [monthName(group), inTable(middle), n]),
            }}
          />
          <Answer
            question="Where does the fat go?"
            sentence={fatWords(lost)}
            picture={pictures.fat}
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
            picture={pictures.inOut}
            table={{
              name: 'in-and-out-by-month',
              columns: ['month', 'batches', 'litres_in', 'kg_out'],
              rows: months.map((m) => [m.month, m.makes, inTable(m.litres), inTable(m.kgOut)]),
            }}
          />
          <Answer
            question="What was thrown away, and why?"
            sentence={thrownWords(thrown, whole.litres, units)}
            picture={pictures.thrown}
            table={{
              name: 'thrown-away',
              columns: ['why', 'mass_kg', 'times'],
              rows: thrown.map(({ why, massKg, times }) => [why || NO_WHY, inTable(massKg), times]),
            }}
          />
          <Answer
            question="Where does your hands-on time go?"
            sentence={handsWords(hands, whole, units)}
            picture={pictures.hands}
            table={{
              name: 'hands-by-product',
              columns: ['product', 'batches', 'minutes', 'minutes_a_kg'],
              rows: hands.map((h) => [
                PRODUCTS[h.product].label,
                h.makes,
                inTable(h.handsMin),
                inTable(h.minPerKg),
              ]),
            }}
          />
          <Settled makes={makes} />
        </div>
      )}
      <p className="quiet above-m">
        Based on {makes.length} of {daybook.all.length} batches{monthsNote(months)}. Generations are those of
        the culture used most. Choose another with Filter.
      </p>
    </div>
  );
}

/** From when to when it is told. */
function monthsNote(months: readonly { readonly month: string }[]): string {
  const [first, last] = [months[0], months.at(-1)];
  return first && last ? `, from ${monthWords(first.month)} to ${monthWords(last.month)}` : '';
}
