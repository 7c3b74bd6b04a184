import { Popover, UnstyledButton } from '@mantine/core';
import { Link } from 'react-router';
import { withTerms, type Term } from './terms.ts';
import '../fields/popover-styles.ts';
import './with-terms.css';

/** A word with a dotted line under it, which opens what it means where it stands. */
function Explained({ term, as }: { readonly term: Term; readonly as: string }) {
  return (
    <Popover width={320} position="bottom-start" withinPortal>
      <Popover.Target>
        <UnstyledButton className="term" component="button" aria-label={`${as}: what it means`}>
          {as}
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown aria-label={term.name}>
        <p>
          <strong>{term.name}.</strong> {term.text}
        </p>
        <p>
          <Link to={`/help#${term.id}`}>All words</Link>
        </p>
      </Popover.Dropdown>
    </Popover>
  );
}

/** A text whose hard words are explained where they stand. Not for what is a button or a link itself. */
export function WithTerms({ text }: { readonly text: string }) {
  return withTerms(text).map((piece) =>
    typeof piece === 'string' ? piece : <Explained key={piece.term.id} term={piece.term} as={piece.as} />,
  );
}
