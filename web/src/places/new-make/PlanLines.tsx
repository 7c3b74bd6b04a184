import { DOSED_KINDS, productOf, SOURNESS, souringOf, soursToTheEnd, type Advice } from '@morning-crock/core';
import {
  PRODUCT_TAKES,
  THICKNESS,
  type Culture,
  type Factor,
  type KitchenSettings,
  type Lot,
} from '@morning-crock/core/contract';
import { useState, type ReactNode } from 'react';
import { now } from '../../data/clock.ts';
import type { Units } from '../../data/units-of.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { CreamPart, CreamSource } from './CreamPart.tsx';
import { DosesPart, SweetenPart } from './ExtrasPart.tsx';
import { HeatPart } from './HeatPart.tsx';
import {
  churnWords,
  finishWords,
  freezeWords,
  heatWords,
  panWords,
  placeWords,
  pourWords,
  resultWords,
  shortWords,
  startWords,
  starterWords,
} from './line-words.ts';
import { MilkPart, MilkSource } from './MilkPart.tsx';
import { nightWords } from './night-words.ts';
import type { PourProps } from './pour-props.ts';
import { ButterPart, ButterSource } from './panels/ButterPart.tsx';
import { ChurnPart } from './panels/ChurnPart.tsx';
import { FreezePart } from './panels/FreezePart.tsx';
import { FinishPart } from '../../parts/fields/FinishPart.tsx';
import { PanPart } from './panels/PanPart.tsx';
import { PlacePart } from './PlacePart.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { PlanLine } from './PlanLine.tsx';
import { StarterKindChoice, StarterPart } from './StarterPart.tsx';
import { StartPart } from './StartPart.tsx';
import type { Planning } from './use-plan.ts';
import type { Start } from './use-start.ts';

/** One line of the plan: its sentence, and what it opens to. */
interface Line {
  readonly id: string;
  readonly label: string;
  /** What is asked when somebody makes their first batch. */
  readonly question?: string;
  readonly sentence: string;
  /** The advice that stands on it, and the fields whose faults it shows. */
  readonly about: readonly Advice['field'][];
  readonly fields?: readonly string[];
  /** What else speaks against it. */
  readonly said?: readonly string[];
  readonly always?: ReactNode;
  readonly body: ReactNode;
}

const POUR = { cream: 'Cream', butter: 'Butter', packet: 'Milk' } as const;

/** What goes in: milk, cream or butter. */
function pourLine(props: PourProps, mayBeRipened: boolean, units: Units): Line {
  const { plan, lots } = props;
  const { goods } = productOf(plan);
  const takes = PRODUCT_TAKES[plan.product];
  // Frozen yogurt begins with yogurt, whatever its milk was.
  const label = takes === 'milk' ? goods.into.charAt(0).toUpperCase() + goods.into.slice(1) : POUR[takes];
  return {
    id: 'pour',
    label,
    question: `How much ${label.toLowerCase()}?`,
    sentence: pourWords(plan, lots, units),
    about: ['milk'],
    fields: ['milk', 'fat', 'amount', 'cream', 'cream fat'],
    always:
      takes === 'cream' ? (
        <CreamSource {...props} mayBeRipened={mayBeRipened} />
      ) : takes === 'butter' ? (
        <ButterSource {...props} />
      ) : (
        <MilkSource {...props} />
      ),
    body:
      takes === 'cream' ? (
        <CreamPart {...props} mayBeRipened={mayBeRipened} />
      ) : takes === 'butter' ? (
        <ButterPart {...props} />
      ) : (
        <MilkPart {...props} />
      ),
  };
}

/** What is turned where something sours. */
function souringLines(props: LinesProps, units: Units): Line[] {
  const { planning, kitchen, cultures, lots, onFault, first } = props;
  const { plan, state, change, replace } = planning;
  if (souringOf(state) === null) return [];
  const short = shortWords(plan, cultures, units);
  const milk = PRODUCT_TAKES[plan.product] === 'milk';
  return [
    {
      id: 'heat',
      label: milk ? 'Heat' : 'Scald',
      sentence: heatWords(plan, units),
      about: ['heat', 'inoculate'],
      body: <HeatPart plan={plan} change={change} replace={replace} />,
    },
    {
      id: 'starter',
      label: 'Starter',
      question: 'Which starter?',
      sentence: starterWords(plan, cultures, units),
      about: ['starter'],
      fields: ['dose', 'label', ...DOSED_KINDS],
      said: short === null ? [] : [short],
      always: first ? (
        <StarterKindChoice plan={plan} cultures={cultures} lots={lots} change={change} />
      ) : undefined,
      body: (
        <>
          <StarterPart
            plan={plan}
            cultures={cultures}
            lots={lots}
            change={change}
            onFault={onFault}
            kindAbove={first}
          />
          <DosesPart plan={plan} change={change} onFault={onFault} />
        </>
      ),
    },
    {
      id: 'place',
      label: 'Warm place',
      sentence: placeWords(plan, units),
      about: ['place', 'pot'],
      body: <PlacePart plan={plan} kitchen={kitchen} change={change} replace={replace} />,
    },
    ...(soursToTheEnd(state)
      ? [
          {
            id: 'result',
            label: 'Result',
            sentence: resultWords(plan),
            about: ['wanted'] as const,
            body: (
              <>
                <Choices
                  legend="Sourness"
                  value={plan.wanted.sourness}
                  options={SOURNESS.map((s) => ({ value: s, label: s }))}
                  onChange={(sourness) => change({ wanted: { ...plan.wanted, sourness } })}
                />
                {milk && (
                  <Choices
                    legend="Thickness"
                    value={plan.wanted.thickness}
                    options={THICKNESS.map((t) => ({ value: t, label: t }))}
                    onChange={(thickness) => change({ wanted: { ...plan.wanted, thickness } })}
                  />
                )}
                <StepSlider
                  label="Keep warm for at least"
                  value={plan.wanted.leastH ?? 0}
                  shown={plan.wanted.leastH === undefined ? 'until sour enough' : `${plan.wanted.leastH} h`}
                  min={0}
                  max={36}
                  step={1}
                  onChange={(leastH) => {
                    const { leastH: _before, ...wanted } = plan.wanted;
                    change({ wanted: leastH === 0 ? wanted : { ...wanted, leastH } });
                  }}
                />
                <SweetenPart plan={plan} change={change} />
              </>
            ),
          },
        ]
      : []),
  ];
}

