import '../../parts/fields/form-styles.ts';
import { batchOf, eveningList, goingOf, planInstructions, type WayOut, MINUTE_MS } from '@morning-crock/core';
import { KEEPS_WARM } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { now, useNow } from '../../data/clock.ts';
import { useUnderWayIds } from '../../data/under-way.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useDays } from '../../data/use-days.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { useDayTime } from '../../parts/words/DayTime.tsx';
import { dayMoments } from './day-moments.ts';
import { DayAsked } from './DayAsked.tsx';
import { DayLevers } from './DayLevers.tsx';
import { DayLists } from './DayLists.tsx';
import { DayOutcome } from './DayOutcome.tsx';
import { DayPours } from './DayPours.tsx';
import { DayProposals } from './DayProposals.tsx';
import { DaySchedule } from './DaySchedule.tsx';
import { GoingPanel } from './GoingPanel.tsx';
import { useDayDraft, type DayDraft } from './day-draft.ts';
import { missingOf } from './day-document.ts';
import { useBeginDay } from './use-begin-day.ts';
import { useDayPlan, type DayPlan } from './use-day-plan.ts';
import '../../parts/print/paper.css';
import './day.css';

/** What a schedule is chosen by, in this order. */
function HowChosen() {
  return (
    <>
      <details>
        <summary>How the schedule is chosen</summary>
        <ol>
          <li>Nothing waits longer than it may.</li>
          <li>Each batch is done by the time you asked for.</li>
          <li>Work falls into your hours in the kitchen, apart from short jobs.</li>
          <li>What often runs late has room to be late.</li>
          <li>Each batch is done as soon as it can be. When the last one is done counts least.</li>
        </ol>
      </details>
      <p className="quiet">
        Times are estimates, from the middle of each forecast.{' '}
        <Link to="/kitchen/people">Sleep and time away</Link> are kept free. What is emptied is washed before
        it is used again.
      </p>
    </>
  );
}

