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
      <h2>
        <UnstyledButton
          className="plan-line-head"
          aria-expanded={open}
          aria-controls={`${id}body`}
          aria-labelledby={`${id}label`}
          aria-describedby={`${id}sentence`}
          onClick={onTurn}
        >
          <span id={`${id}label`} className="plan-line-label">
            {question ?? label}
          </span>
          <span id={`${id}sentence`} className={faulty ? 'plan-line-sentence danger' : 'plan-line-sentence'}>
            {faulty ? 'Correct the marked field' : sentence}
          </span>
          <IconChevronDown aria-hidden className="plan-line-turn" />
        </UnstyledButton>
      </h2>
      {always !== undefined && <div className="plan-line-body">{always}</div>}
      {cautions}
      <div id={`${id}body`} className="plan-line-body" hidden={!open}>
        {opened && children}
      </div>
    </section>
  );
}