/** What is turned where cream is churned, butter clarified, or yogurt frozen. */
function butterLines({ planning, kitchen }: LinesProps, units: Units): Line[] {
  const { plan, state, change } = planning;
  const churn = churnWords(plan, units);
  const pan = panWords(plan, units);
  const freeze = freezeWords(plan);
  // Where something sours, heat and pot are those of the souring.
  const sours = souringOf(state) !== null;
  return [
    ...(churn === null
      ? []
      : [
          {
            id: 'churn',
            label: 'Churn',
            sentence: churn,
            about: sours ? [] : (['heat', 'pot'] as const),
            body: <ChurnPart plan={plan} kitchen={kitchen} change={change} />,
          },
          {
            id: 'finish',
            label: 'Wash and salt',
            sentence: finishWords(plan),
            about: [],
            body: <FinishPart plan={plan} change={change} />,
          },
        ]),
    ...(freeze === null
      ? []
      : [
          {
            id: 'freeze',
            label: 'Freeze',
            sentence: freeze,
            about: [],
            body: (
              <>
                <FreezePart plan={plan} change={change} />
                <SweetenPart plan={plan} change={change} />
              </>
            ),
          },
        ]),
    ...(pan === null
      ? []
      : [
          {
            id: 'pan',
            label: 'Clarify',
            sentence: pan,
            about: ['pot', 'heat'] as const,
            body: <PanPart plan={plan} kitchen={kitchen} change={change} />,
          },
        ]),
  ];
}

interface LinesProps {
  readonly planning: Planning;
  readonly start: Start;
  readonly kitchen: KitchenSettings;
  readonly factors: readonly Factor[];
  readonly lots: readonly Lot[];
  readonly cultures: readonly Culture[];
  /** Fields that say what is wrong with them. */
  readonly faults: ReadonlySet<string>;
  /** Changes what goes in. */
  readonly changePour: PourProps['change'];
  readonly onFault: PourProps['onFault'];
  /** By which method, as a line of its own; left out where a batch is repeated. */
  readonly method?: { readonly sentence: string; readonly body: ReactNode } | null;
  /** Asked line by line: what matters stands open. */
  readonly first: boolean;
}

/** The plan as lines: each says in a sentence what will be done, and opens to be changed. */
export function PlanLines(props: LinesProps) {
  const { planning, start, kitchen, factors, lots, faults, first, method } = props;
  const { plan, state, advice } = planning;
  const units = useUnits();
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set(first ? ['start'] : []));
  const [renewed, setRenewed] = useState(0);
  const pour = {
    plan,
    lots,
    change: props.changePour,
    onFault: props.onFault,
    renewed,
    onRenew: () => setRenewed(renewed + 1),
  };
  const lines: Line[] = [
    ...(method ? [{ id: 'method', label: 'Method', about: [], ...method }] : []),
    pourLine(pour, souringOf(state) === null, units),
    ...souringLines(props, units),
    ...butterLines(props, units),
    {
      id: 'start',
      label: 'Start',
      question: 'When do you want it?',
      sentence: startWords(plan, start, units, now()),
      about: ['start'],
      said: nightWords(planning, units),
      body: <StartPart planning={planning} start={start} kitchen={kitchen} factors={factors} first={first} />,
    },
  ];
  // What is asked of somebody who begins comes first.
  if (first) lines.sort((a, b) => Number(b.question !== undefined) - Number(a.question !== undefined));
  const placed = new Set(lines.flatMap(({ about }) => about));
  const turn = (id: string): void =>
    setOpen((before) =>
      before.has(id) ? new Set([...before].filter((other) => other !== id)) : new Set([...before, id]),
    );
  return (
    <div className="plan-lines">
      {lines.map(({ id, about, fields = [], ...line }, at) => {
        // What belongs to no line stands on the last.
        const own = advice.filter(
          ({ field }) => about.includes(field) || (at === lines.length - 1 && !placed.has(field)),
        );
        const { said = [] } = line;
        return (
          <PlanLine
            key={`${plan.product} ${id}`}
            label={line.label}
            question={first ? line.question : undefined}
            sentence={line.sentence}
            open={open.has(id)}
            onTurn={() => turn(id)}
            faulty={fields.some((field) => faults.has(field))}
            always={line.always}
            cautions={[
              ...own.map((a) => (
                <p
                  key={a.text}
                  className={`caution ${a.severity}`}
                  role={a.severity === 'stop' ? 'alert' : undefined}
                >
                  {a.text}
                </p>
              )),
              ...said.map((text) => (
                <p key={text} className="caution">
                  {text}
                </p>
              )),
            ]}
          >
            {line.body}
          </PlanLine>
        );
      })}
    </div>
  );
}