/** Cream that is skimmed for this day, when, and how to leave it. */
function Skimming(props: {
  readonly chores: DayPlan['chores'];
  readonly timeOf: (minute: number) => string;
  readonly onRemove: (lotId: string) => void;
}) {
  const { chores, timeOf, onRemove } = props;
  return (
    <ul className="bare" aria-label="Skimming for this plan">
      {chores.map(({ id, title, at: minute }) => (
        <li key={id} className="row">
          <span className="grows">
            {title} at <span className="number">{timeOf(minute)}</span>
          </span>
          <Button variant="default" onClick={() => onRemove(id)}>
            Remove skimming
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** Several makes in one timetable: where their milk comes from, whose hands when, and the day as it goes on. */
export function DayPlace() {
  // The kitchen's clock is known with its first answer: a day begins by that.
  const { known } = useMethods();
  return known ? <DayTable /> : <h1>Day</h1>;
}

function DayTable() {
  const units = useUnits();
  const kitchen = useKitchen();
  const nowMs = useNow(MINUTE_MS);
  const [draft, setDraft] = useDayDraft();
  const [first] = useState(() => Math.ceil(now() / (5 * MINUTE_MS)) * 5 * MINUTE_MS);
  const at = useDayTime(first);
  const plan = useDayPlan(draft, at.atMs, first);
  const { zeroMs } = plan;
  const { makes, answer, current, pours, fault } = plan;
  const { starting, keep, begin } = useBeginDay(draft, setDraft, plan);
  const days = useDays();
  const going = goingOf(days, new Set(useUnderWayIds()), nowMs);
  const nameOf = (id: string): string =>
    makes.find((make) => make.id === id)?.name ?? (plan.chores.some((c) => c.id === id) ? 'Milk room' : '');
  // What is shown is not what is asked from the moment something was changed, before its search has begun.
  const busy =
    plan.share !== null || (makes.length > 0 && !current && fault === null && !Number.isNaN(zeroMs));
  const timeOf = (minute: number): string => units.time(zeroMs + minute * MINUTE_MS, zeroMs);
  const [proposing, setProposing] = useState(false);
  /** The batches that a proposed day took the place of. */
  const [replaced, setReplaced] = useState<Pick<DayDraft, 'makes' | 'skims'> | null>(null);
  const changeMake = (
    id: string,
    to: (make: DayDraft['makes'][number]) => Partial<DayDraft['makes'][number]>,
  ) =>
    setDraft((before) => ({
      ...before,
      makes: before.makes.map((make) => (make.id === id ? { ...make, ...to(make) } : make)),
    }));
  const out = (want: string, way: WayOut): void => {
    if (way.way === 'less') changeMake(want, () => ({ litres: way.litres }));
    if (way.way === 'skim')
      setDraft((before) => ({
        ...before,
        skims: [...before.skims, { lotId: way.lotId, at: new Date(way.atMs).toISOString() }],
      }));
  };
  return (
    <div className="day">
      <div className="make-head">
        <h1>Day</h1>
        <span className="quiet">Several batches, one schedule</span>
      </div>
      {going && <GoingPanel going={going} nowMs={nowMs} />}
      <div className="day-parts">
        <DayAsked
          draft={draft}
          setDraft={setDraft}
          plan={plan}
          at={at}
          nowMs={nowMs}
          days={days.filter(({ id }) => id !== going?.id)}
          onKeep={() => void keep()}
        >
          {makes.length > 0 && (
            <Button variant="default" aria-expanded={proposing} onClick={() => setProposing(!proposing)}>
              {proposing ? 'Hide suggested days' : 'Suggest a day'}
            </Button>
          )}
          {replaced && (
            <Button
              variant="default"
              onClick={() => {
                setDraft((before) => ({ ...before, ...replaced }));
                setReplaced(null);
              }}
            >
              Put my batches back
            </Button>
          )}
        </DayAsked>
        <section className="column" aria-label="Schedule" aria-busy={busy}>
          {Number.isNaN(zeroMs) && <p className="field-error">Enter a start day and time.</p>}
          {fault && (
            <p className="field-error" role="alert">
              {fault}
            </p>
          )}
          {!Number.isNaN(zeroMs) && (
            // Put away, not thrown away: what was suggested is still there when another of the days is wanted.
            <div hidden={makes.length > 0 && !proposing}>
              <DayProposals
                draft={draft}
                plan={plan}
                zeroMs={at.atMs}
                onTake={(day) => {
                  const { makes: before, skims } = draft;
                  setReplaced(before.length > 0 ? { makes: before, skims } : null);
                  setDraft((own) => ({ ...own, ...day }));
                  setProposing(false);
                }}
              />
            </div>
          )}
          {makes.length === 0 && (
            <p className="quiet">
              Or add what you want to make yourself. The schedule shares out the milk and fits the work around
              waits and sleep.
            </p>
          )}
          {makes.length > 0 && !Number.isNaN(zeroMs) && (
            <DayOutcome
              answer={answer}
              share={plan.share}
              canStart={answer?.fits === true && current}
              starting={starting}
              hasSession={draft.session !== null}
              zeroMs={zeroMs}
              nameOf={nameOf}
              timeOf={timeOf}
              onStart={() => void begin()}
              onStop={plan.stop}
            />
          )}
          {makes.length > 0 && (
            <DayLevers
              ready={current && answer !== null}
              asked={plan.wish}
              asking={plan.asking}
              nameOf={nameOf}
              onTake={({ make, aims, kind, litres }) =>
                changeMake(make ?? '', () => ({
                  ...(kind === 'early' ? { early: true } : {}),
                  ...(kind === 'less' && litres !== null ? { litres } : {}),
                  ...(aims?.cooling ? { cooling: 'iced-bath' as const } : {}),
                  ...(aims?.place ? { place: KEEPS_WARM.find((kind) => kind === aims.place?.kind) } : {}),
                  ...(aims?.starter?.share ? { starterShare: aims.starter.share } : {}),
                }))
              }
            />
          )}
          {pours && makes.length > 0 && pours.allocation.wants.length > 0 && (
            <DayPours
              pours={pours}
              nowMs={zeroMs}
              onward={
                new Map(
                  [...plan.fedBy].flatMap(([id, feeder]) => {
                    const own = plan.plans.get(id);
                    return own ? [[feeder, { name: nameOf(id), massKg: batchOf(own).massKg }] as const] : [];
                  }),
                )
              }
              onWay={out}
              onLitres={(want, litres) => changeMake(want, () => ({ litres }))}
            />
          )}
          {draft.skims.length > 0 && (
            <Skimming
              chores={plan.chores}
              timeOf={timeOf}
              onRemove={(lotId) =>
                setDraft((before) => ({
                  ...before,
                  skims: before.skims.filter((own) => own.lotId !== lotId),
                }))
              }
            />
          )}
          {answer?.fits && makes.length > 0 && (
            <>
              <DaySchedule
                draft={draft}
                plan={plan}
                answer={answer}
                zeroMs={zeroMs}
                nameOf={nameOf}
                timeOf={timeOf}
                changeMake={changeMake}
              />
              <DayLists
                name={draft.name}
                pots={answer.pots}
                evening={eveningList([...plan.plans.values()], answer.hands, kitchen)}
                needs={plan.needs}
                missing={missingOf(pours)}
                hands={answer.hands}
                instructions={() =>
                  new Map([...plan.plans].map(([make, own]) => [make, planInstructions(own)]))
                }
                moments={(told) => dayMoments(answer, { zeroMs, nameOf, told })}
                nameOf={nameOf}
                timeOf={timeOf}
                nowMs={nowMs}
              />
              <HowChosen />
            </>
          )}
        </section>
      </div>
    </div>
  );
}
