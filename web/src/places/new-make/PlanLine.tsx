import { IconChevronDown } from '@tabler/icons-react';
import { UnstyledButton } from '@mantine/core';
import { useId, useState, type ReactNode } from 'react';
import './plan-line.css';

/** One line of a plan: what it is about, a sentence, what speaks against it, and its controls one tap below. */
export function PlanLine(props: {
  readonly label: string;
  /** What is asked, where a first batch is asked for line by line. */
  readonly question?: string | undefined;
  readonly sentence: string;
  readonly open: boolean;
  readonly onTurn: () => void;
  /** A field below says what is wrong with it. */
  readonly faulty: boolean;
  readonly cautions?: ReactNode;
  /** What somebody usually changes: always there. */
  readonly always?: ReactNode;
  readonly children?: ReactNode;
}) {
  const { label, question, sentence, open, onTurn, faulty, cautions, always, children } = props;
  const id = useId();
  // What was typed stays as it was typed when the line is closed.
  const [opened, setOpened] = useState(open);
  if (open && !opened) setOpened(true);
  return (
    <section className="plan-line" aria-labelledby={`${id}label`}>
      <div className="plan-line-head">
        <h2>
          <UnstyledButton
            id={`${id}label`}
            className="plan-line-label"
            aria-expanded={open}
            aria-controls={`${id}body`}
            aria-describedby={`${id}sentence`}
            onClick={onTurn}
          >
            {question ?? label}
          </UnstyledButton>
        </h2>
        <p id={`${id}sentence`} className={faulty ? 'plan-line-sentence danger' : 'plan-line-sentence'}>
          {faulty ? 'Correct the marked field' : sentence}
        </p>
        <IconChevronDown aria-hidden className={open ? 'plan-line-turn turned' : 'plan-line-turn'} />
      </div>
      {always !== undefined && <div className="plan-line-body">{always}</div>}
      {cautions}
      <div id={`${id}body`} className="plan-line-body" hidden={!open}>
        {opened && children}
      </div>
    </section>
  );
}
