import '../../parts/fields/form-styles.ts';
import { TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { KeyRows } from '../../parts/keys/KeyRows.tsx';
import { TERMS } from '../../parts/words/terms.ts';
import { TermDrawing } from './TermDrawing.tsx';
import './help.css';

const PLACES = [
  ['/', 'Bench', 'What is under way, and the one thing to do now.'],
  ['/day', 'Day', 'Several batches in one schedule, around your sleep.'],
  ['/milk', 'Milk room', 'Every litre: what is there, when to skim, what to use first.'],
  ['/cultures', 'Cultures', 'Where each starter comes from, how strong it is, when it is due.'],
  ['/larder', 'Larder', 'What is in stock, by when to use it, and its labels.'],
  ['/daybook', 'Daybook', 'Every batch so far: forecast against actual, yield, taste, cost.'],
  ['/methods', 'Methods', 'The ways to make each product, to follow, edit and share.'],
  ['/sums', 'Tools', 'Small calculators for one question each.'],
  ['/kitchen', 'Kitchen', 'Your pots, warm places, people and units.'],
] as const;

/** What the words mean, where things are, and which keys there are. */
export function HelpPlace() {
  const [sought, setSought] = useState('');
  const { hash } = useLocation();
  const asked = decodeURIComponent(hash.slice(1));
  useEffect(() => {
    const word = document.getElementById(`word-${asked}`);
    word?.scrollIntoView({ block: 'center' });
    word?.focus({ preventScroll: true });
  }, [asked]);
  const wanted = sought.trim().toLowerCase();
  const shown = TERMS.filter(({ name, text }) => `${name} ${text}`.toLowerCase().includes(wanted));
  return (
    <div className="help">
      <h1>Help</h1>
      <section aria-labelledby="words">
        <div className="help-head">
          <h2 id="words">Words</h2>
          <TextInput
            label="Find a word"
            value={sought}
            onChange={(e) => setSought(e.currentTarget.value)}
            w={280}
          />
        </div>
        {shown.length === 0 && <p>No word matches “{sought}”. Try a shorter one.</p>}
        <dl className="words">
          {shown.map(({ id, name, text }) => (
            <div key={id} id={`word-${id}`} tabIndex={-1} className={id === asked ? 'word asked' : 'word'}>
              <dt>
                <TermDrawing id={id} />
                {name}
              </dt>
              <dd>{text}</dd>
            </div>
          ))}
        </dl>
      </section>
      <section aria-labelledby="where" className="help-side">
        <h2 id="where">Where things are</h2>
        <ul className="bare help-places">
          {PLACES.map(([to, name, text]) => (
            <li key={to}>
              <Link to={to}>{name}</Link>
              <span className="quiet">{text}</span>
            </li>
          ))}
        </ul>
        <h2>Keyboard shortcuts</h2>
        <KeyRows />
        <p className="quiet">
          Shortcuts pause while you type in a field. You can turn them off in{' '}
          <Link to="/kitchen">Kitchen</Link>.
        </p>
      </section>
    </div>
  );
}
